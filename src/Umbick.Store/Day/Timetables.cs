using System.Globalization;
using Dapper;
using Umbick.Core.Timetabling;

namespace Umbick.Store;

/// <summary>The timetable of a school, and what is known of single days.</summary>
public static class Timetables
{
    internal const string SelectHolidays = "select id, name, first_day, last_day from holiday order by first_day, id";
    private const string SelectBarred =
        "select id, class_name, weekday::int as weekday, to_char(starts_at, 'HH24:MI') as starts, to_char(ends_at, 'HH24:MI') as ends, "
            + "what from barred_time order by weekday, starts_at, class_name, id";

    private sealed record HolidayRow(HolidayId Id, string Name, DateOnly FirstDay, DateOnly LastDay)
    {
        public KeptHoliday Kept => new(Id, new Holiday(Name, FirstDay, LastDay));
    }

    private sealed class SlotRow
    {
        public SlotId Id { get; init; }

        public int Weekday { get; init; }

        public string Starts { get; init; } = "";

        public int Minutes { get; init; }

        public PersonId? Teacher { get; init; }

        public bool ByHand { get; init; }

        public ChildId[] Children { get; init; } = [];

        public Slot Slot => new(Id, (DayOfWeek)Weekday, Time(Starts), Minutes, Children) { Teacher = Teacher, IsByHand = ByHand };
    }

    private sealed record BarredRow(BarredTimeId Id, string ClassName, int Weekday, string Starts, string Ends, string What)
    {
        public KeptBarredTime Kept => new(Id, new BarredTime(ClassName, (DayOfWeek)Weekday, Time(Starts), Time(Ends), What));
    }

    private sealed record AbsenceRow(ChildId Child, DateOnly Day, bool Absent);

    private sealed record StandInRow(SlotId Slot, DateOnly Day, ChildId Child);

    /// <summary>The school's year.</summary>
    public static async Task<SchoolYear> Year(SchoolConnection connection) =>
        new([.. (await Holidays(connection)).Select(holiday => holiday.Holiday)]);

    /// <summary>The school's year, where its holidays are read with other rows.</summary>
    internal static async Task<SchoolYear> Year(SqlMapper.GridReader read) =>
        new([.. (await read.ReadAsync<HolidayRow>()).Select(row => row.Kept.Holiday)]);

    /// <summary>The holidays, the earliest first.</summary>
    public static async Task<IReadOnlyList<KeptHoliday>> Holidays(SchoolConnection connection) =>
        [.. (await connection.QueryAsync<HolidayRow>(SelectHolidays)).Select(row => row.Kept)];

    /// <summary>When classes may not be fetched.</summary>
    public static async Task<IReadOnlyList<KeptBarredTime>> Barred(SchoolConnection connection) =>
        [.. (await connection.QueryAsync<BarredRow>(SelectBarred)).Select(row => row.Kept)];

    /// <summary>Everything that some days are planned by.</summary>
    public static Task<Timetable> Load(SchoolConnection connection, DateOnly from, DateOnly to) => connection.QueryTogetherAsync(
            $"""
            {SelectHolidays};
            select id, weekday::int as weekday, to_char(starts_at, 'HH24:MI') as starts, minutes::int as minutes, teacher, by_hand,
              array(select child from slot_child where slot_child.school = slot.school and slot_child.slot = slot.id
                order by turn) as children
            from slot order by weekday, starts_at, id;
            {SelectBarred};
            select child, day, absent from absence where day between @from and @to;
            select slot, day, child from stand_in where day between @from and @to order by noted_at;
            select child, other from keep_apart where child < other order by child, other
            """,
            new { from, to },
            async read => new Timetable(
                await Year(read),
                [.. (await read.ReadAsync<SlotRow>()).Select(row => row.Slot)],
                [.. (await read.ReadAsync<BarredRow>()).Select(row => row.Kept.Barred)],
                [.. (await read.ReadAsync<AbsenceRow>()).Select(row => new Absence(row.Child, row.Day, row.Absent))],
                [.. (await read.ReadAsync<StandInRow>()).Select(row => new StandIn(row.Slot, row.Day, row.Child))])
            {
                KeptApart = [.. await read.ReadAsync<(ChildId One, ChildId Other)>()],
            });

    /// <summary>Those of some children of whom it is noted that they cannot come on a day.</summary>
    public static async Task<IReadOnlyList<ChildId>> AbsentOn(
        SchoolConnection connection, IReadOnlyList<ChildId> children, DateOnly day) =>
        [.. await connection.QueryAsync<ChildId>("select child from absence where child = any(@children) and day = @day",
            new { children = children.ToArray(), day })];

    /// <summary>The days on which a child could not come, the latest first.</summary>
    public static async Task<IReadOnlyList<Absence>> AbsencesOf(SchoolConnection connection, ChildId child, DateOnly since) =>
        [.. (await connection.QueryAsync<AbsenceRow>(
            "select child, day, absent from absence where child = @child and day >= @since order by day desc", new { child, since }))
                .Select(row => new Absence(row.Child, row.Day, row.Absent))];

