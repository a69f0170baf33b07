using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Simulation;

/// <summary>
/// Whoever knows how simulated children are made: it weighs every set of up to three patterns by just their rules, chances and consistency.
/// No model can do better on the same answers; it stands beside the model's results for that.
/// </summary>
public sealed class Oracle
{
    private static readonly double[] Consistencies = [0.775, 0.825, 0.875, 0.925];

    private readonly List<Hypothesis> _hypotheses = [];
    private readonly ConcurrentDictionary<(ClockTask Task, ClockTime Time), Dictionary<Answer, double>[]> _predictions = new();

    private sealed record Hypothesis(IReadOnlySet<string> Patterns, bool Benchmarks, double Prior);

    /// <summary>Makes the sets that are weighed.</summary>
    public Oracle()
    {
        var byStep = Steps.OfReading.Select(step => Catalogue.All.Where(pattern => pattern.Step == step).ToList()).ToList();
        Add([], 0, 1.0 / 4);

        void Add(List<Pattern> patterns, int step, double prior)
        {
            var ids = patterns.Select(pattern => pattern.Id).ToHashSet();
            if (patterns.Exists(pattern => pattern.BenchmarksMayBeRight))
            {
                _hypotheses.Add(new Hypothesis(ids, true, prior / 2));
                _hypotheses.Add(new Hypothesis(ids, false, prior / 2));
            }
            else
            {
                _hypotheses.Add(new Hypothesis(ids, false, prior));
            }
            if (patterns.Count == 3) return;
            for (var next = step; next < byStep.Count; next++)
            {
                foreach (var pattern in byStep[next])
                    Add([.. patterns, pattern], next + 1, Share(patterns.Count + 1, patterns.Append(pattern), byStep));
            }
        }
    }

    /// <summary>The patterns believed at 0.5 or more after these answers.</summary>
    public IReadOnlySet<string> Found(IReadOnlyList<(Item Item, Answer Answer)> answers)
    {
        var logs = new double[_hypotheses.Count];
        var given = answers.Select(answer =>
            (Predictions: Predict(answer.Item), answer.Answer, Noise: NoiseOf(answer.Item, answer.Answer),
                Right: Same(answer.Item, answer.Answer))).ToList();
        Parallel.For(0, logs.Length, i =>
        {
            var chance = 0.0;
            foreach (var consistency in Consistencies)
            {
                var all = 1.0;
                foreach (var each in given)
                    all *= (consistency * each.Predictions[i].GetValueOrDefault(each.Answer)) + (DrawnChild.Noise * each.Noise)
                        + (each.Right ? 1 - consistency - DrawnChild.Noise : 0);
                chance += all;
            }
            logs[i] = _hypotheses[i].Prior * chance;
        });
        var total = logs.Sum();
        return Catalogue.All
            .Where(pattern => _hypotheses.Select((hypothesis, i) => hypothesis.Patterns.Contains(pattern.Id) ? logs[i] : 0)
            .Sum() >= StudyOutcome.FoundFrom * total)
            .Select(pattern => pattern.Id)
            .ToHashSet();
    }

    private static double Share(int count, IEnumerable<Pattern> patterns, List<List<Pattern>> byStep)
    {
        var sets = count switch { 1 => 7.0, 2 => 21, _ => 35 };
        return patterns.Aggregate(1.0 / 4 / sets, (share, pattern) => share / byStep[(int)pattern.Step].Count);
    }

    private Dictionary<Answer, double>[] Predict(Item item) => _predictions.GetOrAdd((item.Task, item.Time), asked =>
    {
        var predictions = new Dictionary<Answer, double>[_hypotheses.Count];
        Parallel.For(0, predictions.Length, i =>
        {
            var (patterns, benchmarks, _) = _hypotheses[i];
            var chances = new Dictionary<Answer, double>();
            foreach (var (raw, share) in SecondReading.Answers(asked.Task.Id, asked.Time.Hour, asked.Time.Minute, patterns, benchmarks))
            {
                var answer = AnswerParser.Parse(raw);
                chances[answer] = chances.GetValueOrDefault(answer) + share;
            }
            predictions[i] = chances;
        });
        return predictions;
    });

    private static bool Same(Item item, Answer answer) => answer.Equals(AnswerParser.Parse(item.Right.Short(Wording.Usual)));

    private static double NoiseOf(Item item, Answer answer)
    {
        var time = answer is PlacedAnswer { Hands: { } hands } ? hands.Read() : answer.Meaning;
        if (time is not { } meant || !Same(item with { Time = meant }, answer)) return 0;
        return (0.5 / ClockTime.MinutesRound)
            + (DrawnChild.Slips.Count(slip => item.Time.Plus(slip) == meant) * 0.5 / DrawnChild.Slips.Count);
    }
}
