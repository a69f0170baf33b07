namespace Umbick.Core.Patterns;

/// <summary>Two ways of one step that a child can have together, each where the other is silent.</summary>
public sealed class BothWays(Way first, Way second) : Way(first.Step)
{
    /// <inheritdoc/>
    public override void Read(in Thought thought, double share, Thoughts after)
    {
        var between = new Thoughts();
        first.Read(thought, share, between);
        for (var i = 0; i < between.Count; i++) second.Read(between.All[i], between.Shares[i], after);
    }

    /// <inheritdoc/>
    public override void Invert(in Thought thought, double share, Thoughts after)
    {
        var between = new Thoughts();
        first.Invert(thought, share, between);
        for (var i = 0; i < between.Count; i++) second.Invert(between.All[i], between.Shares[i], after);
    }
}
