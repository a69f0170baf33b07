using System.Collections.Concurrent;
using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Simulation;

namespace Umbick.Cli;

/// <summary><c>./umbick simulate --practice</c>: items to mastery by the maker's sets and by sets drawn at random.</summary>
internal static class SimulatePractice
{
    /// <summary>Prints the table, by step.</summary>
    /// <param name="learners">How many learners for each pattern.</param>
    /// <param name="seed">The same seed plays the same.</param>
    public static int Run(int learners, int seed)
    {
        var model = new ReadingModel();
        var means = new ConcurrentDictionary<(string, LearningRates, bool), double>();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"Engine {ReadingModel.Version}, {DateTime.Today:yyyy-MM-dd}, seed {seed}, {learners} learners for each pattern, stage 9."));
        Console.WriteLine();
        Console.WriteLine("| patterns of | learns from contrast: made · at random · ratio · fewer for | learns from each item alike: the "
            + "same |");
        Console.WriteLine("|---|---|---|");
        foreach (var patterns in model.Patterns.GroupBy(pattern => pattern.Step)) Print(patterns.Key.ToString(), patterns);
        Print("all", model.Patterns);
        return 0;

        void Print(string name, IEnumerable<Pattern> patterns) =>
            Console.WriteLine($"| {name} | {Compared(patterns, LearningRates.FromContrast)} | "
                + $"{Compared(patterns, LearningRates.FromEach)} |");

        string Compared(IEnumerable<Pattern> patterns, LearningRates rates)
        {
            var each = patterns.Select(pattern => (Made: Mean(pattern, rates, made: true), Random: Mean(pattern, rates, made: false)))
                .ToList();
            var (made, random) = (each.Average(known => known.Made), each.Average(known => known.Random));
            return string.Create(CultureInfo.InvariantCulture,
                $"{made:0} · {random:0} · {made / random:0.00} · {each.Count(known => known.Made < known.Random)} of {each.Count}");
        }

        double Mean(Pattern pattern, LearningRates rates, bool made) =>
            means.GetOrAdd((pattern.Id, rates, made), _ => Enumerable.Range(0, learners)
            .AsParallel().Average(i =>
            PracticeStudy.ItemsToMastery(HeldPattern.Plain(model, pattern), Stage.FiveMinutesTo, rates, made,
                unchecked((seed * 10_007) + i))));
    }
}
