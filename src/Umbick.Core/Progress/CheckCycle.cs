using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>A check form that was held in a cycle.</summary>
/// <param name="Form">A, B or C.</param>
/// <param name="Day">Its day.</param>
/// <param name="Right">How many came right.</param>
/// <param name="Asked">How many were answered.</param>
/// <param name="Expected">How many of the items of form A the model expected to come right after it; null where that is not known.</param>
public sealed record CheckHeld(string Form, DateOnly Day, int Right, int Asked, double? Expected = null);

/// <summary>A cycle of work: form A at its start, B midway, C at its end, a goal, and why a child came in and went out.</summary>
/// <param name="Began">The day on which it began.</param>
/// <param name="Ends">The day on which it is to end.</param>
/// <param name="Goal">How many of the twelve of form C are to come right.</param>
public sealed record CheckCycle(DateOnly Began, DateOnly Ends, int Goal)
{
    /// <summary>How many items a form has.</summary>
    public const int FormLength = 12;

    /// <summary>How many of twelve are usually aimed at.</summary>
    public const int UsualGoal = 10;

    /// <summary>How many school weeks one may have; the usual first.</summary>
    public static IReadOnlyList<int> Weeks { get; } = [8, 6, 10, 12];

    /// <summary>The forms, in order.</summary>
    public static IReadOnlyList<string> Forms { get; } = ["A", "B", "C"];

    /// <summary>The day from which on a form is due: the first, the middle and the last day of the cycle, in school time.</summary>
    public DateOnly DueOf(string form, SchoolYear year) => form switch
    {
        "A" => Began,
        "B" => year.FirstFrom(Began.AddDays((Ends.DayNumber - Began.DayNumber) / 2)),
        _ => year.FirstFrom(Ends),
    };

    /// <summary>The form that comes next; null where all were held.</summary>
    /// <param name="held">The forms that were held in it. One left out is not made up for once a later one was held.</param>
    /// <param name="year">The school's year.</param>
    public (string Form, DateOnly Due)? Next(IReadOnlyList<CheckHeld> held, SchoolYear year)
    {
        var last = held.Select(check => Forms.ToList().IndexOf(check.Form)).DefaultIfEmpty(-1).Max();
        return last + 1 < Forms.Count ? (Forms[last + 1], DueOf(Forms[last + 1], year)) : null;
    }

    /// <summary>
    /// What has grown: how many more of the items of form A the model expects to come right after the latest form than after the first.
    /// Three forms are not equally hard; this holds the child then and now against the same clocks. Null with fewer than two forms.
    /// </summary>
    public static double? Growth(IReadOnlyList<CheckHeld> held) =>
        held.Count >= 2 && held[0].Expected is { } then && held[^1].Expected is { } now ? now - then : null;

    /// <summary>Whether the goal was reached, by the last form; null before that was held.</summary>
    public bool? IsReached(IReadOnlyList<CheckHeld> held) => held.LastOrDefault(check => check.Form == Forms[^1]) is { } last
        ? last.Right >= Goal : null;
}
