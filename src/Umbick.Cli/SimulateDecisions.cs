using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Cli;

/// <summary><c>./umbick simulate --decisions</c>: how often each rule of deciding is wrong.</summary>
internal static class SimulateDecisions
{
    private const double AtFirst = 0.9;
    private const int Visits = 12;
    private const int Early = 6;

    /// <summary>How much of a pattern's strength a visit leaves, with what such a child is called.</summary>
    private static readonly (string Name, double Keeps)[] Learners = [("does not learn", 1),
        ("slow: half is left after three visits", 0.794), ("quick: half is left after one", 0.5)];

    private const int Stuck = 8;

    /// <summary>Prints the tables.</summary>
    /// <param name="children">How many children a row.</param>
    /// <param name="seed">The same seed plays the same.</param>
    public static int Run(int children, int seed)
    {
        var study = new DecisionStudy(new ReadingModel(), Stage.FiveMinutesTo);
        Print($"Engine {ReadingModel.Version}, seed {seed}, {children} children a row, stage 9, {study.Patterns.Count} patterns.");
        Print("\n| child | slips | told to change within 6 visits | within 8 | within 12 | told to finish within 12 | of those the pattern still "
            + "shows in a fifth or more |\n|---|---|---|---|---|---|---|");
        foreach (var (name, keeps) in Learners)
        {
            foreach (var slips in new[] { 0.05, 0.1, 0.15 })
            {
                var outcomes = Each((pattern, number, random) =>
                    study.Play(new PractisedChild(pattern, AtFirst, keeps, slips, 0, random), pattern, Visits, number));
                var finished = outcomes.Where(outcome => outcome.ToldToFinish is not null).ToList();
                Print($"| {name} | {Percent(slips)} | {Share(outcomes, outcome => outcome.ToldToChange <= Early)} | "
                    + $"{Share(outcomes, outcome => outcome.ToldToChange <= Stuck)} | "
                    + $"{Share(outcomes, outcome => outcome.ToldToChange is not null)} | "
                    + $"{Share(outcomes, outcome => outcome.ToldToFinish is not null)} | "
                    + $"{Share(finished, outcome => outcome.StrengthThen >= 0.2)} |");
            }
        }
        Print("\n| stuck at | slips | told to change by the sixth visit | by the eighth | by the twelfth |\n|---|---|---|---|---|");
        foreach (var right in new[] { 1, 2, 3 })
        {
            foreach (var slips in new[] { 0.05, 0.1, 0.15 })
            {
                var outcomes = Each((pattern, number, random) =>
                    study.Play(new PractisedChild(pattern, 1 - (right / 4.0), 1, slips, 0, random), pattern, Visits, number));
                Print($"| {right} of 4 | {Percent(slips)} | {Share(outcomes, outcome => outcome.ToldToChange <= Early)} | "
                    + $"{Share(outcomes, outcome => outcome.ToldToChange <= Stuck)} | "
                    + $"{Share(outcomes, outcome => outcome.ToldToChange is not null)} |");
            }
        }
        Print("\n| over it, slips | of these slips the old habit | sent back by one of four rechecks |\n|---|---|---|");
        foreach (var habit in new[] { 0, 0.5, 1 })
        {
            foreach (var slips in new[] { 0.05, 0.1, 0.15 })
                Print($"| {Percent(slips)} | {Percent(habit)} | "
                    + $"{Share(Each((pattern, number, random) => study.IsSentBack(new PractisedChild(pattern, 0, 1, slips, habit, random), pattern, number)), back => back)} |");
        }
        Print("\n| it has come back: followed in | sent back by one of four rechecks |\n|---|---|");
        foreach (var strength in new[] { 0.3, 0.5, 0.8 })
            Print($"| {Percent(strength)} | "
                + $"{Share(Each((pattern, number, random) => study.IsSentBack(new PractisedChild(pattern, strength, 1, 0.1, 0, random), pattern, number)), back => back)} |");
        return 0;

        IReadOnlyList<T> Each<T>(Func<Pattern, int, Random, T> play) =>
            [.. Enumerable.Range(0, children).AsParallel().AsOrdered()
                .Select(i => play(study.Patterns[i % study.Patterns.Count], unchecked((seed * 7919) + i),
                new Random(unchecked((seed * 104_729) + i))))];
    }

    private static void Print(string line) => Console.WriteLine(line);

    private static string Percent(double share) => string.Create(CultureInfo.InvariantCulture, $"{100 * share:0} %");

    private static string Share<T>(IReadOnlyCollection<T> all, Func<T, bool> holds) =>
        all.Count == 0 ? "none" : string.Create(CultureInfo.InvariantCulture, $"{100.0 * all.Count(holds) / all.Count:0.0} %");
}
