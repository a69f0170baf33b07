using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>How an hour and minutes are put into figures.</summary>
/// <param name="write">From the hour (1 to 12) and minutes to figures.</param>
public sealed class WritingRule(Func<int, int, DigitalAnswer> write) : StepRule(Step.Writing)
{
    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(reading.OtherAt is null
            ? reading with { Figures = write(reading.Hour.Value, reading.Minutes.Value), Hour = 0, Minutes = 0 } : reading, share);

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) => Read(reading, share, after);
}
