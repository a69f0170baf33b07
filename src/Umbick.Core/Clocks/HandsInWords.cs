namespace Umbick.Core.Clocks;

/// <summary>Where hands are, in words: an answer in hands cannot be read out as figures.</summary>
public static class HandsInWords
{
    /// <summary>How near to a numeral a hand is on it, in hours.</summary>
    private const double Near = 0.06;

    /// <summary>The hands that were placed: <c>the short hand a little past the 8, the long hand at the 4</c>.</summary>
    public static string For(PlacedAnswer placed) => (placed.Hour, placed.Minute) switch
    {
        ({ } hour, { } minute) => $"the short hand {Short(hour)}, the long hand {Long(minute)}",
        ({ } hour, null) => $"the short hand {Short(hour)}",
        (null, { } minute) => $"the long hand {Long(minute)}",
        _ => "no hand",
    };

    /// <summary>Between which numerals a hand is: <c>at 3</c>, <c>between 7 and 8</c>. It tells a time to nobody.</summary>
    /// <param name="numeral">Where it points, in numerals from the top: 0 ≤ x &lt; 12.</param>
    public static string Beside(double numeral)
    {
        // A page says the same while a hand is turned: hands.js.
        var before = (int)Math.Floor(numeral + 0.02);
        return numeral - before < 0.03 ? $"at {Hours.Named(before)}" : $"between {Hours.Named(before)} and {Hours.Named(before + 1)}";
    }

    /// <summary>Where the short hand is.</summary>
    /// <param name="hour">0 ≤ x &lt; 12, in hours.</param>
    public static string Short(double hour)
    {
        var passed = (int)Math.Floor(hour + Near);
        var into = hour - passed;
        return HourPlaces.InWords(new ClockTime(Hours.Named(passed), into < Near ? 0 : (int)Math.Round(into * 60)));
    }

    /// <summary>Where the long hand is, to the nearest tick.</summary>
    /// <param name="minute">0 ≤ y &lt; 60, in minutes.</param>
    public static string Long(double minute)
    {
        var (numeral, ticks) = Math.DivRem((int)Math.Round(minute) % 60, 5);
        return ticks == 0 ? $"at the {Hours.Named(numeral)}"
            : $"{Wording.Number(ticks)} small tick{(ticks == 1 ? "" : "s")} past the {Hours.Named(numeral)}";
    }
}
