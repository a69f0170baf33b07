using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>
/// Makes a set for reading at ease: bare clocks of what is taught, none of them new. It is for a child who reads them rightly, and should
/// come to do so with less effort.
/// </summary>
/// <param name="inUse">Which tasks the child has met.</param>
public sealed class EaseSet(Func<ClockTask, bool> inUse)
{
    /// <summary>The number of items; fewer where a stage has fewer.</summary>
    public const int Length = 12;

    /// <summary>Makes a set.</summary>
    /// <param name="stage">The child's stage; before o'clock there is no time to read, so it is raised to that.</param>
    /// <param name="seed">The same seed makes the same set.</param>
    /// <param name="before">The child's earlier sets: what they asked lately comes last.</param>
    public PracticeSet Make(Stage stage, int seed, EarlierSets? before = null)
    {
        stage = stage < Stage.OClock ? Stage.OClock : stage;
        var tasks = new[] { ClockTasks.ReadDigital, ClockTasks.ReadWords }.Where(inUse).ToList();
        var open = ItemBank.ForSitting(stage, tasks.Count > 0 ? tasks : [ClockTasks.ReadDigital]);
        var picker = new ItemPicker(seed, before: before);
        var items = Enumerable.Range(0, Math.Min(Length, open.Count)).Select(_ => picker.Pick(open)!);
        return new PracticeSet(null,
            [.. items.Select(item => new SetItem(item, SetPart.Ease, Support.Bare, "Bare, and of what has been taught."))]);
    }
}
