using Dapper;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary>
/// <c>restore</c>: puts a backup in the place of the database. It is loaded beside it, counted, brought up to date; then both change their
/// names at once. Whenever it ends, by whatever, there is one whole database: the one before, or the one of the backup.
/// </summary>
internal static class Restore
{
    /// <summary>Puts a backup in the place of the database.</summary>
    /// <param name="path">The file, or a folder, whose latest it is.</param>
    /// <param name="replace">Whether a database that holds a school may be replaced.</param>
    /// <param name="asItWas">Whether it is left at the migration that it was made at.</param>
    /// <param name="mend">Whether rows that break a rule of this version are corrected.</param>
    /// <param name="identity">The file with the private key, where it is encrypted.</param>
    public static Task<int> Run(string path, bool replace, bool asItWas, bool mend, string? identity) => VerbException.Report(async () =>
    {
        var file = BackupFolder.FileAt(path);
        using var scratch = new Scratch();
        var manifest = await BackupFile.Read(file, scratch.File);
        if (!Migrator.Knows(manifest.Migration))
            throw new VerbException(
                $"{file} was made by a later version of Umbick than this one. Fetch that version first; nothing was changed.");
        await using var home = await Databases.Home();
        if (!await TakeTurn(home)) throw new VerbException("Another restore is under way.");
        await Reopen(home);
        var present = await Present();
        if (present.Count > 0 && !replace)
            throw new VerbException(
                $"The database holds {string.Join(", ", present)}. --replace puts the backup in its place; what came since "
                    + $"{manifest.MadeAt:yyyy-MM-dd HH:mm} UTC is gone then.");
        var erased = (await Known(manifest.MadeAt, present.Count > 0))
            .Concat(await Erasures.In(Path.GetDirectoryName(Path.GetFullPath(file))!))
            .DistinctBy(erasure => (erasure.School, erasure.ChildHash)).ToList();
        await CloseDoor(home);
        string? before;
        try
        {
            await Beside(scratch.File, manifest, identity, erased, asItWas, mend);
            before = await Switch(home, DateTime.UtcNow);
        }
        catch
        {
            await Databases.Drop(Loading);
            await OpenDoor(home);
            throw;
        }
        if (before is not null) await PutAside(before, present.Count > 0, erased);
        Console.WriteLine($"Restored {manifest.Rows.Values.Sum():N0} rows of {manifest.Rows.Count} tables, as of "
            + $"{manifest.MadeAt:yyyy-MM-dd HH:mm:ss} UTC: {manifest.Whose}.");
        if (!asItWas) Console.WriteLine("Whoever was signed in signs in again where the keys are others than they were.");
    });

    /// <summary><c>recover</c>: what a restore that was killed has left is cleared away, and the door is open again.</summary>
    public static Task<int> Recover() => VerbException.Report(async () =>
    {
        if (Environment.GetEnvironmentVariable("UMBICK_BACKUP") is not { Length: > 0 }) return;
        await using var home = await Databases.Home();
        if (!await TakeTurn(home)) throw new VerbException("A restore is under way. Wait until it has ended.");
        await Reopen(home);
    });

    private static string Loading => Databases.Beside("loading");

    /// <summary>One restore at a time; a process that is killed gives its turn back.</summary>
    private static Task<bool> TakeTurn(NpgsqlConnection home) =>
        home.ExecuteScalarAsync<bool>("select pg_try_advisory_lock(hashtextextended('umbick.restore.' || @own, 0))",
            new { own = Databases.Own });

    private static async Task Reopen(NpgsqlConnection home)
    {
        // The server goes on making a database for a process that was killed, until it is told to end.
        await home.ExecuteAsync(
            "select pg_terminate_backend(pid, 10000) from pg_stat_activity where pid <> pg_backend_pid() and state = 'active' "
                + "and starts_with(query, @making)", new { making = $"create database {Loading}" });
        await home.ExecuteAsync($"drop database if exists {Loading} with (force)");
        await OpenDoor(home);
    }

    /// <summary>Lets nobody in, then asks whether a site is in already.</summary>
    /// <exception cref="VerbException">One is: the door is open again.</exception>
    private static async Task CloseDoor(NpgsqlConnection home)
    {
        if (!await Exists(home)) return;
        await home.ExecuteAsync($"alter database {Databases.Own} allow_connections false");
        if (!await home.ExecuteScalarAsync<bool>(
            """
            select exists (select from pg_locks join pg_database on pg_database.oid = pg_locks.database
              where datname = @own and locktype = 'advisory' and (classid::bigint << 32 | objid::bigint) = @site)
            """,
            new { own = Databases.Own, site = SiteLock.Key })) return;
        await OpenDoor(home);
        throw new VerbException(
            "A site runs on this database. Stop it first: what is answered while a backup is put in its place would be lost.");
    }

