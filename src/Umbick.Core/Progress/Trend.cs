namespace Umbick.Core.Progress;

/// <summary>
/// A robust trend: the median of the slopes between all pairs of points, so that one wild day does not bend it (P. K. Sen, Estimates of the
/// regression coefficient based on Kendall's tau, 1968, after H. Theil, 1950).
/// </summary>
public static class Trend
{
    /// <summary>With fewer points nothing is claimed.</summary>
    public const int Fewest = 4;

    private const double DaysInAWeek = 7;

    /// <summary>By how much something grows in a week; null with fewer than four points, or where all are of one day.</summary>
    /// <param name="points">The points, in any order.</param>
    public static double? PerWeek(IReadOnlyList<(DateOnly Day, double Value)> points)
    {
        if (points.Count < Fewest) return null;
        var slopes =
            (from i in Enumerable.Range(0, points.Count)
             from j in Enumerable.Range(0, points.Count)
             let days = points[i].Day.DayNumber - points[j].Day.DayNumber
             where days > 0
             select (points[i].Value - points[j].Value) / days * DaysInAWeek).ToList();
        return slopes.Count == 0 ? null : Median.From(slopes);
    }
}
