using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Cli;

/// <summary><c>./umbick simulate</c>: tries the model on simulated children, and prints the table that the documents hold.</summary>
internal static class Simulate
{
    private const int FormItems = 12;
    private const int LongItems = 24;
    private const int OracleChildren = 300;

    private sealed record Row(string Name, Func<Random, DrawnChild> Draw, int Patterns);

    private static readonly Row[] Rows =
    [
        new("no pattern", random => DrawnChild.With(0, random), 0),
        new("one pattern", random => DrawnChild.With(1, random), 1),
        new("two patterns", random => DrawnChild.With(2, random), 2),
        new("three patterns", random => DrawnChild.With(3, random), 3),
        new("guessers", DrawnChild.Guessing, 0),
        new("ways not in the catalogue", DrawnChild.Odd, 0),
    ];

    public static int Run(bool report, int children, int seed)
    {
        var model = new ReadingModel();
        var study = new Study(model);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"Engine {ReadingModel.Version}, {DateTime.Today:yyyy-MM-dd}, seed {seed}, {children} children a row, consistent on 75 to 95 "
                + $"% of occasions, 7 % noise, stage 10."));
        Console.WriteLine();
        Console.WriteLine("| children | asked | just theirs found | share found | share called | something called | wrongly called |");
        Console.WriteLine("|---|---|---|---|---|---|---|");
        var oracle = report ? new Oracle() : null;
        var form = new FixedForms(model).Make(Stage.EveryMinute, FormItems, seed)[0];
        var confused = new Dictionary<string, int>();
        foreach (var row in Rows)
        {
            var adaptive = Play(row, children, seed, (child, i) => study.Adaptive(child, FormItems, i));
            Print(row, $"adaptive, {FormItems}", adaptive);
            foreach (var outcome in adaptive.Outcomes.Where(outcome => !outcome.Exact))
            {
                var key = $"{Names(outcome.True)} → {Names(outcome.Found)}";
                confused[key] = confused.GetValueOrDefault(key) + 1;
            }
            if (!report) continue;
            if (oracle is not null && row.Patterns > 0)
                PrintOracle(row, children > OracleChildren ? $"oracle on the first {OracleChildren} of those" : "oracle on those", adaptive,
                    oracle, Math.Min(OracleChildren, children));
            var fixedForm = Play(row, children, seed, (child, _) => study.Fixed(child, form.Items));
            Print(row, $"fixed form, {FormItems}", fixedForm);
            if (oracle is not null && row.Patterns > 0) PrintOracle(row, "oracle on those", fixedForm, oracle, children);
            if (row.Patterns > 0) Print(row, $"adaptive, {LongItems}",
                Play(row, children, seed, (child, i) => study.Adaptive(child, LongItems, i)));
        }
        if (!report) return 0;
        Console.WriteLine();
        Console.WriteLine($"Confused most, adaptive, {FormItems} items (of {Rows.Length * children} children):");
        foreach (var (pair, count) in confused.OrderByDescending(pair => pair.Value).ThenBy(pair => pair.Key, StringComparer.Ordinal)
            .Take(12)) Console.WriteLine($"- {count}: {pair}");
        return 0;
    }

    private static StudyRow Play(Row row, int children, int seed, Func<DrawnChild, int, StudyOutcome> play)
    {
        var outcomes = new StudyOutcome[children];
        Parallel.For(0, children, i => outcomes[i] = play(row.Draw(new Random(HashCode(seed, i))), i));
        return new StudyRow(outcomes);
    }

    private static int HashCode(int seed, int child) => unchecked((seed * 1_000_003) ^ (child * 7919));

    private static void Print(Row row, string asked, StudyRow outcomes)
    {
        var (found, called) = row.Patterns == 0 ? ("", "") : (Percent(outcomes.ShareFound), Percent(outcomes.ShareCalled));
        Console.WriteLine($"| {row.Name} | {asked} | {Percent(outcomes.Exact)} | {found} | {called} | {Percent(outcomes.SomethingCalled)} "
            + $"| {Percent(outcomes.WronglyCalled)} |");
    }

    private static void PrintOracle(Row row, string asked, StudyRow outcomes, Oracle oracle, int children)
    {
        var seen = outcomes.Outcomes.Take(children).Select(outcome => outcome with { Found = oracle.Found(outcome.Answers) }).ToList();
        var known = new StudyRow(seen);
        Console.WriteLine($"| {row.Name} | {asked} | {Percent(known.Exact)} | {Percent(known.ShareFound)} | | | |");
    }

    private static string Names(IReadOnlySet<string> ids) => ids.Count == 0 ? "nothing"
        : string.Join(" + ", ids.Order(StringComparer.Ordinal));

    private static string Percent(double share) => share.ToString("P1", CultureInfo.InvariantCulture);
}
