using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class PastOrToPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("to-as-past", 0.07, new PastOrToRule(
            (hour, minutes) => IsLate(minutes)
                ? [new(new(SpokenForm.Past, 60 - minutes, hour), 0.5), new(new(SpokenForm.Past, 60 - minutes, Hours.After(hour)), 0.5)]
                : PastOrToRule.SayRightly(hour, minutes),
            words => words.Form == SpokenForm.To ? (words.Hour!.Value, words.Amount!.Value) : PastOrToRule.HearRightly(words)), new(
            Name: "‘{To}’ becomes ‘{past}’",
            Finding: "{child} says ‘{past}’ where it should be ‘{to}’.",
            Reads: "‘{to}’ taken as ‘{past}’",
            Family: "Your child mixes up ‘{past}’ and ‘{to}’: twenty {to} seven becomes twenty {past} seven.",
            Why: "‘{Past}’ was learnt first and has become the word that joins minutes to an hour.",
            HourFirst: "Colour the two halves of the face. On the second half we look forward: to the hour that is coming.",
            MinuteFirst: "Which side of the face is the long hand on? Going down is ‘{past}’. Going up is ‘{to}’.",
            Practise: "Practise: ‘{past}’ going down, ‘{to}’ going up"))
        { Alike = ["to-this-hour", "to-without-turning", "past-to-exchanged"] },

        new("to-this-hour", 0.05, new PastOrToRule(
            (hour, minutes) => IsLate(minutes) ? [new(new(SpokenForm.To, 60 - minutes, hour), 1)] : PastOrToRule.SayRightly(hour, minutes),
            words => words.Form == SpokenForm.To ? (words.Hour!.Value, 60 - words.Amount!.Value) : PastOrToRule.HearRightly(words)), new(
            Name: "‘{To}’ names the hour that has passed",
            Finding: "{child} says ‘{to}’ with the hour that has passed.",
            Reads: "‘{to}’ with the hour passed",
            Family: "Your child says ‘{to}’ rightly but with the hour that has gone instead of the one that is coming.",
            Why: "The hour passed has just been read, and so that is the one that is said.",
            HourFirst: "‘{To}’ looks ahead. Which hour are we going to? Point to where the short hand is heading.",
            MinuteFirst: "Count what is left, say ‘{to}’, then look where the short hand is heading.",
            Practise: "Practise: ‘{to}’ which hour?"))
        { Alike = ["to-as-past"] },

        new("to-without-turning", 0.03, new PastOrToRule(
            (hour, minutes) => IsLate(minutes) ? [new(new(SpokenForm.To, minutes, Hours.After(hour)), 1)]
                : PastOrToRule.SayRightly(hour, minutes),
            words => words.Form == SpokenForm.To ? (Hours.Before(words.Hour!.Value), words.Amount!.Value)
                : PastOrToRule.HearRightly(words)), new(
            Name: "Minutes gone by are said with ‘{to}’",
            Finding: "{child} says ‘{to}’ but counts the minutes that have gone by.",
            Reads: "minutes gone by said with ‘{to}’",
            Family: "Your child says forty {to} seven for twenty {to} seven: the counting goes the long way round.",
            Why: "The count from the top is automatic; the word was added afterwards.",
            HourFirst: "After the half we count what is left. Start at the long hand and count on to the top.",
            MinuteFirst: "‘{To}’ means how many more. Count from the hand up to the 12.",
            Practise: "Practise: how many more to the hour?"))
        { Alike = ["to-as-past"] },

        new("past-as-to", 0.04, new PastOrToRule(
            (hour, minutes) => IsEarly(minutes)
                ? [new(new(SpokenForm.To, minutes, hour), 0.5), new(new(SpokenForm.To, minutes, Hours.After(hour)), 0.5)]
                : PastOrToRule.SayRightly(hour, minutes),
            words => words.Form == SpokenForm.Past && words.Amount != 30 ? (Hours.Before(words.Hour!.Value), 60 - words.Amount!.Value)
                : PastOrToRule.HearRightly(words)), new(
            Name: "‘{Past}’ becomes ‘{to}’",
            Finding: "{child} says ‘{to}’ where it should be ‘{past}’.",
            Reads: "‘{past}’ taken as ‘{to}’",
            Family: "Your child mixes up ‘{past}’ and ‘{to}’: ten {past} nine becomes ten {to} nine.",
            Why: "‘{To}’ has just been taught and is used everywhere for a while.",
            HourFirst: "On the first half the hour has gone past. Say the hour, then how far past it we are.",
            MinuteFirst: "Which side of the face is the long hand on? Going down is ‘{past}’. Going up is ‘{to}’.",
            Practise: "Practise: ‘{past}’ going down, ‘{to}’ going up"))
        { Alike = ["past-to-exchanged"] },

        new("past-to-exchanged", 0.03, new PastOrToRule(
            (hour, minutes) => IsLate(minutes) ? [new(new(SpokenForm.Past, 60 - minutes, Hours.After(hour)), 1)]
                : IsEarly(minutes) ? [new(new(SpokenForm.To, minutes, hour), 1)]
                : PastOrToRule.SayRightly(hour, minutes),
            HearExchanged), new(
            Name: "‘{Past}’ and ‘{to}’ are exchanged",
            Finding: "{child} says ‘{to}’ for ‘{past}’ and ‘{past}’ for ‘{to}’, with the right number and the right hour.",
            Reads: "‘{past}’ and ‘{to}’ exchanged",
            Family: "Your child has the minutes and the hour right, but says ‘{past}’ and ‘{to}’ the wrong way round.",
            Why: "The two words were learnt together, as a pair, and nothing in their sound says which is which.",
            HourFirst: "Only one of them at a time. Turn down from the top: the hour has gone {past}. Leave ‘{to}’ for another day.",
            MinuteFirst: "Hand going down, ‘{past}’; hand going up, ‘{to}’ the hour at the top. Show it with an arm before saying it.",
            Practise: "Practise: ‘{past}’ going down, ‘{to}’ going up"))
        { Alike = ["to-as-past", "past-as-to"], Variants = [new PastOrToRule(ExchangedWithHourPassed, HearExchanged)] },
    ];

    /// <summary>The words are exchanged, and the hour that has passed is said with either.</summary>
    private static IReadOnlyList<Weighted<SpokenTime>> ExchangedWithHourPassed(int hour, int minutes) =>
        IsLate(minutes) ? [new(new(SpokenForm.Past, 60 - minutes, hour), 1)]
        : IsEarly(minutes) ? [new(new(SpokenForm.To, minutes, hour), 1)]
        : PastOrToRule.SayRightly(hour, minutes);

    private static (int Hour, int Minutes) HearExchanged(SpokenTime words) => (words.Form, words.Amount) switch
    {
        (SpokenForm.To, { } amount) => (words.Hour!.Value, amount),
        (SpokenForm.Past, { } amount and not 30) => (Hours.Before(words.Hour!.Value), 60 - amount),
        _ => PastOrToRule.HearRightly(words),
    };

    private static bool IsLate(int minutes) => minutes is > 30 and < 60;

    private static bool IsEarly(int minutes) => minutes is > 0 and < 30;
}
