using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Progress;

namespace Umbick.Casework;

/// <summary>The items of a sitting that is asked from a list made before: a check, a form, or tasks that the teacher chose.</summary>
internal static class ListedItems
{
    private const int PartsEach = 3;

    /// <summary>Before o'clock there is no time to read yet: the parts of a clock are asked instead.</summary>
    public static AskingOptions Fitting(AskingOptions beginning, Stage stage) =>
        stage >= Stage.OClock || beginning.Plan is Plan.Prerequisites or Plan.Chosen or Plan.ColdStart
            ? beginning
            : beginning with
            {
                Plan = Plan.Chosen,
                Tasks = [.. ClockTasks.BeforeTimes.Where(task => task.From <= stage)
                .SelectMany(task => Enumerable.Repeat(task.Id, PartsEach))]
            };

    /// <summary>The items of a list; none where each item is chosen by the answers before it.</summary>
    /// <param name="model">The model.</param>
    /// <param name="beginning">What is asked.</param>
    /// <param name="child">The child.</param>
    /// <param name="seed">Makes another choice of times.</param>
    /// <param name="day">The school's own day.</param>
    public static IReadOnlyList<Item> For(
        ReadingModel model, AskingOptions beginning, CaseloadRow child, int seed, IReadOnlyList<SchoolMoment> day)
    {
        var onScreen = beginning.Delivery == DeliveryMode.OnChildsScreen;
        return beginning.Plan switch
        {
            _ when beginning.Items.Count > 0 => beginning.Items,
            Plan.Prerequisites => onScreen ? PrerequisiteCheck.ItemsOnScreen : PrerequisiteCheck.Items,
            Plan.Form => new FixedForms(model).Make(child.Stage, CheckCycle.FormLength, FixedForms.SeedOf(child.Stage),
                ItemsInUse.From(ClockTasks.Plain, child, child.Stage)).First(form => form.Name == beginning.Form).Items,
            Plan.ColdStart => ColdStart.Make(beginning.ColdFor!, child.Stage, task => child.Uses(task, child.Stage), seed),
            Plan.Chosen => new OneOfEach(model).Make(beginning.Tasks.Select(ClockTasks.Find).OfType<ClockTask>(), child.Stage, seed,
                onScreen, day),
            _ => [],
        };
    }

    /// <summary>Why its items are asked.</summary>
    public static string Why(AskingOptions beginning) => beginning.Plan switch
    {
        Plan.Prerequisites => "Reading a clock stands on this.",
        Plan.Form => $"It stands in form {beginning.Form}.",
        Plan.ColdStart => "Cold: before a word of help.",
        _ => "You chose this task.",
    };
}
