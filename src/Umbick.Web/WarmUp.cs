using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Web;

/// <summary>
/// Computes the items that are asked most, and the faces of all patterns, before anybody waits for them. A site that is started for a few
/// requests is told not to, by <c>UMBICK_WARM_UP=no</c>: it takes four seconds of a processor.
/// </summary>
public sealed class WarmUp(ReadingModel model, Pages.Patterns.PatternFaces faces) : BackgroundService
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
            foreach (var pattern in Catalogue.All)
            {
                if (stoppingToken.IsCancellationRequested) return;
                faces.Best(pattern, Wording.Usual);
            }
        },
        stoppingToken);
}
