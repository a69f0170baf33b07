using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class HourPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("next-hour", 0.08, new HourRule(NextHour), new(
            Name: "The coming hour is read",
            Finding: "{child} takes the hour that is coming, not the one the short hand has passed.",
            Reads: "the coming hour",
            Family: "Your child sometimes says the hour that is coming instead of the one that has gone.",
            Why: "The hand is moving towards that numeral, and ‘{to}’ times do name it. Counting on also makes the next number feel like "
                + "the answer.",
            HourFirst: "Start at an o’clock and turn slowly. Has it got there yet? Until it touches the next numeral, the hour is the "
                + "one it has passed.",
            MinuteFirst: "Read the minutes, then ask: is the hour full yet? It keeps its old name until the long hand is back at the top.",
            Practise: "Practise: which hour has it passed?"))
        {
            Alike = ["lower-numeral", "nearest-hour", "half-names-next"],
            Variants = [new HourRule(NextHourButAtHalf), new HourRule(NextHourUpToHalf)],
        },

        new("nearest-hour", 0.08, new HourRule(NearestHour), new(
            Name: "The nearest hour is read",
            Finding: "{child} takes whichever hour the short hand is nearest to.",
            Reads: "the nearest hour",
            Family: "Your child sometimes picks the hour that the short hand is closest to.",
            Why: "Nearest works up to half {past}, and ‘the number it points at’ is often taught that way.",
            HourFirst: "Shade the space from the last numeral to the next. All of it belongs to the hour passed, right up to the line.",
            MinuteFirst: "If the long hand is past the half, the short one will look close to the next hour. Ask which it has really "
                + "passed.",
            Practise: "Practise: almost there, but not yet"))
        { Alike = ["next-hour"], Variants = [new HourRule(NearlyThere)] },

        new("lower-numeral", 0.04, new HourRule(LowerNumeral), new(
            Name: "The lower of two numerals is read",
            Finding: "{child} takes the lower of the two numerals beside the short hand.",
            Reads: "the lower numeral",
            Family: "Between 12 and 1 your child says 1, because it is the smaller number.",
            Why: "‘Take the smaller number’ works eleven times in twelve. Between 12 and 1 it fails.",
            HourFirst: "Turn from 11 on to 12 and over the top. Twelve has been passed and one has not: so it is still 12.",
            MinuteFirst: "Read the minutes. Then follow the short hand back to the numeral it left: over the top that is 12.",
            Practise: "Practise: over the top, from 12 to 1"))
        { Alike = ["next-hour"], ShowsOnlyAtTwelve = true },

        new("previous-hour", 0.03, new HourRule(pointer => [new(Hours.Before(HourRule.LastPassed(pointer)), 1)]), new(
            Name: "The hour before is read",
            Finding: "{child} goes one hour too far back.",
            Reads: "the hour before",
            Family: "Your child sometimes says one hour too early.",
            Why: "‘The hour before’ has been taken to mean one less than the numeral the hand has just passed.",
            HourFirst: "Put a finger on the numeral it has just passed and say that one. No counting back is needed.",
            MinuteFirst: "Read the minutes, then touch the numeral behind the short hand and say it as it stands.",
            Practise: "Practise: say the one it has passed")),
    ];

    public static IReadOnlyList<Pattern> Pairs { get; } =
    [
        new("coming-or-nearest-hour", 0, new HourRule(NextHour), new(
            Name: "The coming hour is read at half {past}",
            Finding: "{child} reads half {past} with the coming hour: the coming one or the nearest.",
            Reads: "the coming hour at half {past}",
            Family: "At half {past} your child says the hour that is coming instead of the one that has gone.",
            Why: "Halfway the short hand is on its way to the next numeral, and as near to it as to the one before. Whether the coming hour "
                + "is read or the nearest one, only other times can tell: quarter {past} will.",
            HourFirst: "Start at an o’clock and turn slowly to the half. Has it got there yet? Until it touches the next numeral, the "
                + "hour is the one it has passed.",
            MinuteFirst: "Read the half, then ask: is the hour full yet? It keeps its old name until the long hand is back at the top.",
            Practise: "Practise: which hour has it passed?"))
        { Either = ["next-hour", "nearest-hour"], Alike = ["next-hour", "nearest-hour", "lower-numeral", "half-names-next"] },
    ];

    private static IReadOnlyList<Weighted<int>> NextHour(double pointer)
    {
        var passed = HourRule.LastPassed(pointer);
        return [new(HourRule.IsBetween(pointer) ? Hours.After(passed) : passed, 1)];
    }

    /// <summary>Half past is known as a whole, and comes right.</summary>
    private static IReadOnlyList<Weighted<int>> NextHourButAtHalf(double pointer) =>
        Math.Abs(pointer - Math.Floor(pointer + 1e-9) - 0.5) < 1e-9 ? [new(HourRule.LastPassed(pointer), 1)] : NextHour(pointer);

    /// <summary>Later times, which are said with 'to' and name the coming hour, come right.</summary>
    private static IReadOnlyList<Weighted<int>> NextHourUpToHalf(double pointer) =>
        pointer - Math.Floor(pointer + 1e-9) > 0.5 + 1e-9 ? [new(HourRule.LastPassed(pointer), 1)] : NextHour(pointer);

    private static IReadOnlyList<Weighted<int>> NearestHour(double pointer)
    {
        var passed = HourRule.LastPassed(pointer);
        var into = pointer - Math.Floor(pointer + 1e-9);
        if (Math.Abs(into - 0.5) < 1e-9) return [new(passed, 0.5), new(Hours.After(passed), 0.5)];
        return [new(into > 0.5 ? Hours.After(passed) : passed, 1)];
    }

    /// <summary>Only a hand that is nearly at the next numeral, from ten minutes before the hour on, is taken to be there.</summary>
    private static IReadOnlyList<Weighted<int>> NearlyThere(double pointer)
    {
        var passed = HourRule.LastPassed(pointer);
        return [new(pointer - Math.Floor(pointer + 1e-9) > (5 / 6.0) - 1e-9 ? Hours.After(passed) : passed, 1)];
    }

    private static IReadOnlyList<Weighted<int>> LowerNumeral(double pointer)
    {
        var passed = HourRule.LastPassed(pointer);
        return [new(HourRule.IsBetween(pointer) ? Math.Min(passed, Hours.After(passed)) : passed, 1)];
    }
}
