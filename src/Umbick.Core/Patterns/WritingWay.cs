using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>How an hour and minutes are put into figures.</summary>
/// <param name="write">From the hour (1 to 12) and minutes to figures.</param>
public sealed class WritingWay(Func<int, int, DigitalAnswer> write) : Way(Step.Writing)
{
    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought) =>
        Only(thought.OtherAt is null ? thought with { Figures = write(thought.Hour, thought.Minutes) } : thought);

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought) => Read(thought);
}
