using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Who comes on a day, and who cannot.</summary>
public static class ComingToday
{
    /// <summary>Notes that a child cannot come on a day.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="child">The child.</param>
    /// <param name="day">The day.</param>
    /// <param name="absent">Whether the child is not there; else the class does not let them go; null takes it back.</param>
    /// <param name="by">Whoever notes it.</param>
    /// <param name="now">When.</param>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> NoteAbsence(
        SchoolConnection connection, ChildId child, DateOnly day, bool? absent, PersonId by, DateTime now)
    {
        if (await Children.Find(connection, child) is null) return false;
        await Timetables.NoteAbsence(connection, child, day, absent, by, now);
        return true;
    }

    /// <summary>Notes that a child comes in another's place, or takes that back.</summary>
    /// <returns>Whether there are such a child and such a slot on that day.</returns>
    public static async Task<bool> NoteStandIn(
        SchoolConnection connection, SlotId slot, ChildId child, DateOnly day, bool comes, PersonId by, DateTime now)
    {
        if (await Children.Find(connection, child) is null
            || (await Timetables.Load(connection, day, day)).Slots.All(known => known.Id != slot)) return false;
        await Timetables.NoteStandIn(connection, new StandIn(slot, day, child), comes, by, now);
        return true;
    }
}