    private static async Task OpenDoor(NpgsqlConnection home)
    {
        var isClosed = await home.ExecuteScalarAsync<bool>(
            "select exists (select from pg_database where datname = @own and not datallowconn)", new { own = Databases.Own });
        if (isClosed) await home.ExecuteAsync($"alter database {Databases.Own} allow_connections true");
    }

    private static Task<bool> Exists(NpgsqlConnection home) =>
        home.ExecuteScalarAsync<bool>("select exists (select from pg_database where datname = @own)", new { own = Databases.Own });

    /// <summary>
    /// Makes the database of the backup, beside the one that is there, with all that it has to be when it takes its place.
    /// </summary>
    private static async Task Beside(string dump, BackupManifest manifest, string? identity, List<Erasure> erased, bool asItWas, bool mend)
    {
        Databases.NeedRoomFor(manifest, dump);
        Console.WriteLine("Loading it beside the database.");
        await Databases.Load(Loading, dump, manifest, identity);
        if (!asItWas)
        {
            Console.WriteLine("Bringing it up to date.");
            Migrator.Migrate(Connections.OwnerOf(Loading), mend);
        }
        await using var connection = new NpgsqlConnection(Databases.To(Loading));
        await connection.OpenAsync();
        foreach (var erasure in await Erasures.In(connection))
            if (!erased.Exists(known => (known.School, known.ChildHash) == (erasure.School, erasure.ChildHash))) erased.Add(erasure);
        foreach (var (school, count) in await Erasures.Apply(connection, erased))
            Console.WriteLine($"Erased again: {count} {(count == 1 ? "record" : "records")} that {school} had erased after this backup.");
    }

    /// <summary>Both change their names in one transaction.</summary>
    /// <returns>What the database is called now that was there; null where none was.</returns>
    private static async Task<string?> Switch(NpgsqlConnection home, DateTime now)
    {
        Console.WriteLine("Putting it in its place.");
        var (own, before, exists) = (Databases.Own, Replaced.NameAt(now), await Exists(home));
        NpgsqlConnection.ClearAllPools();
        await home.ExecuteAsync("select pg_terminate_backend(pid, 5000) from pg_stat_activity where datname = any(@both)",
            new { both = new[] { own, Loading } });
        await using (var transaction = await home.BeginTransactionAsync())
        {
            if (exists) await home.ExecuteAsync($"alter database {own} rename to {before}");
            await home.ExecuteAsync($"alter database {Loading} rename to {own}");
            await transaction.CommitAsync();
        }
        return exists ? before : null;
    }

    /// <summary>What was there stays beside, closed; where it held no school, it goes.</summary>
    private static async Task PutAside(string before, bool heldSchools, List<Erasure> erased)
    {
        if (!heldSchools)
        {
            await Databases.Drop(before);
            return;
        }
        await Replaced.Erase(before, erased);
        Console.WriteLine($"What was there before stays closed for seven days, as the database {before}. ./umbick drop-replaced drops it.");
    }

    /// <summary>The schools of the database as it is; none where there is no database yet.</summary>
    private static async Task<List<string>> Present()
    {
        try
        {
            await using var connection = new NpgsqlConnection(Databases.To(Databases.Own));
            await connection.OpenAsync();
            return [.. await connection.QueryAsync<string>("select name from school order by name")];
        }
        catch (PostgresException none) when (none.SqlState is PostgresErrorCodes.UndefinedTable or PostgresErrorCodes.InvalidCatalogName)
        {
            return [];
        }
    }

    /// <summary>What the database that is there knows to have been erased; where its version knew nothing of it, that is told.</summary>
    private static async Task<IReadOnlyList<Erasure>> Known(DateTime since, bool holdsSchools)
    {
        if (!holdsSchools) return [];
        await using var connection = new NpgsqlConnection(Databases.To(Databases.Own));
        await connection.OpenAsync();
        if (await connection.ExecuteScalarAsync<bool>("select to_regclass('erasure') is not null")) return await Erasures.In(connection);
        if (!await connection.ExecuteScalarAsync<bool>("select to_regclass('audit_entry') is not null")) return [];
        var erased = await connection.QueryAsync<(string School, DateTime At)>(
            "select name, at from audit_entry join school on school.id = audit_entry.school where what = @what and at > @since order by at",
            new { what = AuditKinds.Erased, since });
        foreach (var (school, at) in erased)
            Console.WriteLine($"{school} erased a record on {at:yyyy-MM-dd HH:mm} UTC, after this backup and before this version: it "
                + $"comes back with it, and has to be erased again.");
        return [];
    }
}
