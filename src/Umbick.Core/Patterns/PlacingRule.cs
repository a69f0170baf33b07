using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Where the hour hand is put, seen from its numeral.</summary>
/// <param name="offset">From the minutes they mean to set (0 to 59) to hours after the numeral; below nought before it.</param>
public sealed class PlacingRule(Func<int, double> offset) : StepRule(Step.Placing)
{
    /// <summary>The same rule, but half past is known: the hand is put in the middle of its space.</summary>
    public PlacingRule WithHalf() => new(minutes => minutes == 30 ? 0.5 : offset(minutes));

    /// <summary>Whether the hand is put just where it belongs, not only near enough to be scored right.</summary>
    /// <param name="minutes">The minutes of the time, 0 to 59.</param>
    public bool IsExactAt(int minutes) => Math.Abs(offset(minutes) - (minutes / 60.0)) < 0.01;

    /// <inheritdoc/>
    public override void Invert(in PartialReading reading, double share, PartialReadings after)
    {
        var meant = reading.Minutes.IsAnyWrong ? reading.Time.Minute : reading.Minutes.Value;
        // Who has put the minute hand elsewhere than at the minutes meant may put the hour hand to match where it stands.
        var carried = reading.Minutes.IsAnyWrong || (int)reading.Placed.Minute == meant ? 0 : ModelParameters.HourHandCarried;
        after.Add(reading with { HourHandOffset = offset(meant) }, share * (1 - carried));
        if (carried > 0) after.Add(reading with { HourHandOffset = offset((int)reading.Placed.Minute) }, share * carried);
    }
}
