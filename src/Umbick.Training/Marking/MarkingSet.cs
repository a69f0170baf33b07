using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>How an answer is marked.</summary>
public enum Mark
{
    /// <summary>Right.</summary>
    Right,

    /// <summary>Not right.</summary>
    NotRight,

    /// <summary>It cannot be read, or there is none.</summary>
    CannotBeRead,
}

/// <summary>An answer to mark.</summary>
/// <param name="Item">What was asked.</param>
/// <param name="Raw">What stands there.</param>
/// <param name="Kind">What kind of answer it is, as it is called.</param>
/// <param name="Model">How the model marks it.</param>
public sealed record ToMark(Item Item, string Raw, string Kind, Mark Model);

/// <summary>Agreement on one kind of answer.</summary>
/// <param name="Kind">The kind, as it is called.</param>
/// <param name="Agreed">How many were marked as the model marks them.</param>
/// <param name="Of">How many there are.</param>
public sealed record MarkedAlike(string Kind, int Agreed, int Of);

/// <summary>Thirty answers to mark: of children with and without patterns, well and badly written.</summary>
public static class MarkingSet
{
    /// <summary>How many there are.</summary>
    public const int Length = 30;

    /// <summary>How long they are meant to take, in seconds.</summary>
    public const int Seconds = 120;

    private static readonly string[] Unreadable = ["-", "?", "ate", "7", "half", "clock", "12 30 5", "quarter"];

    /// <summary>The thirty of a number: the same number has the same.</summary>
    /// <param name="seed">The number.</param>
    /// <param name="patterns">The patterns that children have.</param>
    public static IReadOnlyList<ToMark> Make(int seed, TrainingPatterns patterns)
    {
        var random = new Random(unchecked(seed * 104_729));
        var all = new List<ToMark>();
        for (var place = 0; place < Length; place++)
        {
            var task = ClockTasks.Plain[place % ClockTasks.Plain.Count];
            var item = patterns.Bank.Where(item => item.Task == task).ElementAt(random.Next(patterns.Bank.Count(each =>
                each.Task == task)));
            var raw = random.Next(8) switch
            {
                0 when task.Form != AnswerForm.Hands => Unreadable[random.Next(Unreadable.Length)],
                < 4 => Said(VariedChild.With([patterns.All[random.Next(patterns.All.Count)].Id], [Variant.Plain], random), item),
                4 or 5 => Said(VariedChild.WritesBadly(random), item),
                6 => Said(VariedChild.Slipping(0.4, random), item),
                _ => Said(VariedChild.Slipping(1, random), item),
            };
            all.Add(new(item, raw, KindOf(task), MarkOf(item, raw)));
        }
        return [.. all.OrderBy(_ => random.Next())];
    }

    /// <summary>How far marks agree with the model, by kind of answer.</summary>
    /// <param name="set">The thirty.</param>
    /// <param name="marks">A mark each, as many as were made.</param>
    public static IReadOnlyList<MarkedAlike> Agreement(IReadOnlyList<ToMark> set, IReadOnlyList<Mark> marks) =>
        [.. set.Zip(marks).GroupBy(each => each.First.Kind).OrderBy(kind => kind.Key, StringComparer.Ordinal)
            .Select(kind => new MarkedAlike(kind.Key, kind.Count(each => each.First.Model == each.Second), kind.Count()))];

    /// <summary>Marks as they stand in an address and in rows: a letter each.</summary>
    public static string Write(IEnumerable<Mark> marks) => string.Concat(marks.Select(mark => mark switch
    {
        Mark.Right => 'r',
        Mark.NotRight => 'n',
        _ => 'u',
    }));

    /// <summary>Marks that stand so; null where there are too many or others.</summary>
    public static IReadOnlyList<Mark>? Read(string? text) =>
        text is null ? [] : text.Length > Length || text.Any(letter => letter is not ('r' or 'n' or 'u')) ? null
            : [.. text.Select(letter => letter switch { 'r' => Mark.Right, 'n' => Mark.NotRight, _ => Mark.CannotBeRead })];

    private static string Said(VariedChild child, Item item) => child.Answer(item);

    private static string KindOf(ClockTask task) => task.Form switch
    {
        AnswerForm.Hands => "hands placed",
        AnswerForm.Words => "times in words",
        _ => "times in figures",
    };

    private static Mark MarkOf(Item item, string raw) => item.Read(raw) switch
    {
        { IsScored: false } or NoAnswer or DontKnow => Mark.CannotBeRead,
        var answer when Scoring.IsRight(item, answer, item.Task.Taken, Stage.EveryMinute) => Mark.Right,
        _ => Mark.NotRight,
    };
}
