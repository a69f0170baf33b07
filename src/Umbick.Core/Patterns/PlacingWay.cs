using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Where the hour hand is put, seen from its numeral.</summary>
/// <param name="offset">From the minutes she means to set (0 to 59) to hours after the numeral; below nought before it.</param>
public sealed class PlacingWay(Func<int, double> offset) : Way(Step.Placing)
{
    /// <inheritdoc/>
    public override void Invert(in Thought thought, double share, Thoughts after) =>
        after.Add(thought with { HourHandOffset = offset(thought.Minutes == Thought.AnyWrong ? thought.Time.Minute : thought.Minutes) }, share);
}
