using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>Where the hands were said to be: the hour hand on a numeral or between two, the minute hand at one.</summary>
/// <param name="From">The numeral the hour hand has passed, or is on.</param>
/// <param name="To">The numeral after it; the same where it is on one.</param>
/// <param name="MinuteAt">The numeral nearest to the minute hand.</param>
public sealed partial record PlacesAnswer(int From, int To, int MinuteAt) : Answer
{
    /// <summary>Where the hands are at a time.</summary>
    public static PlacesAnswer Showing(ClockTime time) => Showing((time.Hour % 12) + (time.Minute / 60.0), time.Minute);

    /// <summary>Where hands are that point like this: hours from the top, and a tick.</summary>
    public static PlacesAnswer Showing(double hourPointer, int minutePointer)
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
