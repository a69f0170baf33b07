namespace Umbick.Store;

/// <summary>The six figures by which somebody comes back to a device that a child had.</summary>
public static class Pins
{
    /// <summary>Whether the school lets people come back by six figures.</summary>
    public static Task<bool> IsAllowed(SchoolConnection connection) =>
        connection.QuerySingleAsync<bool>("select pin_allowed from school where id = current_school()");

    /// <summary>Lets people of the school come back by six figures, or not.</summary>
    public static Task Allow(SchoolConnection connection, bool allowed) =>
        connection.ExecuteAsync("update school set pin_allowed = @allowed where id = current_school()", new { allowed });

    /// <summary>Whether somebody has switched it on for themselves.</summary>
    public static Task<bool> IsSet(SchoolConnection connection, PersonId person) =>
        connection.ExecuteScalarAsync<bool>("select exists (select from pin where person = @person)", new { person });

    /// <summary>Keeps somebody's figures, hashed, in place of those before.</summary>
    public static Task Set(SchoolConnection connection, PersonId person, string hash, DateTime now) => connection.ExecuteAsync(
        """
        insert into pin (school, person, hash, set_at) values (@school, @person, @hash, @now)
        on conflict (school, person) do update set hash = excluded.hash, set_at = excluded.set_at
        """,
        new { school = connection.School, person, hash, now });

    /// <summary>Switches it off for somebody.</summary>
    public static Task Remove(SchoolConnection connection, PersonId person) =>
        connection.ExecuteAsync("delete from pin where person = @person", new { person });

    /// <summary>
    /// What has to be typed on a child's device to come back to it, hashed; null where that way is shut: switched off by the school or the
    /// person, or they have left, or have a new password, or their own session would be over.
    /// </summary>
    public static Task<string?> HashFor(SchoolConnection connection, SessionId device, DateTime now) =>
        connection.QuerySingleOrDefaultAsync<string?>(
        """
        select hash from session join pin on pin.school = session.school and pin.person = session.back_to
          join person on person.school = session.school and person.id = session.back_to join account on account.id = person.id
          join school on school.id = session.school
        where session.id = @device and session.ended_at is null and back_ends > @now and pin_allowed and left_at is null
          and account.security_stamp = back_stamp
        """,
        new { device, now });

    /// <summary>Whether a try would still be heard on a child's device.</summary>
    public static Task<bool> HasTries(SchoolConnection connection, SessionId device) => connection.ExecuteScalarAsync<bool>(
        "select exists (select from session where id = @device and back_tries < @most)", new { device, most = WayBack.MostTries });

    /// <summary>Counts a try, before it is heard.</summary>
    /// <returns>How many are left after it, and to whom it leads until when; null where none was left.</returns>
    public static Task<CountedPin?> Count(SchoolConnection connection, SessionId device) =>
        connection.QuerySingleOrDefaultAsync<CountedPin>(
        """
        update session set back_tries = back_tries + 1 where id = @device and back_to is not null and back_tries < @most
        returning back_to as person, (@most - back_tries)::int as left, back_ends as ends
        """,
        new { device, most = WayBack.MostTries });
}
