
namespace Umbick.Store;

/// <summary>Visits, and what is kept of them beside their sittings.</summary>
public static class Visits
{
    internal const string Columns =
        $"id, pattern as pattern_id, demonstration, part as part_name, place::int as place, started_at, ended_at, (started_at at time "
            + $"zone {Schools.TimeZone})::date as day";

    public static Task<Visit?> Find(SchoolConnection connection, VisitId id) =>
        connection.QuerySingleOrDefaultAsync<Visit>($"select {Columns} from visit where id = @id", new { id });

    /// <summary>The visit, kept from other writers until the transaction ends.</summary>
    public static Task<Visit?> Lock(SchoolConnection connection, VisitId id) =>
        connection.QuerySingleOrDefaultAsync<Visit>($"select {Columns} from visit where id = @id for update", new { id });

    /// <summary>The visits that are not over, the latest first.</summary>
    public static async Task<IReadOnlyList<Visit>> Open(SchoolConnection connection) =>
        [.. await connection.QueryAsync<Visit>($"select {Columns} from visit where ended_at is null order by started_at desc")];

    /// <summary>The children of visits that are not over, each with the latest such visit.</summary>
    public static async Task<IReadOnlyDictionary<ChildId, VisitId>> OpenOf(SchoolConnection connection) =>
        (await connection.QueryAsync<(ChildId Child, VisitId Visit)>(
            "select distinct on (visit_child.child) visit_child.child, visit.id from visit_child join visit on visit.school = "
                + "visit_child.school and visit.id = visit_child.visit where visit.ended_at is null order by visit_child.child, "
                + "visit.started_at desc"))
        .ToDictionary(open => open.Child, open => open.Visit);

