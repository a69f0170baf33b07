namespace Umbick.Core.Timetabling;

/// <summary>A child who could be in active work.</summary>
/// <param name="Child">The child.</param>
/// <param name="HasSlot">Whether the timetable has a slot of their own.</param>
/// <param name="Since">The day on which they were last practised with; null where they never were.</param>
/// <param name="Waiting">The day since which something could be practised.</param>
public sealed record CouldWork(ChildId Child, bool HasSlot, DateOnly? Since, DateOnly Waiting);

/// <summary>
/// Who is in active work: as many as one teacher can see twice a week. The others wait, or are looked at again from time to time.
/// </summary>
public static class ActiveWork
{
    /// <summary>The most children in active work.</summary>
    public const int Most = 10;

    /// <summary>Who has not been practised with for so many school weeks has dropped out of work.</summary>
    private const int DroppedAfterWeeks = 3;

    /// <summary>Chooses: who has a slot, then who is in the middle of it, then who has waited longest.</summary>
    /// <param name="children">Those with something to practise.</param>
    /// <param name="year">The school's year.</param>
    /// <param name="today">The day.</param>
    public static IReadOnlySet<ChildId> Choose(IEnumerable<CouldWork> children, SchoolYear year, DateOnly today) =>
        children
            .OrderByDescending(child => child.HasSlot)
            .ThenByDescending(child => child.Since is { } since && year.WeeksAfter(since, DroppedAfterWeeks) > today)
            .ThenBy(child => child.Waiting)
            .ThenBy(child => child.Child)
            .Take(Most)
            .Select(child => child.Child)
            .ToHashSet();
}
