using DbUp;
using DbUp.Engine;

namespace Umbick.Store;

/// <summary>Brings a database up to date. Only the launcher runs it, as the owner.</summary>
public static class Migrator
{
    /// <summary>The migrations that have not been run, by name.</summary>
    public static IReadOnlyList<string> Pending(string ownerConnectionString) => [.. Upgrader(ownerConnectionString).GetScriptsToExecute().Select(script => script.Name)];

    /// <summary>Runs every migration that has not been run.</summary>
    /// <exception cref="InvalidOperationException">A migration failed; it was undone whole.</exception>
    public static void Migrate(string ownerConnectionString)
    {
        DatabaseUpgradeResult result = Upgrader(ownerConnectionString).PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed and was undone: {result.Error.Message}", result.Error);
    }

    private static UpgradeEngine Upgrader(string ownerConnectionString) => DeployChanges.To.PostgresqlDatabase(ownerConnectionString)
        .WithScriptsEmbeddedInAssembly(typeof(Migrator).Assembly)
        .WithTransactionPerScript()
        .LogToNowhere()
        .Build();
}
