using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A list that was made before, as it stands on paper: a form, chosen tasks, or a practice set.</summary>
/// <param name="Child">The child.</param>
/// <param name="Asked">The items.</param>
/// <param name="Set">The practice set; null where it asks.</param>
public sealed record ListOnPaper(CaseloadRow Child, IReadOnlyList<AskedItem> Asked, AssignedSet? Set)
{
    /// <summary>Loads it; null where there is no such sitting, its questions follow from the answers, or it is asked in a visit.</summary>
    public static async Task<ListOnPaper?> Load(SchoolConnection connection, SittingId id)
    {
        if (await Sittings.Find(connection, id) is not { } sitting || sitting.Visit is not null
            || sitting is { IsPractice: false, Plan: Plan.Adaptive }) return null;
        return new ListOnPaper(
            (await Children.Find(connection, sitting.Child))!,
            [.. (await Sittings.AskedIn(connection, [id]))[id]],
            sitting.PracticeSet is { } practised ? await Sets.Find(connection, practised) : null);
    }
}
