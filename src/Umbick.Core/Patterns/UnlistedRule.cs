using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>
/// A way that nobody has listed: wrong at this step, right at the others, and evenly any of the answers that are so.
/// Without it, a child with a way of their own would be fitted to a listed pattern.
/// </summary>
public sealed class UnlistedRule(Step step) : StepRule(step)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading thought, double share, PartialReadings after) => after.Add(Marked(thought), share);

    /// <inheritdoc/>
    public override void Invert(in PartialReading thought, double share, PartialReadings after) => after.Add(Marked(thought), share);

    private PartialReading Marked(PartialReading thought) => Step switch
    {
        Step.Hour => thought with { Hour = PartialReading.AnyWrong, OtherAt = Step },
        Step.Minutes => thought with { Minutes = PartialReading.AnyWrong, OtherAt = thought.OtherAt ?? Step },
        _ => thought with { OtherAt = thought.OtherAt ?? Step },
    };
}
