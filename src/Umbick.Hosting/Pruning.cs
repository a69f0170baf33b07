
namespace Umbick.Hosting;

/// <summary>Throws away sessions, codes and tries that have been over for a day: when the site starts, and each hour.</summary>
public sealed partial class Pruning(Database database, TimeProvider clock, ILogger<Pruning> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var hourly = new PeriodicTimer(TimeSpan.FromHours(1), clock);
        do
        {
            try
            {
                await database.BeforeSchool(Sessions.Prune, stoppingToken);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                // They open nothing any more: the next hour will do.
                NotPruned(error.GetType().Name);
            }
        }
        while (await hourly.WaitForNextTickAsync(stoppingToken));
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "What is over was not thrown away this hour: {Error}")]
    private partial void NotPruned(string error);
}
