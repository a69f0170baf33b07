using System.Diagnostics;
using System.Globalization;
using Dapper;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary><c>backup</c>, <c>restore</c> and <c>check-backup</c>. They see every row of every school, so the site's role can do none of them.</summary>
internal static class Backup
{
    private const string Tables = "select relname::text from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' order by relname";

    /// <summary>Makes a backup while the site goes on: the state of one moment.</summary>
    /// <param name="path">The file; a folder gets a file named by the moment.</param>
    /// <param name="keep">In a folder, how many are kept, the latest; null keeps all.</param>
    public static Task<int> Make(string path, int? keep) => VerbException.Told(async () =>
    {
        if (keep is < 1) throw new VerbException("--keep takes a number from 1.");
        var now = DateTime.UtcNow;
        var folder = Directory.Exists(path) ? path : null;
        if (folder is null && path.EndsWith('/')) throw new VerbException($"There is no folder “{path}”. If it is another machine's, look whether it is mounted.");
        var file = Path.GetFullPath(folder is null ? path : Path.Combine(path, string.Create(CultureInfo.InvariantCulture, $"umbick-{now:yyyy-MM-dd'T'HHmmss}.backup")));
        if (!Directory.Exists(Path.GetDirectoryName(file))) throw new VerbException($"There is no folder “{Path.GetDirectoryName(file)}”.");
        using var scratch = new Scratch();
        var manifest = await Dump(scratch.File, now);
        await BackupFile.Write(file, manifest, scratch.File);
        var bytes = new FileInfo(file).Length;
        Console.WriteLine($"{file}: {bytes:N0} bytes, {manifest.Rows.Values.Sum():N0} rows of {manifest.Rows.Count} tables, as of {now:yyyy-MM-dd HH:mm:ss} UTC.");
        var removed = folder is not null && keep is { } most ? RemoveOld(folder, most) : [];
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        await using var connection = await source.OpenConnectionAsync();
        // A database that is about to be upgraded may be older than the table.
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('backup_made') is not null")) return;
        await connection.ExecuteAsync("insert into backup_made (made_at, file_name, bytes) values (@now, @name, @bytes)", new { now, name = Path.GetFileName(file), bytes });
        // What is told of as holding an erased record is what is still there.
        await connection.ExecuteAsync("delete from backup_made where file_name = any(@removed)", new { removed });
    });

    /// <summary>Puts a backup in the place of the database.</summary>
    /// <param name="path">The file.</param>
    /// <param name="replace">Whether a database that holds a school may be replaced.</param>
    /// <param name="asItWas">Whether it is left at the migration that it was made at.</param>
    public static Task<int> Restore(string path, bool replace, bool asItWas) => VerbException.Told(async () =>
    {
        using var scratch = new Scratch();
        var manifest = await BackupFile.Read(path, scratch.File);
        if (await Present() is { Count: > 0 } there)
        {
            if (!replace) throw new VerbException($"The database holds {string.Join(", ", there)}. --replace puts the backup in its place; what came since {manifest.MadeAt:yyyy-MM-dd HH:mm} UTC is gone then.");
            await TellErased(manifest.MadeAt);
        }
        await Load(scratch.File, Connections.Backup, manifest.Demonstration);
        await Compare(manifest, Connections.Backup);
        Console.WriteLine($"Restored {manifest.Rows.Values.Sum():N0} rows of {manifest.Rows.Count} tables, as of {manifest.MadeAt:yyyy-MM-dd HH:mm:ss} UTC: {string.Join(", ", manifest.Schools)}.");
        if (asItWas) return;
        Migrator.Migrate(Connections.Owner);
        Console.WriteLine("Whoever was signed in signs in again where the keys are others than they were.");
    });

    /// <summary>Restores a backup into a database that is thrown away, and compares.</summary>
    public static Task<int> Check(string path) => VerbException.Told(async () =>
    {
        using var scratch = new Scratch();
        var manifest = await BackupFile.Read(path, scratch.File);
        var to = new NpgsqlConnectionStringBuilder(Connections.Backup) { Database = $"umbick_check_{Guid.NewGuid():N}"[..30], Pooling = false };
        try
        {
            await Load(scratch.File, to.ConnectionString, manifest.Demonstration);
            await Compare(manifest, to.ConnectionString);
        }
        finally
        {
            await Admin($"drop database if exists {to.Database} with (force)");
        }
        Console.WriteLine($"{path} is whole: {manifest.Rows.Values.Sum():N0} rows of {manifest.Rows.Count} tables were restored and counted, as of {manifest.MadeAt:yyyy-MM-dd HH:mm:ss} UTC: {string.Join(", ", manifest.Schools)}.");
    });

    /// <summary>Keeps the latest backups of a folder.</summary>
    /// <returns>The names of those that were removed.</returns>
    private static string[] RemoveOld(string folder, int most)
    {
        var old = Directory.EnumerateFiles(folder, "umbick-*.backup").Order(StringComparer.Ordinal).SkipLast(most).ToList();
        foreach (var file in old)
        {
            File.Delete(file);
            Console.WriteLine($"Removed {file}: the latest {most} are kept.");
        }
        return [.. old.Select(file => Path.GetFileName(file))];
    }

