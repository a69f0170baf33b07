using System.Globalization;
using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>Hands that the child placed.</summary>
/// <param name="Hour">Where the hour hand points, 0 ≤ x &lt; 12 hours; null where it was not placed.</param>
/// <param name="Minute">Where the minute hand points, 0 ≤ y &lt; 60 minutes; null where it was not placed.</param>
public sealed partial record PlacedAnswer(double? Hour, double? Minute) : Answer
{
    /// <summary>Both hands, or null where one is missing.</summary>
    public HandPositions? Hands => Hour is { } hour && Minute is { } minute ? new HandPositions(hour, minute) : null;

    /// <summary>Whether the same hands were placed, and stand alike but for what is rounded away where they are written.</summary>
    public bool StandsAs(PlacedAnswer other) => (Hour, other.Hour, Minute, other.Minute) is var (hour, otherHour, minute, otherMinute)
        && (hour is { } a && otherHour is { } b ? HandPositions.HoursApart(a, b) < 0.02 : hour == otherHour)
        && (minute is { } c && otherMinute is { } d ? HandPositions.MinutesApart(c, d) < 0.02 : minute == otherMinute);

    /// <summary>The raw form that stands in files: <c>7.67|40</c>.</summary>
    public string Raw => string.Create(CultureInfo.InvariantCulture, $"{Hour:0.##}|{Minute:0.##}");

    /// <inheritdoc/>
    public override string Short(Wording wording) => Raw;

    /// <summary>
    /// Reads where an adult saw both hands, as it is said: the short one with its numeral (<c>on 7</c>, <c>just past 7</c>, <c>half 7</c>
    /// for halfway on from it, <c>nearly 8</c>; the word may follow, its first letter does, as in <c>j7</c>, and <c>7</c>, <c>7+</c>,
    /// <c>7-8</c>, <c>8-</c> say the same); then the long one in minutes (<c>40</c>), or at a numeral (<c>@8</c>, and <c>@8+2</c> two ticks
    /// past it). Null where the text is none of these.
    /// </summary>
    public static PlacedAnswer? FromPlaces(string? raw)
    {
        if (Places().Match(GivenText.Plain(raw)) is not { Success: true } match) return null;
        var hour = Number("hour");
        var minute = match.Groups["numeral"].Success ? (Number("numeral") * 5) + (match.Groups["ticks"].Success ? Number("ticks") : 0)
            : Number("minute");
        if (hour is < 1 or > 12 || (match.Groups["numeral"].Success ? Number("numeral") is < 1 or > 12 : minute > 59)) return null;
        if (match.Groups["to"].Success && Number("to") != Hours.After(hour)) return null;
        var from = Says("half") || match.Groups["to"].Success ? HourPlaces.Middle(HourPlace.Halfway)
            : Says("past") ? HourPlaces.Middle(HourPlace.LittlePast)
            : Says("nearly") ? HourPlaces.Middle(HourPlace.NearlyNext) - 1 : 0;
        var hands = HandPositions.Wrapped(hour + from, minute);
        return new PlacedAnswer(hands.Hour, hands.Minute);

        int Number(string name) => int.Parse(match.Groups[name].Value, CultureInfo.InvariantCulture);

        bool Says(string place) => match.Groups[place].Success;
    }

    private const string Place = "(?<on>on|o)|(?<past>just past|just|past|j)|(?<half>halfway|half|h)|(?<nearly>nearly|almost|n)";

    [GeneratedRegex($@"^(({Place}) *)?(?<hour>[0-9]{{1,2}})((?<past>\+)|(?<nearly>-)|-(?<to>[0-9]{{1,2}})| +({Place}))?"
        + @"( *@(?<numeral>[0-9]{1,2})(\+(?<ticks>[1-4]))?| +(?<minute>[0-9]{1,2}))$")]
    private static partial Regex Places();
}
