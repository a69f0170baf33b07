using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Web;

/// <summary>Reckons the items that are asked most before anybody waits for them.</summary>
public sealed class WarmUp(ReadingModel model) : BackgroundService
{
    protected override Task ExecuteAsync(CancellationToken stoppingToken) => Task.Run(
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
