namespace Umbick.Core.Simulation;

/// <summary>What a row of children came to.</summary>
/// <param name="Outcomes">One for each child.</param>
public sealed record StudyRow(IReadOnlyList<StudyOutcome> Outcomes)
{
    /// <summary>The share of children of whom just their patterns were found, 0 to 1.</summary>
    public double Exact => Outcomes.Average(outcome => outcome.Exact ? 1.0 : 0);

    /// <summary>The share of children of whom something was called, 0 to 1.</summary>
    public double SomethingCalled => Outcomes.Average(outcome => outcome.Called.Count > 0 ? 1.0 : 0);

    /// <summary>The share of children of whom something was called that they do not have, 0 to 1.</summary>
    public double WronglyCalled => Outcomes.Average(outcome => outcome.WronglyCalled ? 1.0 : 0);

    /// <summary>The share of all their patterns that was found, 0 to 1.</summary>
    public double ShareFound => Share(outcome => outcome.Found);

    /// <summary>The share of all their patterns that was called, 0 to 1.</summary>
    public double ShareCalled => Share(outcome => outcome.Called);

    private double Share(Func<StudyOutcome, IReadOnlySet<string>> which) =>
        Outcomes.Sum(outcome => outcome.True.Count(which(outcome).Contains)) / (double)Outcomes.Sum(outcome => outcome.True.Count);
}
