using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>Whether two patterns that look alike are called as a pair.</summary>
internal static class NotParted
{
    /// <summary>
    /// Whether a pair takes the place of its two patterns: the one that is believed more has not been told from the other, and nothing that
    /// is taught yet can tell them apart.
    /// </summary>
    public static bool Holds(Pattern pair, ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, Reach reach)
    {
        if (belief.ProbabilityOf(pair) < ModelParameters.WorthNaming) return false;
        var two = model.Patterns.Where(pair.Covers).OrderByDescending(belief.ProbabilityOf).ToList();
        return two.Count == 2 && !reach.Parts(two[0], two[1]) && !reach.Parts(two[1], two[0])
            && Evidence.For(two[0], model, belief, answers, reach: reach).NotYetTold.Contains(two[1]);
    }
}