    private static async Task<BackupManifest> Dump(string to, DateTime now)
    {
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        await using var connection = await source.OpenConnectionAsync();
        if (!await connection.ExecuteScalarAsync<bool>("select rolsuper or rolbypassrls from pg_roles where rolname = current_user"))
            throw new VerbException("The backup's connection does not see every row: row-level security holds for it. It needs a role with BYPASSRLS.");
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('schemaversions') is not null")) throw new VerbException("There is nothing to back up: the database is empty.");
        // The dump and what is counted are of the same moment.
        await using var transaction = await connection.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead);
        var snapshot = await connection.QuerySingleAsync<string>("select pg_export_snapshot()");
        var rows = await CountRows(connection);
        var migration = await connection.ExecuteScalarAsync<string>("select max(scriptname) from schemaversions") ?? "";
        var schools = (await connection.QueryAsync<string>("select name from school order by name")).ToList();
        var demonstration = await connection.ExecuteScalarAsync<bool>("select coalesce(shobj_description(oid, 'pg_database'), '') = @mark from pg_database where datname = current_database()", new { mark = Database.DemoMark });
        await Run("pg_dump", Connections.Backup, "--format=custom", $"--snapshot={snapshot}", $"--file={to}");
        return new BackupManifest(BackupFile.Format, now, migration, schools, demonstration, rows, await BackupFile.Hash(to));
    }

    private static async Task Load(string dump, string to, bool demonstration)
    {
        var name = new NpgsqlConnectionStringBuilder(to).Database!;
        await Admin($"drop database if exists {name} with (force)", $"create database {name} owner umbick_owner", $"revoke all on database {name} from public", $"grant connect on database {name} to umbick_app");
        await Run("pg_restore", to, "--exit-on-error", "--single-transaction", $"--dbname={name}", dump);
        // The mark is the database's and in no dump: without it a school's site would start on passwords that everybody knows.
        if (demonstration) await Admin($"comment on database {name} is '{Database.DemoMark}'");
    }

    private static async Task Compare(BackupManifest manifest, string with)
    {
        await using var source = NpgsqlDataSource.Create(with);
        await using var connection = await source.OpenConnectionAsync();
        var rows = await CountRows(connection);
        var other = manifest.Rows.Where(table => rows.GetValueOrDefault(table.Key, -1) != table.Value).Select(table => table.Key).ToList();
        if (other.Count > 0) throw new VerbException($"What was restored is not what was backed up: {string.Join(", ", other)}.");
    }

    private static async Task<SortedDictionary<string, long>> CountRows(NpgsqlConnection connection)
    {
        var rows = new SortedDictionary<string, long>(StringComparer.Ordinal);
        foreach (var table in (await connection.QueryAsync<string>(Tables)).ToList()) rows[table] = await connection.ExecuteScalarAsync<long>($"select count(*) from \"{table}\"");
        return rows;
    }

    /// <summary>The schools of the database as it is; none where there is no database yet.</summary>
    private static async Task<List<string>> Present()
    {
        try
        {
            await using var source = NpgsqlDataSource.Create(Connections.Backup);
            await using var connection = await source.OpenConnectionAsync();
            return [.. await connection.QueryAsync<string>("select name from school order by name")];
        }
        catch (PostgresException none) when (none.SqlState is PostgresErrorCodes.UndefinedTable or PostgresErrorCodes.InvalidCatalogName)
        {
            return [];
        }
    }

    /// <summary>A record that was erased since comes back with an older backup: whoever restores has to know.</summary>
    private static async Task TellErased(DateTime since)
    {
        await using var source = NpgsqlDataSource.Create(Connections.Backup);
        await using var connection = await source.OpenConnectionAsync();
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('audit_entry') is not null")) return;
        var erased = (await connection.QueryAsync<(string School, DateTime At)>(
            "select name, at from audit_entry join school on school.id = audit_entry.school where what = @what and at > @since order by at", new { what = AuditKinds.Erased, since })).ToList();
        foreach (var (school, at) in erased) Console.WriteLine($"{school} erased a record on {at:yyyy-MM-dd HH:mm} UTC, after this backup: it comes back with it, and has to be erased again.");
    }

    /// <summary>Runs statements that concern databases, from another one.</summary>
    private static async Task Admin(params string[] statements)
    {
        await using var source = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(Connections.Backup) { Database = "postgres", Pooling = false });
        await using var connection = await source.OpenConnectionAsync();
        foreach (var statement in statements) await connection.ExecuteAsync(statement);
    }

    /// <summary>Runs one of PostgreSQL's programs; the password goes by the environment, and nothing of what it reads is shown.</summary>
    private static async Task Run(string program, string connection, params string[] options)
    {
        var to = new NpgsqlConnectionStringBuilder(connection);
        var start = new ProcessStartInfo(Path.Combine(Environment.GetEnvironmentVariable("UMBICK_PG_BIN") ?? "", program), options) { RedirectStandardError = true };
        (start.Environment["PGHOST"], start.Environment["PGPORT"], start.Environment["PGDATABASE"]) = (to.Host, to.Port.ToString(CultureInfo.InvariantCulture), to.Database);
        (start.Environment["PGUSER"], start.Environment["PGPASSWORD"]) = (to.Username, to.Password);
        using var process = Process.Start(start) ?? throw new VerbException($"{program} cannot be started.");
        var said = await process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        if (process.ExitCode != 0) throw new VerbException($"{program} failed: {said.Split('\n', StringSplitOptions.RemoveEmptyEntries).FirstOrDefault()}");
    }

    /// <summary>A file for nobody else's eyes, gone afterwards.</summary>
    private sealed class Scratch : IDisposable
    {
        private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-");

        public string File => Path.Combine(_folder.FullName, "dump");

        public void Dispose() => _folder.Delete(recursive: true);
    }
}
