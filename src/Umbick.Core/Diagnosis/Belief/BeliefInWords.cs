using System.Globalization;

namespace Umbick.Core.Diagnosis;

/// <summary>How firmly something is believed, in words: nothing is ever believed wholly.</summary>
public static class BeliefInWords
{
    private const double NearlyAll = 0.99, HardlyAny = 0.01;

    /// <summary>A belief in per cent: <c>62 %</c>; <c>over 99 %</c> and <c>under 1 %</c> at the ends.</summary>
    /// <param name="belief">0 to 1.</param>
    public static string PerCent(double belief) => belief switch
    {
        > NearlyAll => "over 99 %",
        < HardlyAny => "under 1 %",
        _ => string.Create(CultureInfo.InvariantCulture, $"{Math.Round(belief * 100):0} %"),
    };
}
