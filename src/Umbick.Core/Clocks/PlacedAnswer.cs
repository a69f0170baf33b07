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

    /// <summary>The raw form that stands in files: <c>7.67|40</c>.</summary>
    public string Raw => string.Create(CultureInfo.InvariantCulture, $"{Hour:0.##}|{Minute:0.##}");

    /// <inheritdoc/>
    public override string Short(Wording wording) => Raw;

    /// <summary>
    /// Reads where an adult saw both hands, in a few keys: the short one by its numeral (<c>7</c> on it, <c>7+</c> a little past it,
    /// <c>7-8</c> halfway, <c>8-</c> nearly there), then the numeral at the long one (<c>6</c>, or <c>6+2</c>, two ticks past it). Null
    /// where the text is none of these.
    /// </summary>
    public static PlacedAnswer? FromPlaces(string? raw)
    {
        if (Places().Match(GivenText.Plain(raw)) is not { Success: true } match) return null;
        var (hour, minute) = (Number("hour"), Number("minute"));
        if (hour is < 1 or > 12 || minute is < 1 or > 12) return null;
        if (match.Groups["to"].Success && Number("to") != Hours.After(hour)) return null;
        var from = match.Groups["to"].Success ? HourPlaces.Middle(HourPlace.Halfway)
            : match.Groups["past"].Success ? HourPlaces.Middle(HourPlace.LittlePast)
            : match.Groups["before"].Success ? HourPlaces.Middle(HourPlace.NearlyNext) - 1 : 0;
        var ticks = match.Groups["ticks"].Success ? Number("ticks") : 0;
        var hands = HandPositions.Wrapped(hour + from, (minute * 5) + ticks);
        return new PlacedAnswer(hands.Hour, hands.Minute);

        int Number(string name) => int.Parse(match.Groups[name].Value, CultureInfo.InvariantCulture);
    }

    [GeneratedRegex(@"^(?<hour>[0-9]{1,2})((?<past>\+)|(?<before>-)|-(?<to>[0-9]{1,2}))? +(?<minute>[0-9]{1,2})(\+(?<ticks>[1-4]))?$")]
    private static partial Regex Places();
}
