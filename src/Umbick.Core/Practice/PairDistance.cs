using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>How far the two clocks of a pair lie apart for the eye.</summary>
public static class PairDistance
{
    private const double DegreesOfHour = 30;
    private const double DegreesOfMinute = 6;

    /// <summary>Clocks whose hours and minutes both differ make a pair where one is this soon after the other, in minutes.</summary>
    public const int Soon = 10;

    /// <summary>
    /// The degrees by which the hands that are shown differ, the short way round, both hands together: 0 to 360. A time in words or
    /// figures counts as its clock.
    /// </summary>
    public static double Between(Item one, Item other)
    {
        var (hands, others) = (HandPositions.Showing(one.Time), HandPositions.Showing(other.Time));
        var degrees = (one.Task.Stimulus == Stimulus.MinuteHand ? 0 : DegreesOfHour * HandPositions.HoursApart(hands.Hour, others.Hour))
            + (one.Task.Stimulus == Stimulus.HourHand ? 0 : DegreesOfMinute * HandPositions.MinutesApart(hands.Minute, others.Minute));
        // Pairs that lie equally far apart must count so.
        return Math.Round(degrees, 3);
    }

    /// <summary>Whether two times can make a pair: one hand says the same, or one time comes soon after the other.</summary>
    public static bool CanPair(ClockTime one, ClockTime other) =>
        one != other && (one.Hour == other.Hour || one.Minute == other.Minute || MinutesBetween(one, other) <= Soon);

    /// <summary>The minutes from one time to the other, the short way round: 0 to 360.</summary>
    private static int MinutesBetween(ClockTime one, ClockTime other)
    {
        var apart = Math.Abs((((one.Hour - other.Hour) * 60) + one.Minute - other.Minute) % 720);
        return Math.Min(apart, 720 - apart);
    }
}
