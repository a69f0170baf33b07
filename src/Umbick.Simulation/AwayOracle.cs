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
        var slips = answers.Select((_, i) => Slipped(answers, i, byMeaning: false)).ToList();
        var slipsByMeaning = answers.Select((_, i) => Slipped(answers, i, byMeaning: true)).ToList();
        var right = answers.Select(answer => Said(answer.Item, answer.Item.Time, answer.Answer, false)).ToList();
        var rightByMeaning = answers.Select(answer => Said(answer.Item, answer.Item.Time, answer.Answer, true)).ToList();
        var beliefs = new Dictionary<string, double>();
        var total = 0.0;
        foreach (var (patterns, prior) in _sets)
        {
            foreach (var benchmarks in new[] { false, true })
            {
                double[] its = [.. answers.Select(answer => Ruled(answer, patterns, benchmarks, byMeaning: false))];
                double[] itsByMeaning = [.. answers.Select(answer => Ruled(answer, patterns, benchmarks, byMeaning: true))];
                foreach (var traits in _traits.Where(traits =>
                    traits.Benchmarks == benchmarks && patterns.All(id => shown.ShowsPattern(id, traits))))
                {
                    var own = traits.Variant == Variant.OwnWords;
                    var chance = Consistencies.Average(consistency =>
                    {
                        var all = 1.0;
                        for (var i = 0; i < answers.Count; i++)
                        {
                            var follows = traits.Follows(answers[i].Item, i) ? (own ? itsByMeaning : its)[i]
                                : (own ? rightByMeaning : right)[i];
                            all *= Chance(traits, consistency, i, follows, (own ? slipsByMeaning : slips)[i], answers);
                        }
                        return all;
                    });
                    total += prior * chance;
                    foreach (var id in patterns) beliefs[id] = beliefs.GetValueOrDefault(id) + (prior * chance);
                }
            }
        }
        return beliefs.Where(belief => belief.Value >= StudyOutcome.FoundFrom * total).Select(belief => belief.Key).ToHashSet();
    }

    private static double Chance(
        Traits traits, double consistency, int place, double follows, double slipped, IReadOnlyList<(Item Item, Answer Answer)> answers)
    {
        if (answers[place].Answer is DontKnow) return traits.Variant == Variant.DoesNotKnow && place % 5 == 4 ? 1 : 1e-6;
        if (traits.Variant == Variant.DoesNotKnow && place % 5 == 4) return 1e-6;
        var kept = traits.ConsistencyAt(consistency, place);
        var chance = (kept * follows) + ((1 - kept) * slipped);
        if (traits.Variant != Variant.RepeatsLast || place == 0) return chance;
        return ((1 - VariedChild.RepeatsLast) * chance)
            + (answers[place].Answer.Equals(answers[place - 1].Answer) ? VariedChild.RepeatsLast : 0);
    }

    private static double Ruled((Item Item, Answer Answer) each, IReadOnlySet<string> patterns, bool benchmarks, bool byMeaning) =>
        SecondReading.Answers(each.Item.Task.Id, each.Item.Time.Hour, each.Item.Time.Minute, patterns, benchmarks)
            .Where(outcome => Same(each.Item, AnswerParser.Parse(outcome.Answer), each.Answer, byMeaning)).Sum(outcome => outcome.Share);

    private static double Slipped(IReadOnlyList<(Item Item, Answer Answer)> answers, int i, bool byMeaning)
    {
        var (item, answer) = answers[i];
        var slips = Traits.OffTheRule(hasRule: true);
        var anywhere = (1 - slips.Sum(slip => slip.Share)) / ClockTime.MinutesRound;
        return slips.Sum(slip => slip.Share * Said(item, item.Time.Plus(slip.Off), answer, byMeaning)) + anywhere;
    }

    private static double Said(Item item, ClockTime time, Answer answer, bool byMeaning) =>
        Same(item, (item with { Time = time }).Right, answer, byMeaning) ? 1 : 0;

    private static bool Same(Item item, Answer predicted, Answer given, bool byMeaning) =>
        predicted.Equals(given)
        || (byMeaning && item.Task.Form == AnswerForm.Words && predicted.Meaning is { } meant && meant == given.Meaning)
        || (predicted is PlacedAnswer { Hands: { } a } && given is PlacedAnswer { Hands: { } b }
        && HandPositions.HoursApart(a.Hour, b.Hour) < 0.02 && HandPositions.MinutesApart(a.Minute, b.Minute) < 0.02);

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
