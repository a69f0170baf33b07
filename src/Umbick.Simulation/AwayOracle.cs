using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>
/// Whoever knows how <see cref="VariedChild"/> is made: it weighs every set of one or two patterns in every variant by just their rules,
/// slips and consistency, and knows how many patterns there are. No model can do better on the same answers.
/// </summary>
/// <param name="count">How many patterns the children have: one or two.</param>
/// <param name="steps">The steps that they may be at.</param>
/// <param name="variants">The variants that they may have.</param>
/// <param name="shown">What shows in the items that may be asked.</param>
public sealed class AwayOracle(int count, IReadOnlyList<Step> steps, IReadOnlyList<Variant> variants, ShownPatterns shown)
{
    private static readonly double[] Consistencies = [0.73, 0.8, 0.87, 0.94];

    private readonly IReadOnlyList<(HashSet<string> Patterns, double Prior)> _sets = [.. Sets(count, steps)];
    private readonly IReadOnlyList<Traits> _traits = Traits.All(variants);

    /// <summary>The patterns believed at 0.5 or more after these answers.</summary>
    /// <param name="answers">What was asked, and what was answered as it was typed.</param>
    public IReadOnlySet<string> Found(IReadOnlyList<(Item Item, Answer Answer)> answers)
    {
        var likelihood = new AwayLikelihood(answers);
        var beliefs = new Dictionary<string, double>();
        var total = 0.0;
        foreach (var (patterns, prior) in _sets)
        {
            foreach (var benchmarks in new[] { false, true })
            {
                var way = likelihood.WayOf(patterns, benchmarks);
                foreach (var traits in _traits.Where(traits =>
                    traits.Benchmarks == benchmarks && patterns.All(id => shown.ShowsPattern(id, traits))))
                {
                    var chance = prior * likelihood.Of(way, traits, Consistencies)[^1];
                    total += chance;
                    foreach (var id in patterns) beliefs[id] = beliefs.GetValueOrDefault(id) + chance;
                }
            }
        }
        return beliefs.Where(belief => belief.Value >= StudyOutcome.FoundFrom * total).Select(belief => belief.Key).ToHashSet();
    }

    private static IEnumerable<(HashSet<string> Patterns, double Prior)> Sets(int count, IReadOnlyList<Step> steps)
    {
        var byStep = steps.Select(step => Catalogue.All.Where(pattern => pattern.Step == step).Select(pattern => pattern.Id).ToList())
            .ToList();
        for (var first = 0; first < byStep.Count; first++)
        {
            foreach (var text in byStep[first])
            {
                if (count == 1) yield return ([text], 1.0 / byStep[first].Count);
                for (var second = first + 1; count == 2 && second < byStep.Count; second++)
                {
                    foreach (var other in byStep[second]) yield return ([text, other], 1.0 / byStep[first].Count / byStep[second].Count);
                }
            }
        }
    }
}
