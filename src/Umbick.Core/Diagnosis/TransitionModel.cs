namespace Umbick.Core.Diagnosis;

/// <summary>How fast what is believed of a child grows old. These figures are data: the replay tests hold them.</summary>
public static class TransitionModel
{
    /// <summary>Days after which half of what is believed of a step has loosened, when it was left alone.</summary>
    public const double HalfLifeDays = 120;

    /// <summary>The share of children whose way at a step changes over one practice of it.</summary>
    public const double ByPractice = 0.12;

    /// <summary>Of those, the share who now take the step rightly.</summary>
    public const double TowardsCorrect = 0.8;

    /// <summary>The share of children whose way at a step has changed, 0 to 1.</summary>
    public static double Rate(double days, bool practised)
    {
        var kept = Math.Pow(0.5, Math.Max(0, days) / HalfLifeDays);
        return 1 - (practised ? kept * (1 - ByPractice) : kept);
    }

    /// <summary>What they have changed to, by choice; the first choice is the correct one.</summary>
    public static double[] Targets(double[] priors, bool practised) =>
        practised ? [.. priors.Select((prior, choice) => ((1 - TowardsCorrect) * prior) + (choice == 0 ? TowardsCorrect : 0))] : priors;
}
