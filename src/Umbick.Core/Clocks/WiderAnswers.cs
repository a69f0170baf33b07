using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>How far past its numeral an hour hand is.</summary>
public enum HourPlace
{
    /// <summary>Exactly on it.</summary>
    On,

    /// <summary>A little past it.</summary>
    LittlePast,

    /// <summary>Halfway to the next.</summary>
    Halfway,

    /// <summary>Nearly at the next.</summary>
    NearlyNext,
}

/// <summary>Places of the hour hand between numerals.</summary>
public static class HourPlaces
{
    /// <summary>The place that belongs to these minutes (0 to 59).</summary>
    public static HourPlace Of(int minute) => minute switch
    {
        0 => HourPlace.On,
        < 25 => HourPlace.LittlePast,
        <= 35 => HourPlace.Halfway,
        _ => HourPlace.NearlyNext,
    };

    /// <summary>Where the hour hand is at a time, told in a sentence.</summary>
    public static string Told(ClockTime time) => Of(time.Minute) switch
    {
        HourPlace.On => $"exactly on the {time.Hour}",
        HourPlace.LittlePast => $"a little past the {time.Hour}",
        HourPlace.Halfway => $"halfway between the {time.Hour} and the {Hours.After(time.Hour)}",
        _ => $"past the {time.Hour}, nearly at the {Hours.After(time.Hour)}",
    };
}

/// <summary>An hour alone, and how far past it the hand was said to be.</summary>
/// <param name="Hour">The hour, 1 to 12.</param>
/// <param name="Place">How far past it; null where that was not said.</param>
public sealed partial record HourPlaceAnswer(int Hour, HourPlace? Place) : Answer
{
    /// <summary>Reads <c>6</c>, <c>6 on</c>, <c>6 little past</c>, <c>6 halfway</c>, <c>6 nearly next</c>.</summary>
    public static Answer Parse(string raw)
    {
        if (Form().Match(GivenText.Plain(raw)) is not { Success: true } match || int.Parse(match.Groups["hour"].Value) is not (>= 1 and <= 12 and var hour))
            return new Unread(raw);
        var rest = match.Groups["rest"].Value;
        HourPlace? place = rest switch
        {
            _ when rest.Contains("half", StringComparison.Ordinal) => HourPlace.Halfway,
            _ when rest.Contains("near", StringComparison.Ordinal) || rest.Contains("almost", StringComparison.Ordinal) => HourPlace.NearlyNext,
            _ when rest.Contains("little", StringComparison.Ordinal) || rest.Contains("past", StringComparison.Ordinal) => HourPlace.LittlePast,
            _ when rest.Contains("on", StringComparison.Ordinal) || rest.Contains("exact", StringComparison.Ordinal) => HourPlace.On,
            _ => null,
        };
        return new HourPlaceAnswer(hour, place);
    }

    /// <inheritdoc/>
    public override string Short(Wording wording) => Place switch
    {
        HourPlace.On => $"{Hour} on",
        HourPlace.LittlePast => $"{Hour} little past",
        HourPlace.Halfway => $"{Hour} halfway",
        HourPlace.NearlyNext => $"{Hour} nearly next",
        _ => $"{Hour}",
    };

    [GeneratedRegex(@"^[^0-9]*(?<hour>[0-9]{1,2})(?<rest>[^0-9]*)$")]
    private static partial Regex Form();
}

/// <summary>Where the hands were said to be: the hour hand on a numeral or between two, the minute hand at one.</summary>
/// <param name="From">The numeral the hour hand has passed, or is on.</param>
/// <param name="To">The numeral after it; the same where it is on one.</param>
/// <param name="MinuteAt">The numeral nearest to the minute hand.</param>
public sealed partial record PlacesAnswer(int From, int To, int MinuteAt) : Answer
{
    /// <summary>Where the hands are at a time.</summary>
    public static PlacesAnswer Of(ClockTime time) => Of((time.Hour % 12) + (time.Minute / 60.0), time.Minute);

    /// <summary>Where hands are that point like this: hours from the top, and a tick.</summary>
    public static PlacesAnswer Of(double hourPointer, int minutePointer)
    {
        var from = (int)Math.Floor(hourPointer + 1e-9);
        var between = hourPointer - from > 1e-9;
        return new PlacesAnswer(Hours.Named(from), Hours.Named(between ? from + 1 : from), Hours.Named((minutePointer + 2) / 5));
    }

    /// <summary>Reads <c>between 7 and 8, 5</c>, <c>7 8 5</c>, or <c>7, 12</c> for a hand on its numeral.</summary>
    public static Answer Parse(string raw)
    {
        var numbers = Number().Matches(GivenText.Plain(raw)).Select(match => int.Parse(match.Value)).ToList();
        return numbers.Count is 2 or 3 && numbers.TrueForAll(number => number is >= 1 and <= 12)
            ? new PlacesAnswer(numbers[0], numbers[^2], numbers[^1])
            : new Unread(raw);
    }

