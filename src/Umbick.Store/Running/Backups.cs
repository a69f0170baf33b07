namespace Umbick.Store;

/// <summary>When backups were made, and how much there is.</summary>
public static class Backups
{
    /// <summary>The latest ones, the latest first.</summary>
    public static async Task<IReadOnlyList<BackupMade>> Latest(SchoolConnection connection, int count) =>
        [.. await connection.QueryAsync<BackupMade>("select made_at, file_name, bytes from backup_made order by made_at desc limit @count",
            new { count })];

    /// <summary>
    /// The clock of the database, when anything was last noted as done at the school, when a backup was last checked, and how large the
    /// database is, in bytes.
    /// </summary>
    public static Task<(DateTime DatabaseNow, DateTime? LatestDeed, DateTime? LastChecked, long DatabaseBytes)> State(
        SchoolConnection connection) =>
        connection.QuerySingleAsync<(DateTime, DateTime?, DateTime?, long)>(
            "select clock_timestamp(), (select max(at) from audit_entry), (select max(checked_at) from backup_made), "
                + "pg_database_size(current_database())");

    /// <summary>Whether a commit is told as kept with no other host having it.</summary>
    public static Task<bool> WaitsForNoCopy(SchoolConnection connection) => connection.ExecuteScalarAsync<bool>($"select {NoCopy}");

    /// <summary>Whether no other host is waited for, as a condition.</summary>
    public const string NoCopy = "current_setting('synchronous_standby_names') = ''";
}
