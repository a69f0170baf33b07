using Dapper;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary><c>backup</c> and <c>check-backup</c>. They see every row of every school, so the site's role can do neither.</summary>
internal static class Backup
{
    /// <summary>Makes a backup while the site goes on: the state of one moment.</summary>
    /// <param name="path">The file; a folder gets a file named by the moment.</param>
    /// <param name="keep">In a folder, how many are kept, the latest; null keeps all.</param>
    /// <param name="newFolder">Whether a folder may be begun.</param>
    /// <param name="recipient">A public key of <c>age</c>, or a file of them, to which it is encrypted; null leaves it plain.</param>
    public static Task<int> Make(string path, int? keep, bool newFolder, string? recipient) => VerbException.Report(async () =>
    {
        if (keep is < 1) throw new VerbException("--keep takes a number from 1.");
        var now = DateTime.UtcNow;
        var folder = BackupFolder.At(path, newFolder);
        var file = Path.GetFullPath(folder?.FileOf(now) ?? path);
        if (!Directory.Exists(Path.GetDirectoryName(file))) throw new VerbException($"There is no folder “{Path.GetDirectoryName(file)}”.");
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        await using var connection = await source.OpenConnectionAsync();
        using var scratch = new Scratch();
        var manifest = await Dump(connection, scratch.File, now, recipient);
        await BackupFile.Write(file, manifest, scratch.File);
        var bytes = new FileInfo(file).Length;
        Console.WriteLine($"{file}: {bytes:N0} bytes{(manifest.Encrypted ? ", encrypted" : "")}, {manifest.Rows.Values.Sum():N0} rows of "
            + $"{manifest.Rows.Count} tables, as of {now:yyyy-MM-dd HH:mm:ss} UTC.");
        var erased = await Erasures.In(connection);
        await Erasures.Write(Path.GetDirectoryName(file)!, erased);
        await Replaced.Sweep(connection, erased, now);
        var removed = folder is not null && keep is { } most ? folder.RemoveOld(most) : [];
        // A database that is about to be upgraded may be older than the table.
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('backup_made') is not null")) return;
        await connection.ExecuteAsync("insert into backup_made (made_at, file_name, bytes) values (@now, @name, @bytes)",
            new { now, name = Path.GetFileName(file), bytes });
        // What is told of as holding an erased record is what is still there.
        await connection.ExecuteAsync("delete from backup_made where file_name = any(@removed)", new { removed });
    });

    /// <summary>
    /// Restores a backup into a database that is thrown away, and compares. Of one that is encrypted only the hash can be compared without
    /// the private key, and that is said.
    /// </summary>
    /// <param name="path">The file, or a folder, whose latest it is.</param>
    /// <param name="identity">The file with the private key, where it is encrypted.</param>
    public static Task<int> Check(string path, string? identity) => VerbException.Report(async () =>
    {
        var file = BackupFolder.FileAt(path);
        using var scratch = new Scratch();
        var manifest = await BackupFile.Read(file, scratch.File);
        if (manifest.Encrypted && identity is null)
        {
            Console.WriteLine($"{file} is encrypted, and is what was written: its hash was compared, and that alone. That it can be put back "
                + $"is proved by --identity FILE, with the private key.");
            return;
        }
        var beside = Databases.Beside($"check_{Guid.NewGuid():N}"[..14]);
        try
        {
            Databases.NeedRoomFor(manifest, scratch.File);
            await Databases.Load(beside, scratch.File, manifest, identity);
        }
        finally
        {
            await Databases.Drop(beside);
        }
        await NoteChecked(Path.GetFileName(file));
        Console.WriteLine($"{file} is whole: {manifest.Rows.Values.Sum():N0} rows of {manifest.Rows.Count} tables were restored and "
            + $"counted, as of {manifest.MadeAt:yyyy-MM-dd HH:mm:ss} UTC: {manifest.Whose}.");
    });

    /// <summary>Keeps that a backup was checked, where the database that made it is there.</summary>
    private static async Task NoteChecked(string name)
    {
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        try
        {
            await using var connection = await source.OpenConnectionAsync();
            if (await connection.ExecuteScalarAsync<bool>(
                "select exists (select from information_schema.columns where table_name = 'backup_made' and column_name = 'checked_at')"))
                await connection.ExecuteAsync("update backup_made set checked_at = now() where file_name = @name", new { name });
        }
        catch (PostgresException none) when (none.SqlState == PostgresErrorCodes.InvalidCatalogName)
        {
            // A backup can be checked on a machine without the school.
        }
    }

    private static async Task<BackupManifest> Dump(NpgsqlConnection connection, string to, DateTime now, string? recipient)
    {
        if (!await connection.ExecuteScalarAsync<bool>("select rolsuper or rolbypassrls from pg_roles where rolname = current_user"))
            throw new VerbException(
                "The backup's connection does not see every row: row-level security holds for it. It needs a role with BYPASSRLS.");
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('schemaversions') is not null"))
            throw new VerbException("There is nothing to back up: the database is empty.");
        // The dump and what is counted are of the same moment.
        await using var transaction = await connection.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead);
        var snapshot = await connection.QuerySingleAsync<string>("select pg_export_snapshot()");
        var rows = await Databases.CountRows(connection);
        var migration = await connection.ExecuteScalarAsync<string>("select max(scriptname) from schemaversions") ?? "";
        var schools = (await connection.QueryAsync<string>("select name from school order by name")).ToList();
        var bytes = await connection.ExecuteScalarAsync<long>("select pg_database_size(current_database())");
        var demonstration = await connection.ExecuteScalarAsync<bool>(
            "select coalesce(shobj_description(oid, 'pg_database'), '') = @mark from pg_database where datname = current_database()",
            new { mark = Database.DemoMark });
        string[] options = ["--format=custom", "--no-unlogged-table-data", $"--snapshot={snapshot}"];
        if (recipient is null) await PostgresProgram.Run("pg_dump", Connections.Backup, [.. options, $"--file={to}"]);
        else await Encryption.Encrypted("pg_dump", Connections.Backup, recipient, to, options);
        return new BackupManifest(BackupFile.Format, now, migration, schools, demonstration, rows, await BackupFile.Hash(to))
        { DatabaseBytes = bytes, Encrypted = recipient is not null };
    }
}