    /// <inheritdoc/>
    public override string Short(Wording wording) => From == To ? $"on {From}, {MinuteAt}" : $"between {From} and {To}, {MinuteAt}";

    [GeneratedRegex(@"[0-9]{1,2}")]
    private static partial Regex Number();
}

/// <summary>A minute hand that was placed, and the time that was told with it.</summary>
/// <param name="Minute">Where the minute hand points, 0 ≤ y &lt; 60 minutes.</param>
/// <param name="Time">The time that was told.</param>
public sealed partial record HandAndTimeAnswer(double Minute, Answer Time) : Answer
{
    /// <inheritdoc/>
    public override ClockTime? Meaning => Time.Meaning;

    /// <summary>Reads <c>|25 8:25</c>: the hand as a placed one, then the time. Without a hand it is the time alone.</summary>
    public static Answer Parse(string raw)
    {
        if (Form().Match(GivenText.Plain(raw)) is not { Success: true } match) return AnswerParser.Parse(raw, Typist.Child);
        // Within an answer no short sign stands for a time.
        return (AnswerParser.Parse(match.Groups["hand"].Value), AnswerParser.Parse(match.Groups["time"].Value, Typist.Child)) is (PlacedAnswer { Minute: { } minute }, not Unread and var time)
            ? new HandAndTimeAnswer(minute, time)
            : new Unread(raw);
    }

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"{new PlacedAnswer(null, Minute).Raw} {Time.Short(wording)}";

    [GeneratedRegex(@"^\s*(?<hand>\|[0-9.]+)\s+(?<time>.+)$")]
    private static partial Regex Form();
}

/// <summary>Several of the times that were offered.</summary>
public sealed record SeveralAnswer(IReadOnlyList<Answer> Chosen) : Answer
{
    /// <summary>Reads times parted by semicolons.</summary>
    public static Answer Parse(string raw)
    {
        var parts = GivenText.Plain(raw).Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(part => AnswerParser.Parse(part, Typist.Child)).ToList();
        return parts.Count == 0 || parts.Exists(part => part is Unread) ? new Unread(raw) : new SeveralAnswer(parts);
    }

    /// <summary>Whether the same ones were chosen, in whatever order.</summary>
    public bool Equals(SeveralAnswer? other) => other is not null && Chosen.ToHashSet().SetEquals(other.Chosen);

    /// <inheritdoc/>
    public override int GetHashCode() => Chosen.Sum(one => one.GetHashCode());

    /// <inheritdoc/>
    public override string Short(Wording wording) => string.Join("; ", Chosen.Select(one => one.Short(wording)));
}

/// <summary>Clocks joined with times.</summary>
public sealed record PairsAnswer(IReadOnlyList<(ClockTime Clock, Answer Time)> Pairs) : Answer
{
    /// <summary>Reads <c>3:20=4:20; 5:00=5:00</c>: the clock, then the time joined to it.</summary>
    public static Answer Parse(string raw)
    {
        var pairs = new List<(ClockTime, Answer)>();
        foreach (var part in GivenText.Plain(raw).Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var sides = part.Split('=', 2, StringSplitOptions.TrimEntries);
            if (sides.Length != 2 || ClockTime.TryParse(sides[0]) is not { } clock || AnswerParser.Parse(sides[1], Typist.Child) is not ({ Meaning: not null } and var time)) return new Unread(raw);
            pairs.Add((clock, time));
        }
        return pairs.Count == 0 ? new Unread(raw) : new PairsAnswer(pairs);
    }

    /// <summary>Whether the same pairs were joined, in whatever order.</summary>
    public bool Equals(PairsAnswer? other) =>
        other is not null && Pairs.Select(pair => (pair.Clock, pair.Time.Meaning)).ToHashSet().SetEquals(other.Pairs.Select(pair => (pair.Clock, pair.Time.Meaning)));

    /// <inheritdoc/>
    public override int GetHashCode() => Pairs.Sum(pair => pair.Clock.GetHashCode());

    /// <inheritdoc/>
    public override string Short(Wording wording) => string.Join("; ", Pairs.Select(pair => $"{pair.Clock}={pair.Time.Short(wording)}"));
}

/// <summary>An answer to a question that is no reading of a clock: text, a number or a choice.</summary>
public sealed record TextAnswer(string Text) : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => Text;
}

/// <summary>No: the time they were shown for the clock is wrong, without saying what is right.</summary>
public sealed record SaidWrong : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "wrong";
}
