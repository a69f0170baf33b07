using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Simulation;

namespace Umbick.Cli;

/// <summary><c>./umbick simulate --away</c>: tries the model on children who are not made by its own rules.</summary>
internal static class SimulateAway
{
    private static readonly IReadOnlyList<Variant> Known = [Variant.Plain, Variant.HalfKnown, Variant.SetsRightly, Variant.OwnWords];
    private static readonly IReadOnlyList<Variant> KeptAway = [Variant.LateOnly, Variant.OneSide, Variant.Tires, Variant.RepeatsLast];
    private static readonly IReadOnlyList<Step> Reading = [Step.Hands, Step.Hour, Step.Minutes];

    private sealed record Row(string Name, Stage Stage, Func<IReadOnlyList<Item>, Random, IAnsweringChild> Draw);

    private static readonly Row[] Rows =
    [
        new("one pattern, variants looked at", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, Known, bank, random)),
        new("one pattern, variants kept away", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, KeptAway, bank, random)),
        new("two patterns, variants looked at", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(2, Steps.OfReading, Known, bank, random)),
        new("two patterns, variants kept away", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(2, Steps.OfReading, KeptAway, bank, random)),
        new("reads wrongly, sets rightly", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(1, Reading, [Variant.SetsRightly], bank, random)),
        new("says it in their own words", Stage.EveryMinute, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, [Variant.OwnWords], bank, random)),
        new("odd ways", Stage.EveryMinute, (_, random) => VariedChild.Odd(random)),
        new("nothing to find, 8 to 15 % slips", Stage.EveryMinute, (_, random) => VariedChild.Careless(random)),
        new("stage 4, one pattern", Stage.HalfPast, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, [Variant.Plain], bank, random)),
        new("stage 6, one pattern", Stage.QuarterTo, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, [Variant.Plain], bank, random)),
        new("stage 8, one pattern", Stage.FiveMinutesPast, (bank, random) => VariedChild.Drawn(1, Steps.OfReading, [Variant.Plain], bank, random)),
    ];

    public static int Run(int children, int seed, int items)
    {
        var model = new ReadingModel();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"Engine {ReadingModel.Version}, {DateTime.Today:yyyy-MM-dd}, away, seed {seed}, {children} children a row, {items} items asked adaptively."));
        Console.WriteLine();
        Console.WriteLine("| children | found | called | wrongly called | taken for guessing |");
        Console.WriteLine("|---|---|---|---|---|");
        var all = new List<StudyOutcome>();
        foreach (var row in Rows)
        {
            var study = new Study(model, row.Stage);
            var outcomes = new StudyOutcome[children];
            Parallel.For(0, children, i => outcomes[i] = study.Adaptive(row.Draw(study.Bank, new Random(unchecked((seed * 1_000_003) ^ (i * 7919)))), items, i));
            var come = new StudyRow(outcomes);
            var some = outcomes.Any(outcome => outcome.True.Count > 0);
            Console.WriteLine($"| {row.Name} | {(some ? Percent(come.ShareFound) : "")} | {(some ? Percent(come.ShareCalled) : "")} | {Percent(come.WronglyCalled)} | {Percent(come.TakenForGuessing)} |");
            all.AddRange(outcomes);
        }
        Console.WriteLine();
        Console.WriteLine("Wrongly called most, or not called:");
        var calls = all.Where(outcome => outcome.WronglyCalled || !outcome.Called.SetEquals(outcome.True)).GroupBy(outcome => $"{Names(outcome.True)} → {Names(outcome.Called)}");
        foreach (var call in calls.OrderByDescending(call => call.Count()).ThenBy(call => call.Key, StringComparer.Ordinal).Take(24)) Console.WriteLine($"- {call.Count()}: {call.Key}");
        Console.WriteLine();
        Console.WriteLine("| believed | times | so often it was so |");
        Console.WriteLine("|---|---|---|");
        foreach (var (tenth, (times, so)) in new StudyRow(all).Calibration.Index().Skip(1))
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {tenth / 10.0:0.0} to {(tenth + 1) / 10.0:0.0} | {times} | {so:0.00} |"));
        return 0;
    }

    private static string Names(IReadOnlySet<string> ids) => ids.Count == 0 ? "nothing" : string.Join(" + ", ids.Order(StringComparer.Ordinal));

    private static string Percent(double share) => share.ToString("P1", CultureInfo.InvariantCulture);
}