    /// <summary>Adds a holiday; the same again under its id changes nothing.</summary>
    public static Task AddHoliday(SchoolConnection connection, HolidayId id, Holiday holiday) => connection.ExecuteAsync(
        "insert into holiday (school, id, name, first_day, last_day) values (@school, @id, @Name, @First, @Last) on conflict do nothing",
        new { school = connection.School, id, holiday.Name, holiday.First, holiday.Last });

    /// <summary>Takes a holiday out.</summary>
    public static Task RemoveHoliday(SchoolConnection connection, HolidayId id) =>
        connection.ExecuteAsync("delete from holiday where id = @id", new { id });

    /// <summary>Adds a slot; the same again under its id changes nothing.</summary>
    public static async Task AddSlot(SchoolConnection connection, Slot slot)
    {
        var added = await connection.ExecuteAsync(
            "insert into slot (school, id, weekday, starts_at, minutes, teacher, by_hand) values (@school, @Id, @weekday, "
                + "make_time(@hour, @minute, 0), @Minutes, @Teacher, @IsByHand) on conflict do nothing",
            new
            {
                school = connection.School,
                slot.Id,
                weekday = (int)slot.Weekday,
                hour = slot.From.Hour,
                minute = slot.From.Minute,
                slot.Minutes,
                slot.Teacher,
                slot.IsByHand,
            });
        if (added > 0) await SeatAll(connection, slot.Id, slot.Children);
    }

    /// <summary>Changes who a slot is for, and whose it is. When it is stays as it is.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="slot">The slot.</param>
    /// <param name="children">Who it is for.</param>
    /// <param name="byHand">Whether somebody did it; else a plan.</param>
    public static async Task Seat(SchoolConnection connection, SlotId slot, IReadOnlyList<ChildId> children, bool byHand)
    {
        await connection.ExecuteAsync("update slot set by_hand = @byHand where id = @slot", new { slot, byHand });
        await connection.ExecuteAsync("delete from slot_child where slot = @slot", new { slot });
        await SeatAll(connection, slot, children);
    }

    /// <summary>Changes whose a slot is.</summary>
    public static Task Assign(SchoolConnection connection, SlotId slot, PersonId? teacher) =>
        connection.ExecuteAsync("update slot set teacher = @teacher where id = @slot", new { slot, teacher });

    /// <summary>Lets plans change every slot again that was filled by hand, or one of them.</summary>
    public static Task LetPlansFill(SchoolConnection connection, SlotId? slot) =>
        connection.ExecuteAsync("update slot set by_hand = false where @slot::uuid is null or id = @slot", new { slot });

    /// <summary>Takes a slot out of the timetable.</summary>
    public static Task RemoveSlot(SchoolConnection connection, SlotId id) =>
        connection.ExecuteAsync("delete from slot where id = @id", new { id });

    /// <summary>Adds a time at which a class may not be fetched; the same again under its id changes nothing.</summary>
    public static Task Bar(SchoolConnection connection, BarredTimeId id, BarredTime barred) => connection.ExecuteAsync(
        """
        insert into barred_time (school, id, class_name, weekday, starts_at, ends_at, what)
        values (@school, @id, @Class, @weekday, make_time(@h1, @m1, 0), make_time(@h2, @m2, 0), @What) on conflict do nothing
        """,
        new
        {
            school = connection.School,
            id,
            barred.Class,
            weekday = (int)barred.Weekday,
            h1 = barred.From.Hour,
            m1 = barred.From.Minute,
            h2 = barred.To.Hour,
            m2 = barred.To.Minute,
            barred.What
        });

    /// <summary>Takes a barred time out.</summary>
    public static Task Unbar(SchoolConnection connection, BarredTimeId id) =>
        connection.ExecuteAsync("delete from barred_time where id = @id", new { id });

    /// <summary>Notes that a child cannot come on a day; null takes that back.</summary>
    public static Task NoteAbsence(SchoolConnection connection, ChildId child, DateOnly day, bool? absent, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        absent is null
            ? "delete from absence where child = @child and day = @day"
            : """
              insert into absence (school, child, day, absent, noted_by, noted_at) values (@school, @child, @day, @absent, @by, @now)
              on conflict (school, child, day) do update set absent = excluded.absent, noted_by = excluded.noted_by, noted_at =
                excluded.noted_at
              """,
        new { school = connection.School, child, day, absent, by, now });

    /// <summary>Notes that a child comes in another's place on a day, or takes that back.</summary>
    public static Task NoteStandIn(SchoolConnection connection, StandIn standIn, bool comes, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        comes
            ? "insert into stand_in (school, slot, day, child, noted_by, noted_at) values (@school, @Slot, @Day, @Child, @by, @now) on "
            + "conflict do nothing"
            : "delete from stand_in where slot = @Slot and day = @Day and child = @Child",
        new { school = connection.School, standIn.Slot, standIn.Day, standIn.Child, by, now });

    private static Task<int> SeatAll(SchoolConnection connection, SlotId slot, IReadOnlyList<ChildId> children) => connection.ExecuteAsync(
        "insert into slot_child (school, slot, child, turn) select @school, @slot, child, turn - 1 from unnest(@children) with "
            + "ordinality as one (child, turn)",
        new { school = connection.School, slot, children = children.ToArray() });

    private static TimeOnly Time(string text) => TimeOnly.ParseExact(text, "HH:mm", CultureInfo.InvariantCulture);
}
