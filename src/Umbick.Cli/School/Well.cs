using Dapper;
using Npgsql;
using Umbick.Casework.Running;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary><c>well</c>: whether all is well, of all schools of the database.</summary>
internal static class Well
{
    /// <summary>Tells it; the exit code is 1 where something is to be seen to.</summary>
    public static async Task<int> Run()
    {
        var isWell = true;
        var told = await VerbException.Report(async () =>
        {
            var found = await Look();
            foreach (var worry in found.Worries) Console.WriteLine(worry);
            isWell = !found.Worries.Any();
            if (Environment.GetEnvironmentVariable("UMBICK_SITE") == "no") Console.WriteLine("The site does not run.");
            Console.WriteLine($"Database {Wellness.Size(found.DatabaseBytes)}; disk "
                + $"{(found.DiskFree is { } free ? $"{Wellness.Size(free)} free" : "of another machine")}; last backup "
                + $"{Moment(found.Backups is [var made, ..] ? made.MadeAt : null)}, last checked {Moment(found.LastChecked)}; certificate "
                + $"{(found.CertificateEnds is { } ends ? $"until {ends:yyyy-MM-dd}" : "none of its own")}.");
            if (isWell) Console.WriteLine("All is well.");
        });
        return told != 0 ? told : isWell ? 0 : 1;
    }

    private static async Task<Wellness> Look()
    {
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        await using var connection = await source.OpenConnectionAsync();
        if (Migrator.Pending(Connections.Owner).Count > 0)
            throw new VerbException("The database is older than this version: ./umbick upgrade.");
        var (ends, broken) = Wellness.Certificate(Environment.GetEnvironmentVariable("UMBICK_CERTIFICATE"));
        var (running, installed) =
            (Environment.GetEnvironmentVariable("UMBICK_RUNNING"), Environment.GetEnvironmentVariable("UMBICK_INSTALLED"));
        var (databaseNow, latest, lastChecked, bytes) = await connection.QuerySingleAsync<(DateTime, DateTime?, DateTime?, long)>(
            "select clock_timestamp(), (select max(at) from audit_entry), (select max(checked_at) from backup_made), "
                + "pg_database_size(current_database())");
        return new Wellness
        {
            Now = DateTime.UtcNow,
            DatabaseNow = databaseNow,
            LatestDeed = latest,
            Backups = [.. (await connection.QueryAsync<(DateTime MadeAt, string FileName, long Bytes)>(
                "select made_at, file_name, bytes from backup_made order by made_at desc limit 5"))
                    .Select(made => new BackupMade(made.MadeAt, made.FileName, made.Bytes))],
            LastChecked = lastChecked,
            DatabaseBytes = bytes,
            HasNoCopy = DatabaseHosts.AreSeveral(Environment.GetEnvironmentVariable("UMBICK_BACKUP")!)
                && await connection.ExecuteScalarAsync<bool>($"select {Backups.NoCopy}"),
            DiskFree = Environment.GetEnvironmentVariable("UMBICK_DATA") is { Length: > 0 } data ? Wellness.Disk(data)?.Free : null,
            CertificateEnds = ends,
            CertificateIsBroken = broken,
            RunsEarlierVersion = Environment.GetEnvironmentVariable("UMBICK_SITE") == "yes" && running is { Length: > 0 }
                && installed is { Length: > 0 } && running != installed,
            StoppedSteps = [.. (await connection.QueryAsync<(PersonId, string Name, DateTime)>(DoorTries.Stopped))
                .Select(stopped => stopped.Name).Distinct()],
        };
    }

    private static string Moment(DateTime? moment) => moment is { } at ? $"{at:yyyy-MM-dd HH:mm} UTC" : "never";
}
