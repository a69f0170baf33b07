using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>A clock that is worked through beside an item: of the same kind, and none that the set asks.</summary>
public static class WorkedExample
{
    /// <summary>The example for an item; null where the item is bare, or about words and no clock.</summary>
    /// <param name="item">The item.</param>
    /// <param name="support">The help on it.</param>
    /// <param name="stage">What is taught.</param>
    /// <param name="inSet">The times that the set asks: the example gives none of them away.</param>
    public static Item? For(Item item, Support support, Stage stage, IReadOnlyCollection<ClockTime> inSet)
    {
        if (support == Support.Bare || item.OtherSkill is not null || !(item.Task.ShowsClock || item.Task.Form == AnswerForm.Hands))
            return null;
        var task = item.Task.ReadAs ?? (item.Task == ClockTasks.RepairClock ? ClockTasks.SetFromDigital : item.Task);
        return ItemBank.ForSitting(stage, [task])
            .Where(other => other.Time.Minute % 5 == item.Time.Minute % 5 && !inSet.Contains(other.Time)
            && other.Time.Hour != item.Time.Hour)
            .OrderBy(other => other.Time.Minute == item.Time.Minute ? 1 : 0)
            .ThenBy(other => Math.Abs(other.Time.Minute - item.Time.Minute))
            .ThenBy(other => inSet.Count(time => time.Hour == other.Time.Hour))
            .ThenByDescending(other => other.Time.Hour)
            .FirstOrDefault();
    }
}
