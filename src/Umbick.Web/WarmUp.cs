using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Web;

/// <summary>
/// Computes the items that are asked most before anybody waits for them. A site that is started for a few requests is told not to, by
/// <c>UMBICK_WARM_UP=no</c>: it takes four seconds of a processor.
/// </summary>
public sealed class WarmUp(ReadingModel model) : BackgroundService
{
    /// <summary>The variable that says whether it is done.</summary>
    public const string Variable = "UMBICK_WARM_UP";

    protected override Task ExecuteAsync(CancellationToken stoppingToken) => Environment.GetEnvironmentVariable(Variable) == "no"
        ? Task.CompletedTask
        : Task.Run(
        () =>
        {
            foreach (var item in ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain)
                .OrderBy(item => Stages.FirstWith(item.Time.Minute)))
            {
                foreach (var mode in new[] { item.Task.Aloud, item.Task.OnScreen })
                {
                    if (stoppingToken.IsCancellationRequested) return;
                    model.Predict(item, mode);
                }
            }
        },
        stoppingToken);
}
