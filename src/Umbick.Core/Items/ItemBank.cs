using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>The items that can be asked of a child who has been taught up to a stage.</summary>
public static class ItemBank
{
    /// <summary>The tasks a teacher can ask aloud, with the answer typed.</summary>
    public static IReadOnlyList<ClockTask> AskedAloud { get; } = [ClockTasks.ReadDigital, ClockTasks.ReadWords, ClockTasks.WordsToDigital];

    /// <summary>Every item of these tasks on the times taught so far.</summary>
    public static IReadOnlyList<Item> Upto(Stage stage, IEnumerable<ClockTask> tasks) =>
    [
        .. from task in tasks
           where task.From <= stage
           from time in ClockTime.All()
           where stage.Has(time.Minute) && !(task == ClockTasks.WordsToDigital && time.Minute == 0)
           select new Item(task, time),
    ];
}
