using Umbick.Core.Diagnosis;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A child's record, whole.</summary>
/// <param name="Record">The answers, and what follows from them.</param>
/// <param name="Child">The child as a list of all has them.</param>
/// <param name="Events">What was done beside asking, the earliest first.</param>
/// <param name="RoomClock">What the child read off the room's own clock.</param>
/// <param name="People">The names of everybody at the school, by id.</param>
/// <param name="Deeds">Who did what with the record, the latest first.</param>
/// <param name="Backups">Backups that hold the record, as far as is known here.</param>
public sealed record WholeRecord(
    ChildRecord Record,
    ListedChild Child,
    IReadOnlyList<RecordEvent> Events,
    IReadOnlyList<(DateOnly Day, string ClockTime, string Raw)> RoomClock,
    IReadOnlyDictionary<PersonId, string> People,
    IReadOnlyList<AuditEntry> Deeds,
    IReadOnlyList<BackupMade> Backups)
{
    private const int MostBackups = 100;

    /// <summary>The most deeds that are shown.</summary>
    public const int MostDeeds = Audit.PageLength;

    /// <summary>Loads it; null where the school has no such child.</summary>
    public static async Task<WholeRecord?> Load(SchoolConnection connection, ReadingModel model, ChildId id)
    {
        if (await ChildRecord.Load(connection, model, id) is not { } record) return null;
        return new WholeRecord(
            record,
            (await Children.Listed(connection, id))!,
            RecordEvent.From((await RecordRows.Load(connection, id))!, record.Child.Preferences.Wording),
            await Store.Visits.RoomClockOf(connection, id),
            await Store.People.Names(connection),
            await Audit.Latest(connection, null, null, id, null, null),
            await Store.Backups.Latest(connection, MostBackups));
    }
}
