using Umbick.Core.Diagnosis;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A set that was given, with the outcome.</summary>
/// <param name="Set">The set.</param>
/// <param name="Child">The child whose it is.</param>
/// <param name="Items">Its items.</param>
/// <param name="Answered">The questions that were answered; none before it is begun.</param>
public sealed record SetShown(AssignedSet Set, CaseloadRow Child, IReadOnlyList<SetItem> Items, IReadOnlyList<ItemResponse> Answered)
{
    /// <summary>
    /// How quickly right answers came in a set for reading at ease; null where they were not timed, or it mends a pattern.
    /// </summary>
    public Fluency? Seconds { get; private init; }

    /// <summary>The same on the day before that had any.</summary>
    public Fluency? SecondsBefore { get; private init; }

    /// <summary>How the child is taught.</summary>
    public TeachingPreferences Preferences => Child.Preferences;

    /// <summary>Loads it; null where the school has no such set.</summary>
    public static async Task<SetShown?> Load(SchoolConnection connection, ReadingModel model, SetId id)
    {
        if (await Sets.Find(connection, id) is not { } set) return null;
        var record = (await ChildRecord.Load(connection, model, set.Child))!;
        var answered = record.Sittings.FirstOrDefault(sitting => sitting.Sitting.Id == set.Sitting)?.Answered ?? [];
        var day = set is { IsAtEase: true, DoneAt: not null } ? set.Day : null;
        return new SetShown(set, record.Child, await Sets.Items(connection, id), [.. answered])
        {
            Seconds = day is null ? null : record.Fluency.LastOrDefault(known => known.Day == day),
            SecondsBefore = day is null ? null : record.Fluency.LastOrDefault(known => known.Day < day),
        };
    }

    /// <summary>The sitting in which a set is to be done; null where there is no such set, or it is done.</summary>
    public static async Task<SittingId?> SittingToDo(SchoolConnection connection, SetId id) =>
        await Sets.Find(connection, id) is { DoneAt: null, Sitting: { } sitting } ? sitting : null;
}
