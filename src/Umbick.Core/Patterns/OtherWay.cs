using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>
/// A way that nobody has listed: wrong at this step, right at the others, and evenly any of the answers that are so.
/// Without it, a child with a way of her own would be fitted to a listed pattern.
/// </summary>
public sealed class OtherWay(Step step) : Way(step)
{
    /// <inheritdoc/>
    public override void Read(in Thought thought, double share, Thoughts after) => after.Add(Marked(thought), share);

    /// <inheritdoc/>
    public override void Invert(in Thought thought, double share, Thoughts after) => after.Add(Marked(thought), share);

    private Thought Marked(Thought thought) => Step switch
    {
        Step.Hour => thought with { Hour = Thought.AnyWrong, OtherAt = Step },
        Step.Minutes => thought with { Minutes = Thought.AnyWrong, OtherAt = thought.OtherAt ?? Step },
        _ => thought with { OtherAt = thought.OtherAt ?? Step },
    };
}
