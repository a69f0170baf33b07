namespace Umbick.Core.Clocks;

/// <summary>A time of a whole day, from midnight to midnight.</summary>
/// <param name="Minutes">Minutes since midnight, 0 to 1439.</param>
public readonly record struct DayTime(int Minutes)
{
    /// <summary>Minutes in a day.</summary>
    public const int MinutesInADay = 24 * 60;

    /// <summary>Minutes since midnight, 0 to 1439.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is outside that.</exception>
    public int Minutes { get; } = Minutes is >= 0 and < MinutesInADay ? Minutes
        : throw new ArgumentOutOfRangeException(nameof(Minutes), Minutes, "A day has the minutes 0 to 1439.");

    /// <summary>The time in the morning or in the afternoon.</summary>
    public static DayTime At(ClockTime time, bool afternoon) =>
        new((time.Hour % 12 * 60) + time.Minute + (afternoon ? MinutesInADay / 2 : 0));

    /// <summary>Whether noon has been.</summary>
    public bool IsAfternoon => Minutes >= MinutesInADay / 2;

    /// <summary>In 24 hours, with the school's mark.</summary>
    public string In24Hours(Wording wording) => $"{Minutes / 60}{wording.Mark}{Minutes % 60:00}";

    /// <summary>With a.m. or p.m.; noon and midnight by their names as well, for there nobody agrees.</summary>
    public string InHalves(Wording wording) => Minutes switch
    {
        0 => $"12{wording.Mark}00 a.m., midnight",
        MinutesInADay / 2 => $"12{wording.Mark}00 p.m., noon",
        _ => $"{(Minutes / 60 % 12 == 0 ? 12 : Minutes / 60 % 12)}{wording.Mark}{Minutes % 60:00} {(IsAfternoon ? "p.m." : "a.m.")}",
    };
}
