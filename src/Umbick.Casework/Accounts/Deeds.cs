using Umbick.Store;

namespace Umbick.Casework.Accounts;

/// <summary>Who did what at a school.</summary>
public static class Deeds
{
    /// <summary>The latest deeds before one, of these people, kinds, children and days; null is all.</summary>
    /// <returns>The deeds, the latest first, and whether there may be earlier ones.</returns>
    public static async Task<(IReadOnlyList<AuditEntry> Latest, bool HasEarlier)> Load(
        SchoolConnection connection, PersonId? person, string? what, ChildId? child, DateOnly? until, long? before)
    {
        var latest = await Audit.Latest(connection, person, what, child, until, before);
        return (latest, latest.Count == Audit.PageLength);
    }

    /// <summary>Keeps that somebody opened a child's record, once an hour however often they turn to it.</summary>
    public static Task NoteOpened(SchoolConnection connection, PersonId person, ChildId child, DateTime now) =>
        Audit.NoteOpened(connection, person, child, now);
}
