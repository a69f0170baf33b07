namespace Umbick.Core.Diagnosis;

/// <summary>How fast what is believed of a child grows old. These figures are data: the replay tests hold them.</summary>
public static class TransitionModel
{
    /// <summary>The share of children whose way at a step has changed, 0 to 1.</summary>
    public static double Rate(double days, bool practised)
    {
        var kept = Math.Pow(0.5, Math.Max(0, days) / ModelParameters.HalfLifeDays);
        return 1 - (practised ? kept * (1 - ModelParameters.ChangedByPractice) : kept);
    }

    /// <summary>What they have changed to, by choice; the first choice is the correct one.</summary>
    public static double[] Targets(double[] priors, bool practised) =>
        practised ? [.. priors.Select((prior, choice) =>
            ((1 - ModelParameters.ChangedToCorrect) * prior) + (choice == 0 ? ModelParameters.ChangedToCorrect : 0))] : priors;
}