    /// <summary>The visits of a child, the latest first.</summary>
    public static async Task<IReadOnlyList<Visit>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<Visit>(
            $"select {Columns} from visit where exists (select from visit_child where visit_child.school = visit.school and "
                + $"visit_child.visit = visit.id and visit_child.child = @child) order by started_at desc", new { child })];

    /// <summary>The children of a visit, by turn.</summary>
    public static async Task<IReadOnlyList<VisitChild>> Children(SchoolConnection connection, VisitId visit) =>
        [.. await connection.QueryAsync<VisitChild>("select child, left_at from visit_child where visit = @visit order by turn",
            new { visit })];

    /// <summary>Begins a visit, unless it was begun before.</summary>
    /// <returns>Whether it was begun now.</returns>
    public static async Task<bool> Begin(
        SchoolConnection connection, VisitId id, string pattern, string? demonstration, IReadOnlyList<ChildId> children, PersonId by,
        DateTime now, VisitPart first)
    {
        var added = await connection.ExecuteAsync(
            "insert into visit (school, id, pattern, demonstration, part, started_by, started_at) values (@school, @id, @pattern, "
                + "@demonstration, @first, @by, @now) on conflict do nothing",
            new { school = connection.School, id, pattern, demonstration, by, now, first = VisitPartNames.NameOf(first) });
        if (added == 0) return false;
        await connection.ExecuteAsync(
            "insert into visit_child (school, visit, child, turn) select @school, @id, child, turn - 1 from unnest(@children) with "
                + "ordinality as one (child, turn)",
            new { school = connection.School, id, children = children.ToArray() });
        return true;
    }

    /// <summary>Whether any of some children read the wall clock in a visit since a day.</summary>
    public static Task<bool> WallClockSince(SchoolConnection connection, IReadOnlyList<ChildId> children, DateOnly day) =>
        connection.ExecuteScalarAsync<bool>(
            $"select exists (select from room_clock_reading where child = any(@children) and (said_at at time zone "
                + $"{Schools.TimeZone})::date >= @day)",
            new { children = children.ToArray(), day });

    /// <summary>
    /// How long each clock took in the latest visits of so many children: the seconds between the answers to one and the next, in the
    /// middle; null where there were too few.
    /// </summary>
    /// <param name="connection">The school.</param>
    /// <param name="children">How many children.</param>
    public static async Task<(double? Cold, double? Practise)> Pace(SchoolConnection connection, int children)
    {
        var rows = await connection.QueryAsync<(bool Practise, double Seconds)>(
            """
            with held as (
              select id from visit
              where ended_at is not null and (select count(*) from visit_child where visit_child.school = visit.school
                and visit_child.visit = visit.id) = @children
              order by started_at desc limit @most),
            faces as (
              select sitting.visit, sitting.kind = 'practice' as practise, answer.place, max(answer.given_at) as at
              from held join sitting on sitting.visit = held.id
                join answer on answer.school = sitting.school and answer.sitting = sitting.id
              where answer.corrects is null and answer.try = 1
              group by 1, 2, 3)
            select practise, extract(epoch from at - lag(at) over (partition by visit, practise order by place))::double precision
            from faces
            """,
            new { children, most = MostForPace });
        var by = rows.Where(row => row.Seconds is > 0 and < LongestFace).ToLookup(row => row.Practise, row => row.Seconds);
        return (MiddleOf(by[false]), MiddleOf(by[true]));

        static double? MiddleOf(IEnumerable<double> seconds) =>
            seconds.Order().ToList() is { Count: >= FewestForPace } all ? all[all.Count / 2] : null;
    }

    private const int MostForPace = 20;
    private const int FewestForPace = 8;

    /// <summary>Whoever takes longer over a clock, in seconds, was doing something else.</summary>
    private const double LongestFace = 300;

    /// <summary>Moves a visit to a place of a part.</summary>
    public static Task MoveTo(SchoolConnection connection, VisitId id, VisitPart part, int place) =>
        connection.ExecuteAsync("update visit set part = @part, place = @place where id = @id",
            new { id, part = VisitPartNames.NameOf(part), place });

    /// <summary>Ends a visit, unless it is over.</summary>
    public static Task End(SchoolConnection connection, VisitId id, DateTime now) =>
        connection.ExecuteAsync("update visit set ended_at = @now where id = @id and ended_at is null", new { id, now });

    /// <summary>Opens a visit again that was over.</summary>
    public static Task Reopen(SchoolConnection connection, VisitId id) =>
        connection.ExecuteAsync("update visit set ended_at = null where id = @id", new { id });

    /// <summary>Notes that a child has gone, or is there again.</summary>
    public static Task Leave(SchoolConnection connection, VisitId visit, ChildId child, DateTime? at) =>
        connection.ExecuteAsync("update visit_child set left_at = @at where visit = @visit and child = @child", new { visit, child, at });

    /// <summary>What a child read off the room's clock in their visits, the latest first, with the day.</summary>
    public static async Task<IReadOnlyList<(DateOnly Day, string ClockTime, string Raw)>> RoomClockOf(
        SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<(DateOnly Day, string ClockTime, string Raw)>(
            $"""
            select (said_at at time zone {Schools.TimeZone})::date, clock_time, raw from
              (select distinct on (visit) visit, said_at, clock_time, raw from room_clock_reading where child = @child
                order by visit, said_at desc, id desc) latest
            order by said_at desc
            """,
            new { child })];

    /// <summary>Keeps what a child read off the room's clock; the same again under its id changes nothing.</summary>
    /// <returns>What is kept under the id.</returns>
    public static async Task<string> ReadRoomClock(
        SchoolConnection connection, VisitId visit, RoomClockReading reading, PersonId by, DateTime now)
    {
        await connection.ExecuteAsync(
            """
            insert into room_clock_reading (school, id, visit, child, clock_time, raw, noted_by, said_at)
            values (@school, @Id, @visit, @Child, @ClockTime, @Raw, @by, @now) on conflict do nothing
            """,
            new { school = connection.School, reading.Id, visit, reading.Child, reading.ClockTime, reading.Raw, by, now });
        return await connection.QuerySingleAsync<string>("select raw from room_clock_reading where id = @Id", new { reading.Id });
    }

    /// <summary>The notes of a child, with the day of their visit, the latest first.</summary>
    public static async Task<IReadOnlyList<(DateOnly Day, string Note)>> NotesOf(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<(DateOnly Day, string Note)>(
            $"""
            select (visit.started_at at time zone {Schools.TimeZone})::date, note from visit_note join visit
              on visit.school = visit_note.school and visit.id = visit_note.visit
            where child = @child order by visit.started_at desc, noted_at, note
            """,
            new { child })];

    /// <summary>Notes something of a child, or takes the note back.</summary>
    public static Task Note(
        SchoolConnection connection, VisitId visit, ChildId child, string note, bool holds, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        holds
            ? "insert into visit_note (school, visit, child, note, noted_by, noted_at) values (@school, @visit, @child, @note, @by, "
            + "@now) on conflict do nothing"
            : "delete from visit_note where visit = @visit and child = @child and note = @note",
        new { school = connection.School, visit, child, note, by, now });

    /// <summary>Notes how much an answer took; null takes the note back.</summary>
    public static Task NotePrompt(SchoolConnection connection, SittingId sitting, int place, string? rung, PersonId by, DateTime now) =>
        connection.ExecuteAsync(
        rung is null
            ? "delete from prompt where sitting = @sitting and place = @place"
            : """
              insert into prompt (school, sitting, place, rung, noted_by, noted_at) values (@school, @sitting, @place, @rung, @by, @now)
              on conflict (school, sitting, place) do update set rung = excluded.rung, noted_by = excluded.noted_by, noted_at =
                excluded.noted_at
              """,
        new { school = connection.School, sitting, place, rung, by, now });
}
