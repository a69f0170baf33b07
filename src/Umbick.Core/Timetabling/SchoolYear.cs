namespace Umbick.Core.Timetabling;

/// <summary>Days on which the school is shut, the first and the last of them included.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="First">The first day.</param>
/// <param name="Last">The last day; not before the first.</param>
public sealed record Holiday(string Name, DateOnly First, DateOnly Last)
{
    /// <summary>The most days that one may last.</summary>
    public const int Longest = 120;

    /// <summary>The most signs that a name has.</summary>
    public const int LongestName = 60;

    /// <summary>Why it cannot stand in a timetable; null where it can.</summary>
    public string? Fault =>
        Name.Length is 0 or > LongestName ? "Give the holiday a name."
        : Last < First ? "The last day has to be the first or later."
        : Last.DayNumber - First.DayNumber >= Longest ? $"A holiday has fewer than {Longest} days."
        : null;

    /// <summary>Whether a day is one of it.</summary>
    public bool Holds(DateOnly day) => First <= day && day <= Last;
}

/// <summary>
/// School time: Monday to Friday without the school's holidays. What is due after a holiday is due when the school is open again.
/// </summary>
/// <param name="holidays">The holidays; they may overlap.</param>
public sealed class SchoolYear(IReadOnlyCollection<Holiday> holidays)
{
    private const int DaysInAWeek = 7;

    /// <summary>A holiday that shuts the school for so many days is one after which skills are looked at again.</summary>
    private const int LongFrom = 5;

    /// <summary>No school is shut for longer; where the holidays say so, weekdays count as open again.</summary>
    private const int FarthestDay = 400;

    /// <summary>A year without holidays.</summary>
    public static SchoolYear Plain { get; } = new([]);

    /// <summary>Whether the school is open on a day.</summary>
    public bool IsOpen(DateOnly day) => IsWeekday(day) && HolidayOn(day) is null;

    /// <summary>The holiday of a day, or null.</summary>
    public Holiday? HolidayOn(DateOnly day) => holidays.FirstOrDefault(holiday => holiday.Holds(day));

    /// <summary>The first school day after a day.</summary>
    public DateOnly NextDay(DateOnly day) => FirstFrom(day.AddDays(1));

    /// <summary>The first school day from a day on, which may be that day itself.</summary>
    public DateOnly FirstFrom(DateOnly day)
    {
        for (var ahead = 0; ahead < FarthestDay; ahead++)
        {
            if (IsOpen(day.AddDays(ahead))) return day.AddDays(ahead);
        }
        while (!IsWeekday(day)) day = day.AddDays(1);
        return day;
    }

    /// <summary>
    /// The first school day of the week that lies so many school weeks after that of a day. A week in which the school never opens counts
    /// for none.
    /// </summary>
    /// <param name="day">The day.</param>
    /// <param name="weeks">How many school weeks, 1 or more.</param>
    public DateOnly WeeksAfter(DateOnly day, int weeks)
    {
        var first = day;
        for (var week = 0; week < weeks; week++) first = FirstFrom(Monday(first).AddDays(DaysInAWeek));
        return first;
    }

    /// <summary>The first school day after the next long holiday that begins after a day; null where none is known.</summary>
    public DateOnly? AfterNextHoliday(DateOnly day) => holidays
        .Where(holiday => holiday.First > day
        && Enumerable.Range(0, holiday.Last.DayNumber - holiday.First.DayNumber + 1)
        .Count(ahead => IsWeekday(holiday.First.AddDays(ahead))) >= LongFrom)
        .OrderBy(holiday => holiday.First)
        .Select(holiday => (DateOnly?)FirstFrom(holiday.Last.AddDays(1)))
        .FirstOrDefault();

    /// <summary>The Monday of a day's week.</summary>
    public static DateOnly Monday(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % DaysInAWeek));

    private static bool IsWeekday(DateOnly day) => day.DayOfWeek is not DayOfWeek.Saturday and not DayOfWeek.Sunday;
}
