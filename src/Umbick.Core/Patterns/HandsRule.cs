using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Which hand is taken for which.</summary>
public sealed class HandsRule(bool swapped) : StepRule(Step.Hands)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after)
    {
        if (!swapped)
        {
            after.Add(reading, share);
            return;
        }
        // The short hand mostly stands between two ticks; read as minutes it is taken at its numeral, at the tick
        // passed or the nearest one, or at the nearest five.
        var hands = HandPositions.Showing(reading.Time);
        var tick = (int)Math.Floor((hands.Hour * 5) + 1e-9);
        var seen = reading with { HourPointer = hands.Minute / 5 };
        after.Add(seen with { MinutePointer = tick / 5 * 5 }, 0.45 * share);
        after.Add(seen with { MinutePointer = tick }, 0.18 * share);
        after.Add(seen with { MinutePointer = (int)Math.Floor((hands.Hour * 5) + 0.5 + 1e-9) % 60 }, 0.12 * share);
        after.Add(seen with { MinutePointer = (int)Math.Floor(hands.Hour + 0.5) * 5 % 60 }, 0.25 * share);
    }

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(swapped ? reading with { Placed = HandPositions.Wrapped(reading.Placed.Minute / 5, reading.Placed.Hour * 5) } : reading,
            share);
}
