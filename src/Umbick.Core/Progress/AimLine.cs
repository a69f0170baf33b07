namespace Umbick.Core.Progress;

/// <summary>The score of one bare check form.</summary>
/// <param name="Day">The day.</param>
/// <param name="Score">The share that was right, 0 to 1.</param>
public sealed record CheckScore(DateOnly Day, double Score);

/// <summary>What the checks say to do.</summary>
public enum Decision
{
    /// <summary>There are too few checks to say.</summary>
    TooFew,

    /// <summary>Neither all above nor all below the line.</summary>
    CarryOn,

    /// <summary>The last four all lie below the line.</summary>
    ChangeTheApproach,

    /// <summary>The last four all lie above the line.</summary>
    RaiseTheGoal,
}

/// <summary>
/// The line from where a child began to the goal at the end of the cycle, what the checks say of it, and their robust trend
/// (P. K. Sen, Estimates of the regression coefficient based on Kendall's tau, 1968, after H. Theil, 1950).
/// </summary>
/// <param name="Start">The day of the middle one of the first three checks.</param>
/// <param name="From">The median of the first three checks, 0 to 1.</param>
/// <param name="End">The day on which the cycle ends.</param>
/// <param name="Goal">The goal, 0 to 1.</param>
/// <param name="Decision">What to do.</param>
/// <param name="PerWeek">The median of the slopes between all pairs of checks, as a share a week; null with fewer than four.</param>
public sealed record AimLine(DateOnly Start, double From, DateOnly End, double Goal, Decision Decision, double? PerWeek)
{
    private const int First = 3;
    private const int Last = 4;
    private const double DaysInAWeek = 7;

    /// <summary>Where the line is on a day, 0 to 1.</summary>
    public double On(DateOnly day)
    {
        var whole = End.DayNumber - Start.DayNumber;
        return whole <= 0 ? Goal : From + ((Goal - From) * Math.Clamp((day.DayNumber - Start.DayNumber) / (double)whole, 0, 1));
    }

    /// <summary>Draws the line through checks; null with fewer than three, for then there is no beginning yet.</summary>
    /// <param name="checks">Bare check forms only: items chosen by belief get harder as the child gets better.</param>
    /// <param name="end">The day on which the cycle ends.</param>
    /// <param name="goal">The goal, 0 to 1.</param>
    public static AimLine? Through(IReadOnlyList<CheckScore> checks, DateOnly end, double goal)
    {
        var ordered = checks.OrderBy(check => check.Day).ToList();
        if (ordered.Count < First) return null;
        var line = new AimLine(ordered[First / 2].Day, Median.Of(ordered.Take(First).Select(check => check.Score)), end, goal, Decision.TooFew, null);
        if (ordered.Count < Last) return line;
        var last = ordered.TakeLast(Last).ToList();
        var decision = last.TrueForAll(check => check.Score < line.On(check.Day)) ? Decision.ChangeTheApproach
            : last.TrueForAll(check => check.Score > line.On(check.Day)) ? Decision.RaiseTheGoal
            : Decision.CarryOn;
        return line with { Decision = decision, PerWeek = Trend(ordered) };
    }

    private static double? Trend(List<CheckScore> checks)
    {
        var slopes =
            (from i in Enumerable.Range(0, checks.Count)
             from j in Enumerable.Range(0, i)
             let days = checks[i].Day.DayNumber - checks[j].Day.DayNumber
             where days > 0
             select (checks[i].Score - checks[j].Score) / days * DaysInAWeek).ToList();
        return slopes.Count == 0 ? null : Median.Of(slopes);
    }
}
