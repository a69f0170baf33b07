using Dapper;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary>Databases beside the school's own on its server: made, loaded, counted, renamed, dropped.</summary>
internal static class Databases
{
    /// <summary>What is kept for speed alone is unlogged: it is in no backup, and not counted.</summary>
    private const string Tables =
        """
        select relname::text from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relpersistence = 'p'
        order by relname
        """;

    /// <summary>The school's own database.</summary>
    public static string Own => new NpgsqlConnectionStringBuilder(Connections.Backup).Database!;

    /// <summary>A database beside it.</summary>
    public static string Beside(string what) => $"{Own}_{what}";

    /// <summary>The connection that sees every row, to another database of the server.</summary>
    public static string To(string database) =>
        new NpgsqlConnectionStringBuilder(Connections.Backup) { Database = database, Pooling = false }.ConnectionString;

    /// <summary>A connection to the server's own database, from which others are made and dropped.</summary>
    public static async Task<NpgsqlConnection> Home()
    {
        var connection = new NpgsqlConnection(To("postgres"));
        await connection.OpenAsync();
        return connection;
    }

    /// <summary>Runs statements from the server's own database.</summary>
    public static async Task Run(params string[] statements)
    {
        await using var home = await Home();
        foreach (var statement in statements) await home.ExecuteAsync(statement);
    }

    /// <summary>Drops a database, if it is there.</summary>
    public static Task Drop(string name) => Run($"drop database if exists {name} with (force)");

    /// <summary>Makes a database of a dump, with the site's role let in, and counts its rows.</summary>
    /// <param name="name">The database's name.</param>
    /// <param name="dump">The dump.</param>
    /// <param name="manifest">What stands beside it.</param>
    /// <param name="identity">The file with the private key, where the dump is encrypted.</param>
    /// <exception cref="VerbException">What was restored is not what was backed up, or it cannot be decrypted.</exception>
    public static async Task Load(string name, string dump, BackupManifest manifest, string? identity)
    {
        if (manifest.Encrypted && identity is null)
            throw new VerbException("This backup is encrypted. --identity FILE names the file with the private key.");
        await Run($"drop database if exists {name} with (force)", $"create database {name} owner umbick_owner",
            $"revoke all on database {name} from public", $"grant connect on database {name} to umbick_app");
        string[] options = ["--exit-on-error", "--single-transaction", $"--dbname={name}"];
        if (manifest.Encrypted) await Encryption.Decrypted("pg_restore", To(name), identity!, dump, options);
        else await PostgresProgram.Run("pg_restore", To(name), [.. options, dump]);
        // The mark is the database's and in no dump: without it a school's site would start on passwords that everybody knows.
        if (manifest.Demonstration) await Run($"comment on database {name} is '{Database.DemoMark}'");
        await using var connection = new NpgsqlConnection(To(name));
        await connection.OpenAsync();
        var rows = await CountRows(connection);
        var other = manifest.Rows.Where(table => rows.GetValueOrDefault(table.Key, -1) != table.Value).Select(table => table.Key).ToList();
        if (other.Count > 0) throw new VerbException($"What was restored is not what was backed up: {string.Join(", ", other)}.");
    }

    /// <summary>How many rows each table has.</summary>
    public static async Task<SortedDictionary<string, long>> CountRows(NpgsqlConnection connection)
    {
        var rows = new SortedDictionary<string, long>(StringComparer.Ordinal);
        foreach (var table in (await connection.QueryAsync<string>(Tables)).ToList())
            rows[table] = await connection.ExecuteScalarAsync<long>($"select count(*) from \"{table}\"");
        return rows;
    }

    /// <summary>Asks whether there is room for a backup's database, where its disk is this machine's.</summary>
    /// <exception cref="VerbException">There is not.</exception>
    public static void NeedRoomFor(BackupManifest manifest, string dump)
    {
        if (Environment.GetEnvironmentVariable("UMBICK_DATA") is not { Length: > 0 } data || !Directory.Exists(data)) return;
        // An older backup does not say how large its database was: a dump is packed.
        var need = (manifest.DatabaseBytes ?? 8 * new FileInfo(dump).Length) * 5 / 4;
        var free = new DriveInfo(data).AvailableFreeSpace;
        if (free < need) throw new VerbException(
            $"There is too little room where the database lies: {need / 1_000_000:N0} MB are needed beside it, {free / 1_000_000:N0} MB "
                + $"are free. Nothing was changed.");
    }
}
