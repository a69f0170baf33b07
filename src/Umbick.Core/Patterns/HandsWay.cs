using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>Which hand is taken for which.</summary>
public sealed class HandsWay(bool swapped) : Way(Step.Hands)
{
    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought)
    {
        if (!swapped) return Only(thought);
        // The short hand mostly stands between two ticks; read as minutes it is taken at its numeral, its tick or the nearest five.
        var hands = HandPositions.Of(thought.Time);
        var tick = (int)Math.Floor((hands.Hour * 5) + 1e-9);
        var numeral = tick / 5 * 5;
        var nearest = (int)Math.Floor(hands.Hour + 0.5) * 5 % 60;
        var seen = thought with { HourPointer = hands.Minute / 5 };
        return
        [
            new(seen with { MinutePointer = numeral }, 0.5),
            new(seen with { MinutePointer = tick }, 0.25),
            new(seen with { MinutePointer = nearest }, 0.25),
        ];
    }

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought) =>
        Only(swapped ? thought with { Placed = HandPositions.Wrapped(thought.Placed.Minute / 5, thought.Placed.Hour * 5) } : thought);
}
