using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>A page of mixed tasks for a stage, for whoever does it with a pencil.</summary>
public static class MixedPage
{
    /// <summary>How many items it has: a page.</summary>
    public const int Length = 9;

    private static readonly ClockTask[] Ways = [ClockTasks.ReadDigital, ClockTasks.ReadWords, ClockTasks.SetFromDigital,
        ClockTasks.SetFromWords, ClockTasks.PlaceHourHand, ClockTasks.ChooseTime, ClockTasks.Judge, ClockTasks.WordsToDigital,
        ClockTasks.PlaceMinuteHand];

    /// <summary>Makes it: each way that the stage has and the class has met, in turn.</summary>
    /// <param name="model">The model.</param>
    /// <param name="stage">What has been taught.</param>
    /// <param name="seed">The same seed makes the same page.</param>
    /// <param name="isInUse">Which tasks the class has met.</param>
    public static IReadOnlyList<Item> Make(ReadingModel model, Stage stage, int seed, Func<ClockTask, bool> isInUse)
    {
        var ways = Ways.Where(task => task.From <= stage && isInUse(task)).ToList();
        return new OneOfEach(model).Make(Enumerable.Range(0, Length).Select(place => ways[place % ways.Count]), stage, seed);
    }
}
