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
        var slopes = Slopes([.. points.Select(point => ((double)point.Day.DayNumber, point.Value))]);
        return points.Count < Fewest || slopes.Count == 0 ? null : Median.From(slopes) * DaysInAWeek;
    }

    /// <summary>By how much something grows from one to the next; null with fewer than four.</summary>
    /// <param name="values">The values, in order.</param>
    public static double? FromOneToTheNext(IReadOnlyList<int> values) => values.Count < Fewest ? null
        : Median.From(Slopes([.. values.Select((value, place) => ((double)place, (double)value))]));

    private static List<double> Slopes(IReadOnlyList<(double At, double Value)> points) =>
        [.. from one in points
            from other in points
            where one.At > other.At
            select (one.Value - other.Value) / (one.At - other.At)];
}
