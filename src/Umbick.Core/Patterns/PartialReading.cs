using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>
/// What a child has in mind between two steps. Reading fills it from the hands towards an answer; setting a clock, and understanding words,
/// fill it from the time asked for.
/// </summary>
/// <param name="Time">The time the question is about.</param>
public readonly record struct PartialReading(ClockTime Time)
{
    /// <summary>Where the hand taken for the hour hand points, 0 ≤ x &lt; 12 hours.</summary>
    public double HourPointer { get; init; }

    /// <summary>The tick that the hand taken for the minute hand is read at, 0 to 59.</summary>
    public int MinutePointer { get; init; }

    /// <summary>The hour arrived at.</summary>
    public StepResult Hour { get; init; }

    /// <summary>The minutes arrived at.</summary>
    public StepResult Minutes { get; init; }

    /// <summary>The words arrived at or heard; null where there are none yet.</summary>
    public SpokenTime? Spoken { get; init; }

    /// <summary>How far after its numeral the hour hand is put, in hours; below nought before it.</summary>
    public double HourHandOffset { get; init; }

    /// <summary>The hands placed, not wrapped.</summary>
    public HandPositions Placed { get; init; }

    /// <summary>The figures written; null where none are yet.</summary>
    public DigitalAnswer? Figures { get; init; }

    /// <summary>Whether what follows is set rightly, however it would be read.</summary>
    public bool SetsRightly { get; init; }

    /// <summary>The step at which the answer is wrong in a way nobody has listed; null where there is none.</summary>
    public Step? OtherAt { get; init; }

    /// <inheritdoc/>
    public override int GetHashCode() =>
        HashCode.Combine(Hour, Minutes, HourPointer, MinutePointer, Placed, HourHandOffset, Spoken, Figures);

    /// <summary>A child in front of an item, before the first step.</summary>
    public static PartialReading Before(ClockTime time)
    {
        var hands = HandPositions.Showing(time);
        return new PartialReading(time)
        {
            HourPointer = hands.Hour,
            MinutePointer = time.Minute,
            Hour = time.Hour,
            Minutes = time.Minute,
            Placed = hands,
            HourHandOffset = time.Minute / 60.0,
        };
    }
}
