using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>Sessions: what a cookie opens, until it is ended.</summary>
public static class Sessions
{
    /// <summary>Whether a teacher's session is open: it has not ended, its person is there and has had no new password since.</summary>
    internal const string IsOpenToPerson =
        """
        exists (select from session join person on person.school = session.school and person.id = session.person join account
          on account.id = person.id
          where session.id = @session and person.id = @person and account.security_stamp = @stamp and left_at is null
            and ended_at is null and ends_at > @now)
        """;

    /// <summary>Begins a teacher's session.</summary>
    public static Task BeginOfPerson(SchoolConnection connection, SessionId id, PersonId person, DateTime now, DateTime ends) =>
        connection.ExecuteAsync(
        "insert into session (school, id, person, started_at, ends_at) values (@school, @id, @person, @now, @ends)",
        new { school = connection.School, id, person, now, ends });

    /// <summary>Begins a session of a child's device at one sitting, with who may come back to the device; null: nobody.</summary>
    public static Task BeginOfChild(
        SchoolConnection connection, SessionId id, SittingId sitting, DateTime now, DateTime ends, WayBack? back = null) =>
        connection.ExecuteAsync(
        """
        insert into session (school, id, sitting, started_at, ends_at, back_to, back_stamp, back_ends)
        values (@school, @id, @sitting, @now, @ends, @to, @stamp, @until)
        """,
        new { school = connection.School, id, sitting, now, ends, to = back?.Person, stamp = back?.Stamp, until = back?.Ends });

    /// <summary>When a session is over at the latest; null where it is over.</summary>
    public static Task<DateTime?> EndsAt(SchoolConnection connection, SessionId id) =>
        connection.QuerySingleOrDefaultAsync<DateTime?>("select ends_at from session where id = @id and ended_at is null", new { id });

    /// <summary>Whether a session of a child's device is open.</summary>
    public static Task<bool> IsOpenToChild(SchoolConnection connection, SessionId id, SittingId sitting, DateTime now) =>
        connection.ExecuteScalarAsync<bool>(
        "select exists (select from session where id = @id and sitting = @sitting and ended_at is null and ends_at > @now)",
        new { id, sitting, now });

    /// <summary>Ends a session.</summary>
    public static Task End(SchoolConnection connection, SessionId id, DateTime now) =>
        connection.ExecuteAsync("update session set ended_at = @now where id = @id and ended_at is null", new { id, now });

    /// <summary>Ends the sessions of every device at a sitting: it is taken back from the child.</summary>
    public static Task EndAt(SchoolConnection connection, SittingId sitting, DateTime now) =>
        connection.ExecuteAsync("update session set ended_at = @now where sitting = @sitting and ended_at is null", new { sitting, now });

    /// <summary>Ends every session of somebody at the school.</summary>
    public static Task EndOf(SchoolConnection connection, PersonId person, DateTime now) =>
        connection.ExecuteAsync("update session set ended_at = @now where person = @person and ended_at is null", new { person, now });

    /// <summary>Somebody's sessions at the school that are open, the latest first.</summary>
    public static async Task<IReadOnlyList<OpenSession>> LoadOpen(SchoolConnection connection, PersonId person, DateTime now) =>
        [.. await connection.QueryAsync<OpenSession>(
            "select id, started_at, ends_at from session where person = @person and ended_at is null and ends_at > @now order by "
                + "started_at desc", new { person, now })];

    /// <summary>
    /// Throws away what has been over for a day: sessions, codes, tries, addresses, invitations; and who did what, a year ago. It belongs
    /// to no school.
    /// </summary>
    /// <returns>How many rows went.</returns>
    public static Task<int> Prune(DbConnection connection) => connection.ExecuteScalarAsync<int>("select prune_doors()");
}
