using Umbick.Core.Diagnosis;
using System.Globalization;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>How long children's records are kept, and what takes one out or erases it.</summary>
public static class RecordKeeping
{
    /// <summary>The longest that a reminder comes before the day until which a record is kept, in months.</summary>
    private const int MonthsAhead = 1;

    /// <summary>
    /// Records that are past the day until which they are kept, and those that come to it within a month; the earliest first.
    /// </summary>
    public static async Task<IReadOnlyList<ListedChild>> ComingToTheirEnd(SchoolConnection connection, DateOnly today)
    {
        var soon = today.AddMonths(MonthsAhead);
        return [.. (await Children.Aliases(connection)).Where(child => child.KeepUntil <= soon).OrderBy(child => child.KeepUntil)];
    }

    /// <summary>How many records are past the day until which they are kept.</summary>
    public static Task<int> CountPast(SchoolConnection connection, DateOnly today) => Children.CountKeptUntilBefore(connection, today);

    /// <summary>Settles until when a record is kept; null is not settled.</summary>
    /// <returns>Whether there is such a child.</returns>
    public static async Task<bool> KeepUntil(SchoolConnection connection, ChildId id, DateOnly? day, PersonId by, DateTime now)
    {
        if (await Children.KeepUntil(connection, id, day) == 0) return false;
        await Audit.Note(
            connection, by, AuditKinds.KeepUntil, now, id,
            detail: day is { } settled ? settled.ToString("d MMMM yyyy", CultureInfo.InvariantCulture) : "not settled");
        return true;
    }

    /// <summary>A child's alias, and nothing else of the record; null where there is no such child.</summary>
    public static Task<string?> AliasOf(SchoolConnection connection, ChildId id) => Children.AliasOf(connection, id);

    /// <summary>Erases a child's record whole, and what this process remembers of children.</summary>
    /// <returns>Whether it was erased: not where this is not the child's alias.</returns>
    public static async Task<bool> Erase(
        SchoolConnection connection, ReadingModel model, ChildId id, string alias, PersonId by, DateTime now)
    {
        if (!await Children.Erase(connection, id, alias)) return false;
        Replay.Forget(model);
        await Audit.Note(connection, by, AuditKinds.Erased, now);
        return true;
    }

    /// <summary>Keeps that something of the school's was written to a file.</summary>
    public static Task NoteExported(SchoolConnection connection, string what, PersonId by, DateTime now) =>
        Audit.Note(connection, by, AuditKinds.Exported, now, detail: what);

    /// <summary>Keeps that a child's record was taken out.</summary>
    public static Task NoteTakenOut(SchoolConnection connection, ChildId id, PersonId by, DateTime now) =>
        Audit.Note(connection, by, AuditKinds.TookOut, now, id);
}
