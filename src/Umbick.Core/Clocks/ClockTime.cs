namespace Umbick.Core.Clocks;

/// <summary>A time as a twelve-hour face can show it. It says nothing of morning or afternoon.</summary>
public readonly record struct ClockTime : IComparable<ClockTime>
{
    /// <summary>Minutes in one turn of the hour hand.</summary>
    public const int MinutesRound = 12 * 60;

    private readonly int _minutesSinceTwelve;

    /// <summary>Makes a time.</summary>
    /// <param name="hour">The hour as it is said, 1 to 12.</param>
    /// <param name="minute">Minutes past the hour, 0 to 59.</param>
    /// <exception cref="ArgumentOutOfRangeException">The hour or the minute is outside its range.</exception>
    public ClockTime(int hour, int minute)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(hour, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(hour, 12);
        ArgumentOutOfRangeException.ThrowIfNegative(minute);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(minute, 59);
        _minutesSinceTwelve = (hour % 12 * 60) + minute;
    }

    /// <summary>The hour as it is said, 1 to 12: the last numeral the hour hand has passed, or the one it is on.</summary>
    public int Hour => Hours.Named(_minutesSinceTwelve / 60);

    /// <summary>Minutes past the hour, 0 to 59.</summary>
    public int Minute => _minutesSinceTwelve % 60;

    /// <summary>The time some minutes later (or, below nought, earlier), going round past twelve.</summary>
    public ClockTime Plus(int minutes)
    {
        var total = (((_minutesSinceTwelve + minutes) % MinutesRound) + MinutesRound) % MinutesRound;
        return new ClockTime(Hours.Named(total / 60), total % 60);
    }

    /// <summary>The time, or null where a face cannot show it.</summary>
    public static ClockTime? TryCreate(int hour, int minute) =>
        hour is >= 1 and <= 12 && minute is >= 0 and <= 59 ? new ClockTime(hour, minute) : null;

    /// <summary>All 720 times a face can show, from 12:00 on.</summary>
    public static IEnumerable<ClockTime> All()
    {
        for (var minutes = 0; minutes < MinutesRound; minutes++)
            yield return new ClockTime(12, 0).Plus(minutes);
    }

    /// <inheritdoc/>
    public int CompareTo(ClockTime other) => _minutesSinceTwelve.CompareTo(other._minutesSinceTwelve);

    /// <summary>The time as <c>h:mm</c>, the form that stands in files.</summary>
    public override string ToString() => $"{Hour}:{Minute:00}";

    /// <summary>Reads the form <c>h:mm</c> that stands in files; null for anything else.</summary>
    public static ClockTime? TryParse(string? text)
    {
        var parts = (text ?? "").Split(':');
        return parts.Length == 2 && parts[1].Length == 2
            && int.TryParse(parts[0], out var hour) && int.TryParse(parts[1], out var minute)
            ? TryCreate(hour, minute)
            : null;
    }

    public static bool operator <(ClockTime left, ClockTime right) => left.CompareTo(right) < 0;

    public static bool operator >(ClockTime left, ClockTime right) => left.CompareTo(right) > 0;

    public static bool operator <=(ClockTime left, ClockTime right) => left.CompareTo(right) <= 0;

    public static bool operator >=(ClockTime left, ClockTime right) => left.CompareTo(right) >= 0;
}
