using Npgsql;

namespace Umbick.Hosting;

/// <summary>
/// Whether this site and its database are of one version. The database is brought up to date first and once, and then every site is started
/// anew: one that is of another version does not start, and one that runs meanwhile goes out of service and says why.
/// </summary>
public sealed class SiteVersion(Database database, TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(10);

    private string? _found = Migrator.Newest;

    /// <summary>Whether they are of two versions.</summary>
    public bool IsOther => _found != Migrator.Newest;

    /// <summary>Which is the older one, and what to do.</summary>
    public string InWords => string.CompareOrdinal(_found, Migrator.Newest) > 0
        ? "This site is older than its database. Start it anew from the version that the database was brought up to date by."
        : "The database is older than this site. Stop every site, bring it up to date by ./umbick upgrade, then start them.";

    /// <summary>Asks the database. One that is away is of the version that it was.</summary>
    public async Task Ask(CancellationToken cancel)
    {
        try
        {
            _found = await database.BeforeSchool(Migrator.NewestOf, cancel);
        }
        catch (Exception away) when (away is NpgsqlException or TimeoutException)
        {
            // It is told by /ready.
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Between, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken)) await Ask(stoppingToken);
    }
}
