namespace Umbick.Simulation;

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

    /// <summary>The share of children who were taken for guessing, 0 to 1.</summary>
    public double TakenForGuessing => Outcomes.Average(outcome => outcome.Guessing >= StudyOutcome.FoundFrom ? 1.0 : 0);

    /// <summary>The share of children of whom it was told that much goes wrong and nothing stands out, 0 to 1.</summary>
    public double MuchWrong => Outcomes.Average(outcome => outcome.MuchWrong ? 1.0 : 0);

    /// <summary>The share of answers that came right, 0 to 1.</summary>
    public double RightShare => Outcomes.Average(outcome => outcome.RightShare);

    /// <summary>The share of sittings that might have stopped within so many answers, all being clear, 0 to 1.</summary>
    public double ClearWithin(int answers) => Outcomes.Average(outcome => outcome.ClearAfter <= answers ? 1.0 : 0);

    /// <summary>What was believed, by tenths from 0: how many times, and how often it was so.</summary>
    public IReadOnlyList<(int Times, double True)> Calibration =>
    [
        .. Enumerable.Range(0, 10).Select(tenth =>
        {
            var believed = Outcomes.SelectMany(outcome =>
                outcome.Beliefs.Where(belief => Math.Min(9, (int)(belief.Value * 10)) == tenth)
                    .Select(belief => outcome.True.Contains(belief.Key))).ToList();
            return (believed.Count, believed.Count == 0 ? 0 : believed.Average(so => so ? 1.0 : 0));
        }),
    ];

    /// <summary>The share of all their patterns that was found, 0 to 1.</summary>
    public double ShareFound => Share(outcome => outcome.Found);

    /// <summary>The share of all their patterns that was called, 0 to 1.</summary>
    public double ShareCalled => Share(outcome => outcome.Called);

    private double Share(Func<StudyOutcome, IReadOnlySet<string>> which) =>
        Outcomes.Sum(outcome => outcome.True.Count(which(outcome).Contains)) / (double)Outcomes.Sum(outcome => outcome.True.Count);
}
