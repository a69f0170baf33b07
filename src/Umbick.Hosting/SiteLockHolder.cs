using Npgsql;

namespace Umbick.Hosting;

/// <summary>
/// Holds the site's lock on its database from before the first request on, and takes it again where the connection was lost.
/// </summary>
public sealed class SiteLockHolder(SiteLock siteLock, TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(2);

    public override async Task StartAsync(CancellationToken cancellationToken)
    {
        await TryHolding(cancellationToken);
        await base.StartAsync(cancellationToken);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Between, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken)) await TryHolding(stoppingToken);
    }

    /// <summary>A database that is away is told by <c>/ready</c>; here it is tried again.</summary>
    private async Task TryHolding(CancellationToken cancel)
    {
        try
        {
            await siteLock.Hold(cancel);
        }
        catch (Exception away) when (away is NpgsqlException or TimeoutException)
        {
        }
    }
}
