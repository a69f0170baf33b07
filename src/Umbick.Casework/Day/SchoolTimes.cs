using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>The times of a school's own day: in questions, on cards and at the classroom door.</summary>
public static class SchoolTimes
{
    /// <summary>The school's day, in order; the usual one where it has named none.</summary>
    public static Task<IReadOnlyList<SchoolMoment>> Load(SchoolConnection connection) => SchoolDays.Load(connection);

    /// <summary>Keeps it.</summary>
    /// <returns>Why it cannot be kept, in a sentence; null where it was.</returns>
    public static async Task<string?> Keep(SchoolConnection connection, IReadOnlyList<SchoolMoment> day, PersonId by, DateTime now)
    {
        if (SchoolMoment.WhyNot(day) is { } why) return why;
        await SchoolDays.Keep(connection, day);
        await Audit.Note(connection, by, AuditKinds.SettingsChanged, now);
        return null;
    }
}
