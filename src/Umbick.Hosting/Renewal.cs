using System.Diagnostics;
using Umbick.Casework;
using Umbick.Core.Diagnosis;

namespace Umbick.Hosting;

/// <summary>
/// Brings what is kept of children up to date, one at a time beside the requests: what is said in the middle of a sitting; and after a new
/// version, a file that was taken in or a restore, all of whom what is kept is of before, school by school. It goes on after a restart.
/// </summary>
public sealed partial class Renewal(
    Database database, ReadingModel model, RenewalList list, RenewalLock one, TimeProvider clock, ILogger<Renewal> log) : BackgroundService
{
    /// <summary>While answers come, so many times as long as a child took is waited: a quarter of a processor.</summary>
    private const int WaitsMeanwhile = 3;

    private static readonly TimeSpan Meanwhile = TimeSpan.FromMinutes(1);

    /// <summary>To tell what is said in the middle of a sitting takes less: nobody is made to wait for that.</summary>
    private static readonly TimeSpan Long = TimeSpan.FromMilliseconds(100);

    protected override Task ExecuteAsync(CancellationToken stoppingToken) => Task.Run(() => Run(stoppingToken), stoppingToken);

    private async Task Run(CancellationToken cancel)
    {
        var looking = Look(cancel);
        while (!cancel.IsCancellationRequested)
        {
            var (school, child) = await list.Next(cancel);
            var began = Stopwatch.GetTimestamp();
            try
            {
                // What was overtaken is asked for anew by what overtook it.
                await Renewing.Renew(database, model, school, child, clock.GetUtcNow().UtcDateTime, cancel);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                // It stays as it was kept before: whoever opens the child has it worked out.
                NotRenewed(error.GetType().Name);
            }
            var took = Stopwatch.GetElapsedTime(began);
            if (took > Long && clock.GetUtcNow() - list.LatestAdded < Meanwhile) await Task.Delay(WaitsMeanwhile * took, clock, cancel);
        }
        await looking;
    }

    /// <summary>Finds all who are behind: when the site starts. Of several sites one does so at a time.</summary>
    private async Task Look(CancellationToken cancel)
    {
        while (true)
        {
            try
            {
                await using (var turn = await one.TryTake(cancel))
                {
                    if (turn is not null)
                    {
                        foreach (var school in await database.BeforeSchool(Store.Schools.Ids, cancel))
                        {
                            list.AddBehind(school, await Renewing.Behind(database, school, cancel));
                            while (list.AnyBehind) await Task.Delay(Meanwhile / 60, clock, cancel);
                        }
                        return;
                    }
                }
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                NotRenewed(error.GetType().Name);
            }
            await Task.Delay(Meanwhile, clock, cancel);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A child was not brought up to date: {Error}")]
    private partial void NotRenewed(string error);
}
