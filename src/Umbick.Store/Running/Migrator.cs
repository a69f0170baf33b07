using System.Data.Common;
using Dapper;
using DbUp;
using DbUp.Engine;
using Npgsql;

namespace Umbick.Store;

/// <summary>Brings a database up to date. Only the launcher runs it, as the owner.</summary>
public static class Migrator
{
    /// <summary>The migrations that have not been run, by name.</summary>
    public static IReadOnlyList<string> Pending(string ownerConnectionString) =>
        [.. Upgrader(ownerConnectionString).GetScriptsToExecute().Select(script => script.Name)];

    /// <summary>Whether a migration is one of this version, by its name as a database keeps it.</summary>
    public static bool Knows(string migration) => typeof(Migrator).Assembly.GetManifestResourceNames().Contains(migration);

    /// <summary>The newest migration of this version, by its name as a database keeps it.</summary>
    public static string Newest { get; } =
        typeof(Migrator).Assembly.GetManifestResourceNames().Where(name => name.EndsWith(".sql", StringComparison.Ordinal)).Max()!;

    /// <summary>The newest migration that a database has had, as the site sees it; null where it is older than that can be told.</summary>
    public static async Task<string?> NewestOf(DbConnection connection)
    {
        try
        {
            return await connection.ExecuteScalarAsync<string>("select newest_migration()");
        }
        catch (PostgresException older) when (older.SqlState == PostgresErrorCodes.UndefinedFunction)
        {
            return null;
        }
    }

    /// <summary>How many sites run on a database.</summary>
    public static async Task<int> Sites(string ownerConnectionString)
    {
        await using var source = NpgsqlDataSource.Create(ownerConnectionString);
        await using var connection = await source.OpenConnectionAsync();
        return await connection.ExecuteScalarAsync<int>(
            """
            select count(distinct pid)::int from pg_locks join pg_database on pg_database.oid = pg_locks.database
            where datname = current_database() and locktype = 'advisory' and granted
              and (classid::bigint << 32 | objid::bigint) = @Key
            """,
            new { SiteLock.Key });
    }

    /// <summary>Runs every migration that has not been run.</summary>
    /// <param name="ownerConnectionString">The owner's connection.</param>
    /// <param name="mend">Whether rows that break a rule which is new are corrected; else they are listed, and nothing is changed.</param>
    /// <exception cref="InvalidOperationException">A migration failed; it was undone whole.</exception>
    public static void Migrate(string ownerConnectionString, bool mend = false)
    {
        var connection = new NpgsqlConnectionStringBuilder(ownerConnectionString);
        if (mend) connection.Options = "-c umbick.mend=on";
        DatabaseUpgradeResult result = Upgrader(connection.ConnectionString).PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed and was undone: {result.Error.Message}",
                result.Error);
    }

    private static UpgradeEngine Upgrader(string ownerConnectionString) => DeployChanges.To.PostgresqlDatabase(ownerConnectionString)
        .WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly)
        .WithTransactionPerScript()
        .LogToNowhere()
        .Build();
}
