namespace Umbick.Core.Clocks;

/// <summary>Where two hands point. They need not agree with each other: a child may have placed them.</summary>
/// <param name="Hour">Where the hour hand points, in hours from the top: 0 ≤ x &lt; 12.</param>
/// <param name="Minute">Where the minute hand points, in minutes from the top: 0 ≤ y &lt; 60.</param>
/// <exception cref="ArgumentOutOfRangeException">A hand points outside its range, or nowhere.</exception>
public readonly record struct HandPositions(double Hour, double Minute)
{
    /// <summary>Where the hour hand points, in hours from the top: 0 ≤ x &lt; 12.</summary>
    public double Hour { get; init => field = InRange(value, 12); } = InRange(Hour, 12);

    /// <summary>Where the minute hand points, in minutes from the top: 0 ≤ y &lt; 60.</summary>
    public double Minute { get; init => field = InRange(value, 60); } = InRange(Minute, 60);

    /// <summary>Where the hands of a true clock stand at this time.</summary>
    public static HandPositions Showing(ClockTime time) => new((time.Hour % 12) + (time.Minute / 60.0), time.Minute);

    /// <summary>Positions wrapped into their ranges, whatever number of turns they were given in.</summary>
    public static HandPositions Wrapped(double hour, double minute) => new(Wrap(hour, 12), Wrap(minute, 60));

    /// <summary>The time that these hands show: the minutes by the minute hand, and the hour whose true hour hand is nearest.</summary>
    public ClockTime Read()
    {
        var minute = (int)Math.Round(Minute) % 60;
        var turns = Math.Round(Hour - (minute / 60.0));
        return new ClockTime(Hours.Named((int)turns), minute);
    }

    /// <summary>Whether a true clock shows these hands, to a tenth of an hour: that much cannot be seen.</summary>
    public bool Agree => HoursApart(Hour, Showing(Read()).Hour) <= 0.1;

    /// <summary>How far apart two hour hands point, in hours, the short way round: 0 to 6.</summary>
    public static double HoursApart(double a, double b) => Apart(a, b, 12);

    /// <summary>How far apart two minute hands point, in minutes, the short way round: 0 to 30.</summary>
    public static double MinutesApart(double a, double b) => Apart(a, b, 60);

    private static double InRange(double value, double round) => value >= 0 && value < round
        ? value
        : throw new ArgumentOutOfRangeException(nameof(value), value, $"A hand points from 0 to below {round}.");

    private static double Apart(double a, double b, double round)
    {
        var gap = Wrap(a - b, round);
        return Math.Min(gap, round - gap);
    }

    private static double Wrap(double value, double round)
    {
        var wrapped = value % round;
        if (wrapped < 0) wrapped += round;
        return wrapped >= round ? 0 : wrapped;
    }
}
