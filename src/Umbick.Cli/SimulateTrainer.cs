using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Training;

namespace Umbick.Cli;

/// <summary>
/// <c>./umbick simulate --trainer</c>: three scripted adults with made-up children of every level, what they are told, and how often a
/// specialist is right after so many clocks.
/// </summary>
internal static class SimulateTrainer
{
    private const int UsualChildren = 60;

    /// <summary>Prints the tables.</summary>
    /// <param name="children">How many children each adult has; null for the usual number.</param>
    public static int Run(int? children)
    {
        var model = new ReadingModel();
        var made = new MadeUpChildren(model);
        var count = children ?? UsualChildren;
        var specialist = new Specialist(made.Patterns);
        Console.WriteLine($"{made.Patterns.All.Count} patterns, {made.Patterns.Pairs.Count} sets of two. {count} children an adult, "
            + $"{TrainingLevels.All.Count} levels.");
        var all = Enumerable.Range(0, count).Select(place => (Level: TrainingLevels.All[place % TrainingLevels.All.Count], Place: place))
            .Select(each => MadeUpChild.Make(each.Level, made.SeedAt(each.Level, each.Place), made.Patterns)).ToList();
        Console.WriteLine();
        Console.WriteLine("| adult | right | half | false alarm | missed | look-alike | other | in time | too early | too late | clocks that told nothing |");
        Console.WriteLine("|---|---|---|---|---|---|---|---|---|---|---|");
        foreach (var (name, adult) in new (string, ScriptedAdult)[]
        {
            ("a specialist", specialist), ("who asks o’clocks alone", ScriptedAdult.OClockOnly), ("who calls at once",
                ScriptedAdult.AtOnce),
        }) Tell(name, [.. all.Select(child => On(made, adult.Talk(child)))]);
        Console.WriteLine();
        Console.WriteLine("| level | " + string.Join(" | ", Enumerable.Range(3, 8).Select(clocks => $"{clocks} clocks")) + " |");
        Console.WriteLine("|---|" + string.Concat(Enumerable.Repeat("---|", 8)));
        foreach (var level in TrainingLevels.All)
        {
            var its = Enumerable.Range(0, count).Select(place => MadeUpChild.Make(level, made.SeedAt(level, place),
                made.Patterns)).ToList();
            var row = Enumerable.Range(3, 8).Select(clocks => its.Average(child =>
                specialist.Talk(child, clocks).Verdict == child.Truth ? 1.0 : 0));
            Console.WriteLine($"| {level.Name()} | {string.Join(" | ", row.Select(Percent))} |");
        }
        return 0;
    }

    private static Feedback On(MadeUpChildren made, (Conversation Conversation, Verdict Verdict) talk) =>
        Feedback.On(made.Oracle, talk.Conversation, talk.Verdict);

    private static void Tell(string name, List<Feedback> told)
    {
        string Fit(params CallFit[] fits) => Percent(told.Average(each => fits.Contains(each.Fit) ? 1.0 : 0));
        string Time(CallTime time) => Percent(told.Average(each => each.Time == time ? 1.0 : 0));
        Console.WriteLine($"| {name} | {Fit(CallFit.Right)} | {Fit(CallFit.Half)} | {Fit(CallFit.FalseAlarm)} | {Fit(CallFit.Missed)} | "
            + $"{Fit(CallFit.LookAlike)} | {Fit(CallFit.Other, CallFit.OtherWithoutPattern)} | {Time(CallTime.InTime)} | "
            + $"{Time(CallTime.TooEarly)} | {Time(CallTime.TooLate)} | "
            + $"{Percent(told.SelectMany(each => each.Clocks).Average(clock => clock.IsWasted ? 1.0 : 0))} |");
        foreach (var wrong in told.Where(each => !each.IsRight).Take(8))
            Console.Error.WriteLine($"{name}: {wrong.Truth.InWords(Wording.Usual)} → {wrong.Given.InWords(Wording.Usual)}, sure "
                + $"{wrong.SureOfGiven:0.00}, {wrong.Clocks.Count} clocks, from {wrong.SureFrom}");
    }

    private static string Percent(double share) => share.ToString("P0", CultureInfo.InvariantCulture);
}
