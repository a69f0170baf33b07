using DbUp;
using DbUp.Engine;

namespace Umbick.Store;

/// <summary>Brings a database up to date. Only the launcher runs it, as the owner.</summary>
public static class Migrator
{
    /// <summary>The migrations that have not been run, by name.</summary>
    public static IReadOnlyList<string> Pending(string ownerConnectionString) =>
        [.. Upgrader(ownerConnectionString).GetScriptsToExecute().Select(script => script.Name)];

    /// <summary>Whether a migration is one of this version, by its name as a database keeps it.</summary>
    public static bool Knows(string migration) => typeof(Migrator).Assembly.GetManifestResourceNames().Contains(migration);

    /// <summary>Runs every migration that has not been run.</summary>
    /// <param name="ownerConnectionString">The owner's connection.</param>
    /// <param name="mend">Whether rows that break a rule which is new are corrected; else they are listed, and nothing is changed.</param>
    /// <exception cref="InvalidOperationException">A migration failed; it was undone whole.</exception>
    public static void Migrate(string ownerConnectionString, bool mend = false)
    {
        var connection = new Npgsql.NpgsqlConnectionStringBuilder(ownerConnectionString);
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
