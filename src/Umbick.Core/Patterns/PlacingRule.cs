using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Where the hour hand is put, seen from its numeral.</summary>
/// <param name="offset">From the minutes they mean to set (0 to 59) to hours after the numeral; below nought before it.</param>
public sealed class PlacingRule(Func<int, double> offset) : StepRule(Step.Placing)
{
    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after) =>
        after.Add(reading with { HourHandOffset = offset(reading.Minutes.IsAnyWrong ? reading.Time.Minute : reading.Minutes.Value) }, share);
}
