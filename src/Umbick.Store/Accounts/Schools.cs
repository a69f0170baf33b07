using System.Data.Common;
using Dapper;
using Umbick.Core.Clocks;

namespace Umbick.Store;

/// <summary>Schools, and what one has chosen.</summary>
public static class Schools
{
    // The server reads a file for each of its zones: once is enough.
    private static IReadOnlyList<string>? _timeZones;

    /// <summary>The time zone of the school that is set: asked for once a statement, and not once a row.</summary>
    internal const string TimeZone = "(select time_zone from school where id = current_school())";

    /// <summary>The school that is set.</summary>
    public static Task<School> Current(SchoolConnection connection) => connection.QuerySingleAsync<School>("select id, name from school");

    /// <summary>Every school. Only the owner sees them.</summary>
    public static async Task<IReadOnlyList<School>> All(DbConnection owner) =>
        [.. await owner.QueryAsync<School>("select id, name from school order by name")];

    /// <summary>What the school has chosen, by the ids of settings.</summary>
    public static async Task<IReadOnlyDictionary<string, string>> Settings(SchoolConnection connection) =>
        SettingsText.Read(await connection.QuerySingleAsync<string>("select settings::text from school"));

    /// <summary>The name of the school's time zone.</summary>
    public static Task<string> Zone(SchoolConnection connection) =>
        connection.QuerySingleAsync<string>("select time_zone from school where id = current_school()");

    /// <summary>The day that it is, where the school is.</summary>
    public static Task<DateOnly> Today(SchoolConnection connection, DateTime now) =>
        connection.QuerySingleAsync<DateOnly>("select (@now at time zone time_zone)::date from school where id = current_school()",
            new { now });

    private const string LocalDay = "(@now at time zone time_zone)::date";

    private const string LocalMinutes =
        "(extract(hour from @now at time zone time_zone) * 60 + extract(minute from @now at time zone time_zone))::int";

    /// <summary>The day and the time that it is, where the school is.</summary>
    public static async Task<(DateOnly Day, TimeOnly Time)> LocalNow(SchoolConnection connection, DateTime now)
    {
        var (day, minutes) = await connection.QuerySingleAsync<(DateOnly Day, int Minutes)>(
            $"select {LocalDay}, {LocalMinutes} from school where id = current_school()", new { now });
        return (day, TimeOnly.MinValue.AddMinutes(minutes));
    }

    /// <summary>The time that a clock shows there.</summary>
    public static async Task<ClockTime> ClockAt(SchoolConnection connection, DateTime now)
    {
        var (hour, minute) = await connection.QuerySingleAsync<(int Hour, int Minute)>(
            "select extract(hour from @now at time zone time_zone)::int, extract(minute from @now at time zone time_zone)::int from "
                + "school where id = current_school()", new { now });
        return new ClockTime(Hours.Named(hour), minute);
    }

    /// <summary>
    /// What the school has chosen, its time zone, the day and the time that it is there, and whether a teacher's session is open: all that
    /// each request needs.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="now">The present.</param>
    /// <param name="session">The session.</param>
    /// <param name="person">The teacher.</param>
    /// <param name="stamp">The teacher's security stamp when it began.</param>
    public static async Task<(IReadOnlyDictionary<string, string> Settings, string TimeZone, DateOnly Today, TimeOnly Now,
        bool IsOpen)?> SettingsAndDay(
        SchoolConnection connection, DateTime now, SessionId session, PersonId person, string stamp)
    {
        var row = await connection.QuerySingleOrDefaultAsync<(string Settings, string Zone, DateOnly Today, int Minutes, bool IsOpen)?>(
            $"select settings::text, time_zone, {LocalDay}, {LocalMinutes}, {Sessions.IsOpenToPerson} from school",
            new { now, session, person, stamp });
        return row is { } known
            ? (SettingsText.Read(known.Settings), known.Zone, known.Today, TimeOnly.MinValue.AddMinutes(known.Minutes), known.IsOpen)
            : null;
    }

    /// <summary>The time zones there are, by name.</summary>
    public static async Task<IReadOnlyList<string>> TimeZones(SchoolConnection connection) => _timeZones ??=
        [.. await connection.QueryAsync<string>(
            "select name from pg_timezone_names where name ~ "
                + "'^(Africa|America|Antarctica|Asia|Atlantic|Australia|Europe|Indian|Pacific)/' order by name")];

    /// <summary>Keeps the school's time zone, where there is one of this name.</summary>
    public static Task<int> MoveTo(SchoolConnection connection, string timeZone) =>
        connection.ExecuteAsync(
            "update school set time_zone = @timeZone where exists (select from pg_timezone_names where name = @timeZone)",
            new { timeZone });

    /// <summary>Keeps what the school has chosen.</summary>
    public static Task Choose(SchoolConnection connection, IReadOnlyDictionary<string, string> settings) =>
        connection.ExecuteAsync("update school set settings = @settings::jsonb", new { settings = SettingsText.Write(settings) });

    /// <summary>Keeps one thing that the school has chosen.</summary>
    public static Task Choose(SchoolConnection connection, string setting, string choice) =>
        connection.ExecuteAsync("update school set settings = settings || jsonb_build_object(@setting::text, @choice::text)",
            new { setting, choice });

    /// <summary>The ids of all schools, before one is known.</summary>
    public static async Task<IReadOnlyList<SchoolId>> Ids(DbConnection connection) =>
        [.. await connection.QueryAsync<SchoolId>("select * from school_ids()")];

    /// <summary>Adds a school. Only the owner may.</summary>
    public static Task Add(SchoolConnection owner, School school) =>
        owner.ExecuteAsync("insert into school (id, name) values (@Id, @Name)", school);

    /// <summary>Erases the school that is set, with everything that belongs to it. Only the owner may.</summary>
    public static async Task Erase(SchoolConnection owner)
    {
        // What is being reckoned of a child is kept first: it would name a sitting that is gone.
        await Children.LockAll(owner);
        // And what the site is keeping of the school at this moment: a row that came after its table was emptied would hold the school.
        await owner.ExecuteAsync("select from school where id = current_school() for update");
        foreach (var table in new[] { "audit_entry", "erasure", "home_address", "report", "keep_apart", "groups_kept",
            "calendar_address", "pin", "commit_mark", "sent_file",
            "invitation", "session", "decision", "cycle", "absence",
            "stand_in", "slot_child", "slot", "barred_time", "holiday", "class_teaching", "marginal", "prompt", "answer", "asked_item",
            "device_code", "sheet", "sitting", "screening_item", "screening", "set_item", "practice_set", "named_way",
            "time_try", "training", "day_moment", "demonstration_shown", "visit_note", "asked_after", "home_note", "home_language",
            "room_clock_reading", "visit_child", "visit", "child", "person" })
            await owner.ExecuteAsync($"delete from {table} where school = current_school()");
        await owner.ExecuteAsync("delete from account where not exists (select from person where person.id = account.id)");
        // A school that is given the same mark later must not wait for this one's wrong codes.
        await owner.ExecuteAsync(
            "delete from door_try where door = 'child-code' and key = (select sha256(convert_to(mark, 'UTF8')) from school where id = "
                + "current_school())");
        await owner.ExecuteAsync("delete from school where id = current_school()");
    }
}
