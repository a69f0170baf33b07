using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>How an hour and minutes are put into figures.</summary>
/// <param name="write">From the hour (1 to 12) and minutes to figures.</param>
public sealed class WritingWay(Func<int, int, DigitalAnswer> write) : Way(Step.Writing)
{
    /// <inheritdoc/>
    public override void Read(in Thought thought, double share, Thoughts after) =>
        after.Add(thought.OtherAt is null ? thought with { Figures = write(thought.Hour, thought.Minutes), Hour = 0, Minutes = 0 } : thought, share);

    /// <inheritdoc/>
    public override void Invert(in Thought thought, double share, Thoughts after) => Read(thought, share, after);
}
