using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// A teacher's slots as a calendar that other programs read: when a visit is, and nothing of whom or what. Each stands there by itself,
/// as a
/// moment: so it is right over both changes of the clocks, and a holiday or a slot that moved leaves nothing behind.
/// </summary>
public static class TermCalendar
{
    /// <summary>What every entry is called.</summary>
    public const string Summary = "A visit";

    /// <summary>How many weeks back and ahead it reaches.</summary>
    private const int WeeksBack = 2, WeeksAhead = 26;

    /// <summary>Writes it.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="teacher">The teacher: their slots, and those that have none.</param>
    /// <param name="now">The present.</param>
    public static async Task<string> Write(SchoolConnection connection, PersonId teacher, DateTime now)
    {
        var today = await Schools.Today(connection, now);
        var timetable = await Timetables.Load(connection, today, today);
        var visits = (from days in Enumerable.Range(-7 * WeeksBack, 7 * (WeeksBack + WeeksAhead))
                      let day = today.AddDays(days)
                      where timetable.Year.IsOpen(day)
                      from slot in timetable.Slots
                      where slot.Weekday == day.DayOfWeek && (slot.Teacher is not { } other || other == teacher)
                      select (Slot: slot, Day: day)).ToList();
        var begins = await CalendarAddresses.Moments(connection, [.. visits.Select(visit => visit.Day.ToDateTime(visit.Slot.From))]);
        var calendar = new Calendar { ProductId = "-//Umbick//Visits//EN" };
        calendar.Events.AddRange(visits.Zip(begins, (visit, begin) => Entry(visit.Slot, visit.Day, begin)));
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static CalendarEvent Entry(Slot slot, DateOnly day, DateTime begin) => new()
    {
        // The same slot on the same day is the same entry, however often it is fetched.
        Uid = $"{slot.Id}-{day:yyyyMMdd}@umbick",
        Summary = Summary,
        DtStamp = new CalDateTime(begin, CalDateTime.UtcTzId),
        Start = new CalDateTime(begin, CalDateTime.UtcTzId),
        End = new CalDateTime(begin.AddMinutes(slot.Minutes), CalDateTime.UtcTzId),
    };
}

/// <summary>A teacher's private calendar address.</summary>
public static class OwnCalendar
{
    /// <summary>When it was made; null where they have none.</summary>
    public static Task<DateTime?> MadeAt(SchoolConnection connection, PersonId person) => CalendarAddresses.MadeAt(connection, person);

    /// <summary>Makes one; one that they had opens nothing any more.</summary>
    /// <returns>What stands in the address.</returns>
    public static async Task<string> Make(SchoolConnection connection, PersonId person, DateTime now)
    {
        await Audit.Note(connection, person, AuditKinds.CalendarMade, now);
        return await CalendarAddresses.Make(connection, person, now);
    }

    /// <summary>Withdraws it: it opens nothing any more.</summary>
    public static async Task Withdraw(SchoolConnection connection, PersonId person, DateTime now)
    {
        await CalendarAddresses.Withdraw(connection, person);
        await Audit.Note(connection, person, AuditKinds.CalendarWithdrawn, now);
    }
}
