
namespace Umbick.Core.Items;

/// <summary>
/// The skills that reading a clock stands on, checked on their own: a quarter of an hour is wasted on minutes by a child who cannot count
/// in fives.
/// </summary>
public static class PrerequisiteCheck
{
    private static readonly (ClockTask Task, string Given)[] Questions =
    [
        (ClockTasks.Prerequisite, "numeral 9"), (ClockTasks.Prerequisite, "numeral 12"), (ClockTasks.Prerequisite, "longer"),
        (ClockTasks.NamePart, "clockwise"),
        (ClockTasks.CountFives, "5 10 15"), (ClockTasks.CountFives, "45 50 55"), (ClockTasks.CountFives, "30 ? 40"),
        (ClockTasks.CountFives, "to the 7"),
        (ClockTasks.Prerequisite, "half of 12"), (ClockTasks.Prerequisite, "quarter of 12"), (ClockTasks.Prerequisite, "double 15"),
        (ClockTasks.Prerequisite, "double 30"),
    ];

    /// <summary>The questions, in the order in which they are asked.</summary>
    public static IReadOnlyList<Item> Items { get; } =
        [.. Questions.Select(question => Item.From(OtherSkillItems.Find(question.Task, question.Given)!))];

    /// <summary>The questions that test what they say where the child answers on a screen alone.</summary>
    public static IReadOnlyList<Item> ItemsOnScreen { get; } = [.. Items.Where(item => !item.IsOnlyAloud)];
}
