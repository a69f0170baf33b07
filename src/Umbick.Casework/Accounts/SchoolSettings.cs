using Umbick.Store;

namespace Umbick.Casework.Accounts;

/// <summary>How a school teaches clocks, and where it lies.</summary>
public static class SchoolSettings
{
    /// <summary>The names of the time zones to choose from.</summary>
    public static Task<IReadOnlyList<string>> TimeZones(SchoolConnection connection) => Schools.TimeZones(connection);

    /// <summary>Keeps what was chosen.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="settings">What was chosen, by setting.</param>
    /// <param name="zone">The name of a time zone; empty to stay in the one that it has.</param>
    /// <param name="by">Whoever chose.</param>
    /// <param name="now">When.</param>
    /// <returns>Whether it was kept: not where there is no such zone.</returns>
    public static async Task<bool> Choose(
        SchoolConnection connection, IReadOnlyDictionary<string, string> settings, string? zone, PersonId by, DateTime now)
    {
        if (!string.IsNullOrEmpty(zone)
            && (!(await Schools.TimeZones(connection)).Contains(zone) || await Schools.MoveTo(connection, zone) == 0)) return false;
        await Schools.Choose(connection, settings);
        await Audit.Note(connection, by, AuditKinds.SettingsChanged, now);
        return true;
    }

    /// <summary>Keeps one choice, made in passing.</summary>
    public static Task Choose(SchoolConnection connection, string setting, string choice) => Schools.Choose(connection, setting, choice);

    /// <summary>The day that it is at the school.</summary>
    public static Task<DateOnly> Today(SchoolConnection connection, DateTime now) => Schools.Today(connection, now);
}
