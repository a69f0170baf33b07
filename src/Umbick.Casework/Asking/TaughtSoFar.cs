using Umbick.Core.Items;

namespace Umbick.Casework;

/// <summary>What a child has been taught so far.</summary>
public static class TaughtSoFar
{
    /// <summary>Whether a child has met a task, and it is in use at this stage.</summary>
    public static bool Uses(this CaseloadRow child, ClockTask task, Stage stage) =>
        child.Preferences.Uses(task, stage)
            && (child.TasksMet is null || !ClockTasks.Plain.Contains(task) || child.TasksMet.Contains(task.Id));
}
