using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Cli;

/// <summary><c>./umbick simulate --away</c>: tries the model on children who are not made by its own rules.</summary>
internal static class SimulateAway
{
    private const int OracleChildren = 300;
    private const int Sitting = 12;

    private static readonly IReadOnlyList<int> Lengths = [6, 8, Sitting];
    private static readonly IReadOnlyList<Step> Reading = [Step.Hands, Step.Hour, Step.Minutes];

    /// <summary>A row of children.</summary>
    /// <param name="Name">What they are like.</param>
    /// <param name="Stage">What they have been taught.</param>
    /// <param name="Patterns">How many patterns they have.</param>
    /// <param name="Steps">The steps that those may be at.</param>
    /// <param name="Variants">How they may have them.</param>
    /// <param name="Others">Draws a child without a listed pattern; null where they have some.</param>
    private sealed record Row(string Name, Stage Stage, int Patterns, IReadOnlyList<Step> Steps, IReadOnlyList<Variant> Variants,
        Func<Random, VariedChild>? Others = null)
    {
        public VariedChild Draw(ShownPatterns shown, Random random) => Others is null
            ? VariedChild.Drawn(Patterns, Steps, Variants, shown, random) : Others(random);
    }

    private static readonly Row[] Rows =
    [
        new("one pattern, first variants", Stage.EveryMinute, 1, Steps.OfReading, Variants.First),
        new("one pattern, second variants", Stage.EveryMinute, 1, Steps.OfReading, Variants.Second),
        new("one pattern, variants held out", Stage.EveryMinute, 1, Steps.OfReading, Variants.HeldOut),
        new("two patterns, first variants", Stage.EveryMinute, 2, Steps.OfReading, Variants.First),
        new("two patterns, second variants", Stage.EveryMinute, 2, Steps.OfReading, Variants.Second),
        new("two patterns, variants held out", Stage.EveryMinute, 2, Steps.OfReading, Variants.HeldOut),
        new("reads wrongly, sets rightly", Stage.EveryMinute, 1, Reading, [Variant.SetsRightly]),
        new("says it in their own words", Stage.EveryMinute, 1, Steps.OfReading, [Variant.OwnWords]),
        new("odd ways", Stage.EveryMinute, 0, [], [], VariedChild.Odd),
        new("nothing to find, 8 to 15 % slips", Stage.EveryMinute, 0, [], [], VariedChild.Careless),
        new("o’clock and half known, the rest guessed", Stage.EveryMinute, 0, [], [], VariedChild.GuessesTheRest),
        new("nothing to find, badly written", Stage.EveryMinute, 0, [], [], VariedChild.WritesBadly),
        new("nothing to find, stage 4", Stage.HalfPast, 0, [], [], VariedChild.Careless),
        new("nothing to find, stage 6", Stage.QuarterTo, 0, [], [], VariedChild.Careless),
        new("nothing to find, stage 8", Stage.FiveMinutesPast, 0, [], [], VariedChild.Careless),
        .. Variants.Told.Select(variant =>
            new Row($"one pattern, {variant}", Stage.EveryMinute, 1, Steps.OfReading, [variant])),
        new("stage 3, one pattern", Stage.OClock, 1, Steps.OfReading, [Variant.Plain]),
        new("stage 5, one pattern", Stage.QuarterPast, 1, Steps.OfReading, [Variant.Plain]),
        new("stage 4, one pattern", Stage.HalfPast, 1, Steps.OfReading, [Variant.Plain]),
        new("stage 6, one pattern", Stage.QuarterTo, 1, Steps.OfReading, [Variant.Plain]),
        new("stage 8, one pattern", Stage.FiveMinutesPast, 1, Steps.OfReading, [Variant.Plain]),
    ];

