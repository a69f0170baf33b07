using Umbick.Core.Items;

namespace Umbick.Web.Pages.Ask;

/// <summary>What to say when a task is asked.</summary>
public static class Prompts
{
    /// <summary>What the teacher says aloud.</summary>
    public static string Aloud(ClockTask task) => task switch
    {
        _ when task == ClockTasks.ReadWords => "“What time is it? Say it with past or to.”",
        _ when task == ClockTasks.WordsToDigital => "“Write this time down in figures.”",
        _ => "“What time does this clock show?”",
    };

    /// <summary>What stands on the child's own screen.</summary>
    public static string OnScreen(Item item, string claim) => item.Task switch
    {
        _ when item.Task == ClockTasks.ReadWords => "What time is it? Say it with past or to.",
        _ when item.Task == ClockTasks.WordsToDigital => "Write this time in figures.",
        _ when item.Task == ClockTasks.SetFromDigital => $"Turn the hands to {Core.Clocks.Wording.Usual.Digital(item.Time)}.",
        _ when item.Task == ClockTasks.Judge => $"Somebody says this clock shows {claim}. Is that right?",
        _ => "What time does this clock show?",
    };
}
