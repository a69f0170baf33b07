using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Casework;

/// <summary>What can be asked of a child: what their stage has, what they have met, and what the way a sitting is held allows.</summary>
public static class ItemsInUse
{
    /// <summary>The banks that have been made: a few, for stages and tasks are few.</summary>
    private static readonly ConcurrentDictionary<string, SittingItems> Banks = [];

    /// <summary>The items that a sitting may choose from: what is in use at the child's stage, by how the sitting is held.</summary>
    public static SittingItems For(Sitting sitting, CaseloadRow child)
    {
        var tasks = From(TasksOf(sitting.Delivery), child, sitting.Stage);
        var items = Banks.GetOrAdd($"{sitting.Stage} {string.Join(' ', tasks.Select(task => task.Id))}",
            _ => new(ItemBank.ForSitting(sitting.Stage, tasks)) { Beyond = ItemBank.Beyond(sitting.Stage, tasks) });
        return items with { Length = sitting.Length };
    }

    /// <summary>The tasks of some that a child has met and their stage uses; reading in figures where that leaves none.</summary>
    internal static List<ClockTask> From(IEnumerable<ClockTask> tasks, CaseloadRow child, Stage stage)
    {
        var used = tasks.Where(task => child.Uses(task, stage)).ToList();
        return used.Count > 0 ? used : [ClockTasks.ReadDigital];
    }

    /// <summary>The next questions to choose from, and how their answers come.</summary>
    public static IReadOnlyList<ClockTask> TasksOf(DeliveryMode mode) => mode switch
    {
        DeliveryMode.OnChildsScreen => ClockTasks.Plain,
        DeliveryMode.OwnClock => [ClockTasks.ReadDigital, ClockTasks.ReadWords, ClockTasks.SetFromDigital, ClockTasks.SetFromWords],
        _ => ItemBank.InConversation,
    };

    /// <summary>How an answer comes when the teacher types it: what the child writes is written, all else is said.</summary>
    public static AnswerMode ModeOf(Item item, string raw) =>
        AnswerParser.Parse(raw) is PlacedAnswer ? AnswerMode.Placed : item.Task.Aloud;
}
