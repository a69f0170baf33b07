namespace Umbick.Core.Patterns;

/// <summary>Where the hour hand is put, seen from its numeral.</summary>
/// <param name="offset">From the minutes asked for (0 to 59) to hours after the numeral; below nought before it.</param>
public sealed class PlacingWay(Func<int, double> offset) : Way(Step.Placing)
{
    /// <summary>Nothing is placed when a clock is read.</summary>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought) => Only(thought);

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought) =>
        Only(thought with { HourHandOffset = offset(thought.Time.Minute) });
}
