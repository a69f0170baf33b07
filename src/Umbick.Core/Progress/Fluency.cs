namespace Umbick.Core.Progress;

/// <summary>How quickly right answers came on one day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Seconds">The median of the seconds of right answers without help.</param>
/// <param name="Answers">How many there were.</param>
public sealed record Fluency(DateOnly Day, double Seconds, int Answers)
{
    /// <summary>Day by day; a day without a timed right answer is left out.</summary>
    public static IReadOnlyList<Fluency> ByDay(IEnumerable<ScoredAnswer> answers) =>
    [
        .. from answer in answers
           where answer is { IsRight: true, Helped: false, Seconds: not null }
           group answer.Seconds!.Value by answer.Day into day
           orderby day.Key
           select new Fluency(day.Key, Median.From(day), day.Count()),
    ];

    private const double UsualSeconds = 20;
    private const double Leeway = 1.5;

    /// <summary>
    /// How long a line takes to run down beside a question, in seconds, 10 to 60: half as long again as their right answers took on the
    /// latest day, so that most come well before its end.
    /// </summary>
    public static double LineFor(IReadOnlyList<Fluency> days) => days.Count == 0 ? UsualSeconds
        : Math.Round(Math.Clamp(Leeway * days[^1].Seconds, 10, 60));
}

/// <summary>The middle of some numbers.</summary>
public static class Median
{
    /// <summary>The middle one, or the mean of the middle two.</summary>
    /// <exception cref="InvalidOperationException">There are none.</exception>
    public static double From(IEnumerable<double> numbers)
    {
        var sorted = numbers.Order().ToList();
        if (sorted.Count == 0) throw new InvalidOperationException("There is no median of nothing.");
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
