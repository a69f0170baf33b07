
namespace Umbick.Core.Items;

/// <summary>The skills that reading a clock stands on, checked on their own: a quarter of an hour is wasted on minutes by a child who cannot count in fives.</summary>
public static class GroundCheck
{
    private static readonly (ClockTask Task, string Given)[] Questions =
    [
        (ClockTasks.Ground, "numeral 9"), (ClockTasks.Ground, "numeral 12"), (ClockTasks.Ground, "longer"), (ClockTasks.NamePart, "clockwise"),
        (ClockTasks.CountFives, "5 10 15"), (ClockTasks.CountFives, "45 50 55"), (ClockTasks.CountFives, "30 ? 40"), (ClockTasks.CountFives, "to the 7"),
        (ClockTasks.Ground, "half of 12"), (ClockTasks.Ground, "quarter of 12"), (ClockTasks.Ground, "double 15"), (ClockTasks.Ground, "double 30"),
    ];

    /// <summary>The questions, in the order in which they are asked.</summary>
    public static IReadOnlyList<Item> Items { get; } = [.. Questions.Select(one => Item.Of(SideQuestions.Find(one.Task, one.Given)!))];

    /// <summary>The questions that test what they say where the child answers on a screen alone.</summary>
    public static IReadOnlyList<Item> ItemsOnScreen { get; } = [.. Items.Where(item => !item.IsOnlyAloud)];
}
