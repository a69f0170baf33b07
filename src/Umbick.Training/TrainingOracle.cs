using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>
/// Whoever knows how made-up children are made: it weighs every verdict by just their rules, slips and consistency. It is no part of the
/// engine, and says what could be known from some answers by anybody.
/// </summary>
/// <param name="patterns">The patterns that children may have.</param>
public sealed class TrainingOracle(TrainingPatterns patterns)
{
    private const double NothingPrior = 0.25, OnePrior = 0.35, TwoPrior = 0.2, SlipsPrior = 0.12, GuessingPrior = 0.08;

    private static readonly double[] Consistencies = [0.865, 0.895, 0.925, 0.955];

    private static readonly bool[] Either = [false, true];

    private static readonly double[] OfNothing = [MadeUpChild.RightOfNothing], OfSlips = [MadeUpChild.RightOfSlips];

    private readonly IReadOnlyList<Hypothesis> _hypotheses = [.. Hypotheses(patterns)];

    /// <summary>What a child may be: a verdict, with the ways of having it.</summary>
    private sealed record Hypothesis(Verdict Verdict, double Prior, IReadOnlySet<string> Ids, IReadOnlyList<Traits> Traits);

    /// <summary>The verdicts that are weighed.</summary>
    public IReadOnlyList<Verdict> Verdicts => field ??=
        [.. _hypotheses.Select(hypothesis => hypothesis.Verdict), Verdict.Nothing, Verdict.Slips, Verdict.Guessing];

    /// <summary>Weighs all verdicts after each of some answers.</summary>
    /// <param name="items">What was asked.</param>
    /// <param name="heard">What was answered, as it was typed.</param>
    public Weighing Weigh(IReadOnlyList<Item> items, IReadOnlyList<string> heard)
    {
        var likelihood = new AwayLikelihood([.. items.Zip(heard, (item, raw) => (item, item.Read(raw)))]);
        var after = new double[Verdicts.Count][];
        var likeliest = new Traits[_hypotheses.Count][];
        Parallel.For(0, _hypotheses.Count, i =>
        {
            var (_, prior, ids, all) = _hypotheses[i];
            var (chances, best) = (new double[items.Count + 1], new double[items.Count + 1]);
            likeliest[i] = new Traits[items.Count + 1];
            foreach (var benchmarks in Either)
            {
                var way = likelihood.WayOf(ids, benchmarks);
                foreach (var traits in all.Where(traits => traits.Benchmarks == benchmarks))
                {
                    var its = likelihood.Of(way, traits, Consistencies);
                    Add(chances, its, prior / all.Count);
                    for (var count = 0; count <= items.Count; count++)
                        if (its[count] > best[count]) (best[count], likeliest[i][count]) = (its[count], traits);
                }
            }
            after[i] = chances;
        });
        after[^3] = Add(new double[items.Count + 1], likelihood.OfRight(OfNothing), NothingPrior);
        after[^2] = Add(new double[items.Count + 1], likelihood.OfRight(OfSlips), SlipsPrior);
        after[^1] = Add(Add(new double[items.Count + 1], likelihood.OfGuessing(_ => false), GuessingPrior / 2),
            likelihood.OfGuessing(time => time.Minute % 30 == 0), GuessingPrior / 2);
        for (var count = 0; count <= items.Count; count++)
        {
            var total = after.Sum(chances => chances[count]);
            foreach (var chances in after) chances[count] /= total;
        }
        return new(Verdicts, after, likeliest);
    }

    /// <summary>What a child of a verdict answers likeliest, as it would be typed; null where it could be anything.</summary>
    /// <param name="verdict">The verdict.</param>
    /// <param name="item">What is asked.</param>
    /// <param name="traits">How the child has the patterns; null for the plain way.</param>
    public static string? Likeliest(Verdict verdict, Item item, Traits? traits = null) =>
        verdict == Verdict.Guessing ? null
        : traits?.Follows(item, 0) == false ? item.Right.Short(Wording.Usual)
        : SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute,
            verdict.Patterns.Select(pattern => pattern.Id).ToHashSet(), traits?.Benchmarks ?? false).MaxBy(outcome => outcome.Share).Answer;

    private static double[] Add(double[] to, double[] chances, double share)
    {
        for (var i = 0; i < to.Length; i++) to[i] += share * chances[i];
        return to;
    }

    private static IEnumerable<Hypothesis> Hypotheses(TrainingPatterns patterns)
    {
        foreach (var pattern in patterns.All) yield return Of(OnePrior / patterns.All.Count, pattern);
        foreach (var (one, other) in patterns.Pairs) yield return Of(TwoPrior / patterns.Pairs.Count, one, other);

        Hypothesis Of(double prior, params Pattern[] all)
        {
            var ids = all.Select(pattern => pattern.Id).ToHashSet();
            // The other half of a variant's clock plays no part in these variants.
            return new(Verdict.Of(ids), prior, ids, [.. Traits.All(TrainingPatterns.Variants).Where(traits => traits.First)]);
        }
    }
}
