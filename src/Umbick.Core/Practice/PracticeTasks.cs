using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>In which tasks a pattern is practised, by its step. To practise a new step, add its line to each list.</summary>
public static class PracticeTasks
{
    /// <summary>The task at which a pattern shows most plainly.</summary>
    public static ClockTask For(Pattern pattern) => pattern.Step switch
    {
        Step.PastOrTo => ClockTasks.ReadWords,
        Step.Fractions or Step.Writing => ClockTasks.WordsToDigital,
        Step.Placing => ClockTasks.PlaceHourHand,
        _ => ClockTasks.ReadDigital,
    };

    /// <summary>
    /// Simpler tasks in which the same idea can be met first: one hand alone; for halves and quarters a face before words.
    /// </summary>
    internal static IReadOnlyList<ClockTask> Simpler(Pattern pattern) => pattern.Step switch
    {
        Step.Hour => [ClockTasks.HourOnly],
        Step.Minutes => [ClockTasks.MinutesOnly],
        Step.Fractions => [ClockTasks.ReadDigital, ClockTasks.ReadWords],
        Step.Writing => [ClockTasks.ReadDigital],
        _ => [],
    };

    /// <summary>Forms that an idea can be carried over to, the nearest first.</summary>
    internal static IReadOnlyList<ClockTask> Transfers(Pattern pattern) => pattern.Step switch
    {
        Step.PastOrTo => [ClockTasks.SetFromWords, ClockTasks.WordsToDigital, ClockTasks.DigitalToWords],
        Step.Fractions => [ClockTasks.SetFromWords, ClockTasks.ReadWords, ClockTasks.DigitalToWords],
        Step.Writing => [ClockTasks.ReadDigital, ClockTasks.Story],
        Step.Placing => [ClockTasks.SetFromDigital, ClockTasks.SetFromWords],
        Step.Minutes => [ClockTasks.SetFromDigital, ClockTasks.SetMinutes, ClockTasks.ReadWords, ClockTasks.Story, ClockTasks.SetFromWords],
        _ => [ClockTasks.SetFromDigital, ClockTasks.ReadWords, ClockTasks.SetFromWords, ClockTasks.Story],
    };

    /// <summary>Tasks that come right although a pattern spoils all of its own, looked through in this order.</summary>
    internal static IReadOnlyList<ClockTask> Untouched { get; } =
        [ClockTasks.MinutesOnly, ClockTasks.HourOnly, ClockTasks.ReadWords, ClockTasks.Describe, ClockTasks.ReadDigital,
            ClockTasks.WordsToDigital, ClockTasks.DigitalToWords];
}
