namespace Umbick.Core.Patterns;

/// <summary>
/// A way that nobody has listed: wrong at this step, right at the others, and evenly any of the answers that are so.
/// Without it, a child with a way of her own would be fitted to a listed pattern.
/// </summary>
public sealed class OtherWay(Step step) : Way(step)
{
    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought) => Only(Marked(thought));

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought) => Only(Marked(thought));

    private Thought Marked(Thought thought) => Step switch
    {
        Step.Hour => thought with { Hour = Thought.AnyWrong, OtherAt = Step },
        Step.Minutes => thought with { Minutes = Thought.AnyWrong, OtherAt = thought.OtherAt ?? Step },
        _ => thought with { OtherAt = thought.OtherAt ?? Step },
    };
}
