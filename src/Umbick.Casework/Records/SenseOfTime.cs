using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What a child guessed of time, and what it was. It is compared with nobody, and no belief reads it.</summary>
/// <param name="Child">The child.</param>
/// <param name="Tries">The tries, the earliest first.</param>
public sealed record SenseOfTime(CaseloadRow Child, IReadOnlyList<(TimeTryId Id, TimeTry Try)> Tries)
{
    /// <summary>What they tell, in sentences.</summary>
    public IReadOnlyList<string> Says => TimeCourse.Says([.. Tries.Select(each => each.Try)]);

    /// <summary>Loads it; null where the school has no such child.</summary>
    public static async Task<SenseOfTime?> Load(SchoolConnection connection, ChildId child) =>
        await Children.Find(connection, child) is { } row ? new(row, await TimeTries.OfChild(connection, child)) : null;

    /// <summary>Keeps two tries at a card; the same again changes nothing.</summary>
    /// <returns>Why they cannot be kept, in a sentence; null where they were.</returns>
    public static async Task<string?> Keep(SchoolConnection connection, TimeTryId id, ChildId child, TimeCard card, GuessAndReal first,
        GuessAndReal? second, PersonId by, DateTime now)
    {
        if (card.Measure == CardMeasure.Nothing) return "There is nothing to note of this card.";
        if (!GuessAndReal.CanBe(first.Given, first.Real) || (second is { } again && !GuessAndReal.CanBe(again.Given, again.Real)))
            return "Both numbers have to be above nought. Nothing was kept.";
        if (await Children.Find(connection, child) is null) return "There is no such child here.";
        await TimeTries.Keep(connection, id, child, card.Id, first, second, by, now);
        return null;
    }

    /// <summary>Takes tries back.</summary>
    public static Task TakeBack(SchoolConnection connection, ChildId child, TimeTryId id) => TimeTries.TakeBack(connection, child, id);
}
