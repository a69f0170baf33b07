using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>The items that can be asked of a child who has been taught up to a stage.</summary>
public static class ItemBank
{
    /// <summary>The tasks a teacher can ask aloud, with the answer typed.</summary>
    public static IReadOnlyList<ClockTask> AskedAloud { get; } = [ClockTasks.ReadDigital, ClockTasks.ReadWords, ClockTasks.WordsToDigital];

    /// <summary>The tasks of a conversation: those, and to set a clock that lies at hand.</summary>
    public static IReadOnlyList<ClockTask> InConversation { get; } = [.. AskedAloud, ClockTasks.SetFromDigital, ClockTasks.SetFromWords];

    /// <summary>Every item of these tasks on the times taught so far.</summary>
    public static IReadOnlyList<Item> Upto(Stage stage, IEnumerable<ClockTask> tasks) =>
    [
        .. from task in tasks
           where task.From <= stage
           from time in ClockTime.All()
           where stage.Has(time.Minute) && !(time.Minute == 0 && SaysNothingAtTheHour(task))
           select new Item(task, time),
    ];

    /// <summary>
    /// The items that a sitting chooses from: all times in fives, and, where single minutes are taught, some minutes of every space. The
    /// other minutes of a space would tell no more than those. In words people say fives and quarters. At stage 10 some 1,300 over the six
    /// plain tasks.
    /// </summary>
    public static IReadOnlyList<Item> ForSitting(Stage stage, IEnumerable<ClockTask> tasks) =>
        [.. Upto(stage, tasks).Where(item =>
            item.Time.Minute % 5 == 0 || (!IsInWords(item.Task) && (item.Time.Minute % 5 == 2 || item.Time.Minute % 10 == 3)))];

    /// <summary>Items on the times that are taught next; none where every minute is taught.</summary>
    public static IReadOnlyList<Item> Beyond(Stage stage, IReadOnlyList<ClockTask> tasks)
    {
        var next = Stages.OfReading.FirstOrDefault(later => later > stage && Enumerable.Range(0, 60).Any(minute =>
            Stages.FirstWith(minute) == later));
        return next == default ? []
            : [.. ForSitting(next, tasks.Where(task => task.From <= stage)).Where(item => Stages.FirstWith(item.Time.Minute) == next)];
    }

    private static bool IsInWords(ClockTask task) => task.Form == AnswerForm.Words || task.Stimulus == Stimulus.Words;

    /// <summary>Words for a full hour are the same in every way of understanding them.</summary>
    private static bool SaysNothingAtTheHour(ClockTask task) => task == ClockTasks.WordsToDigital || task == ClockTasks.DigitalToWords;
}
