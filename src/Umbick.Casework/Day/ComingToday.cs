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

    /// <summary>Notes that a whole class is away on a day, as on a trip, or is there after all.</summary>
    /// <returns>Whether anybody on the caseload is of that class.</returns>
    public static async Task<bool> NoteClassAway(
        SchoolConnection connection, string className, DateOnly day, bool away, PersonId by, DateTime now)
    {
        var children = (await Children.All(connection)).Where(child => child.ClassName == className).Select(child => child.Id).ToList();
        var noted = (await Timetables.Load(connection, day, day)).Absences.ToLookup(absence => absence.Child);
        // Who is ill stays noted as that.
        foreach (var child in children.Where(child => away ? !noted[child].Any() : noted[child].Any(absence => !absence.IsAbsent)))
            await Timetables.NoteAbsence(connection, child, day, away ? false : null, by, now);
        return children.Count > 0;
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