    /// <summary>Prints the table.</summary>
    /// <param name="children">How many children a row.</param>
    /// <param name="seed">
    /// The same seed draws the same children, and asks them the same; each child is asked by a chance of their own.
    /// </param>
    /// <param name="oracle">Whether whoever knows the children is computed beside it.</param>
    /// <param name="heldOut">Whether the rows that were held out are run.</param>
    public static int Run(int children, int seed, bool oracle, bool heldOut)
    {
        var model = new ReadingModel();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"Engine {ReadingModel.Version}, {DateTime.Today:yyyy-MM-dd}, away, seed {seed}, {children} children a row, asked adaptively."));
        Console.WriteLine();
        Console.WriteLine("| children | items | found | called | wrongly called | taken for guessing | much wrong | came right | clear within |");
        Console.WriteLine("|---|---|---|---|---|---|---|---|---|");
        var all = Lengths.Select(_ => new List<StudyOutcome>()).ToList();
        var late = new List<StudyOutcome>();
        foreach (var row in Rows.Where(row => heldOut || !row.Variants.SequenceEqual(Variants.HeldOut)))
        {
            var study = new Study(model, row.Stage);
            var outcomes = new IReadOnlyList<StudyOutcome>[children];
            Parallel.For(0, children,
                i => outcomes[i] = study.Adaptive(row.Draw(study.Shown, new Random(unchecked((seed * 1_000_003) ^ (i * 7919)))), Lengths,
                    unchecked((seed * 7919) + i)));
            for (var length = 0; length < Lengths.Count; length++)
            {
                List<StudyOutcome> come = [.. outcomes.Select(outcome => outcome[length])];
                all[length].AddRange(come);
                Print(row, Lengths[length], new StudyRow(come));
            }
            if (row.Stage >= Stage.FiveMinutesPast) late.AddRange(outcomes.Select(outcome => outcome[^1]));
            if (oracle && row.Patterns > 0)
                PrintOracle(row, study.Shown, [.. outcomes.Take(OracleChildren).Select(outcome => outcome[^1])]);
        }
        PrintAsked(late);
        PrintConfusions(all[^1]);
        foreach (var (length, outcomes) in Lengths.Zip(all)) PrintCalibration(length, new StudyRow(outcomes));
        return 0;
    }

    private static void Print(Row row, int items, StudyRow come)
    {
        var some = row.Patterns > 0;
        Console.WriteLine($"| {row.Name} | {items} | {(some ? Percent(come.ShareFound) : "")} | {(some ? Percent(come.ShareCalled) : "")} "
            + $"| {Percent(come.WronglyCalled)} | {Percent(come.TakenForGuessing)} | {Percent(come.MuchWrong)} | {Percent(come.RightShare)} | "
            + $"{(some ? "" : Percent(come.ClearWithin(items)))} |");
    }

    private static void PrintOracle(Row row, ShownPatterns shown, IReadOnlyList<StudyOutcome> outcomes)
    {
        var oracle = new AwayOracle(row.Patterns, row.Steps, row.Variants, shown);
        var known = new StudyOutcome[outcomes.Count];
        Parallel.For(0, known.Length, i => known[i] = outcomes[i] with { Found = oracle.Found(outcomes[i].Answers) });
        Console.WriteLine($"| {row.Name} | the oracle on {known.Length} of those, {Sitting} | {Percent(new StudyRow(known).ShareFound)} | "
            + $"| | | | | |");
    }

    /// <summary>Of how many sittings each quota was met.</summary>
    private static void PrintAsked(List<StudyOutcome> outcomes)
    {
        Console.WriteLine();
        Console.WriteLine($"Asked in full sittings at stages 8 and 12, {outcomes.Count} of them:");
        foreach (var quota in Quotas.All)
        {
            var met = outcomes.Average(outcome => quota.IsMetBy(outcome.Answers.Select(answer => answer.Item)) ? 1.0 : 0);
            Console.WriteLine($"- {quota.Name}: {Percent(met)}");
        }
    }

    private static void PrintConfusions(IEnumerable<StudyOutcome> outcomes)
    {
        Console.WriteLine();
        Console.WriteLine($"Wrongly called most, or not called, after {Sitting}:");
        var calls = outcomes.Where(outcome => !outcome.Called.SetEquals(outcome.True))
            .GroupBy(outcome => $"{Names(outcome.True)} → {Names(outcome.Called)}");
        foreach (var call in calls.OrderByDescending(call => call.Count()).ThenBy(call => call.Key, StringComparer.Ordinal).Take(30))
            Console.WriteLine($"- {call.Count()}: {call.Key}");
    }

    private static void PrintCalibration(int items, StudyRow row)
    {
        Console.WriteLine();
        Console.WriteLine($"| believed after {items} | times | so often it was so |");
        Console.WriteLine("|---|---|---|");
        foreach (var (tenth, (times, so)) in row.Calibration.Index().Skip(1))
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
                $"| {tenth / 10.0:0.0} to {(tenth + 1) / 10.0:0.0} | {times} | {so:0.00} |"));
    }

    private static string Names(IReadOnlySet<string> ids) => ids.Count == 0 ? "nothing"
        : string.Join(" + ", ids.Order(StringComparer.Ordinal));

    private static string Percent(double share) => share.ToString("P1", CultureInfo.InvariantCulture);
}
