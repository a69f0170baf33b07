
namespace Umbick.Store;

/// <summary>Devices that were opened by a code at a visit.</summary>
public static class VisitDevices
{
    private const string Columns = "id, asks_since is not null as asks, let_in_at is not null as is_let_in";
    private const string OfVisit = "sitting in (select id from sitting where visit = @visit) and ended_at is null and ends_at > @now";

    /// <summary>The devices at a visit, and whether a code waits that opens one more.</summary>
    public static Task<(IReadOnlyList<VisitDevice> Devices, bool CodeWaits)> At(SchoolConnection connection, VisitId visit, DateTime now) =>
        connection.QueryTogetherAsync<(IReadOnlyList<VisitDevice>, bool)>(
            $"""
            select {Columns} from session where {OfVisit}
              order by started_at, id;
            select exists (select from device_code where sitting in (select id from sitting where visit = @visit)
              and used_at is null and expires_at > @now)
            """,
            new { visit, now },
            async read => ([.. await read.ReadAsync<VisitDevice>()], await read.ReadSingleAsync<bool>()));

    /// <summary>Has a device ask to join; one that has asked before goes on asking.</summary>
    public static Task Ask(SchoolConnection connection, SessionId device, DateTime now) =>
        connection.ExecuteAsync("update session set asks_since = @now where id = @device and asks_since is null", new { device, now });

    /// <summary>Lets a device of a visit in that asks. The one that was in before is ended.</summary>
    public static async Task LetIn(SchoolConnection connection, VisitId visit, SessionId device, PersonId by, DateTime now)
    {
        var letIn = await connection.ExecuteAsync(
            $"update session set let_in_at = @now, let_in_by = @by where id = @device and {OfVisit} and asks_since is not null "
                + "and let_in_at is null",
            new { visit, device, by, now });
        if (letIn > 0)
        {
            await connection.ExecuteAsync(
                $"update session set ended_at = @now where {OfVisit} and let_in_at is not null and id <> @device",
                new { visit, device, now });
        }
    }

    /// <summary>Ends a device of a visit: it opens nothing more.</summary>
    public static Task End(SchoolConnection connection, VisitId visit, SessionId device, DateTime now) =>
        connection.ExecuteAsync($"update session set ended_at = @now where id = @device and {OfVisit}", new { visit, device, now });

    /// <summary>Ends the devices of a visit that show its clock; a second adult's goes on.</summary>
    public static Task EndScreens(SchoolConnection connection, VisitId visit, DateTime now) =>
        connection.ExecuteAsync($"update session set ended_at = @now where {OfVisit} and let_in_at is null", new { visit, now });

    /// <summary>The visit that a device was let in to, and by whom; null where it was not.</summary>
    public static Task<LetInTo?> LetInTo(SchoolConnection connection, SessionId device, SittingId sitting) =>
        connection.QuerySingleOrDefaultAsync<LetInTo>(
            """
            select visit.id as visit, session.let_in_by as by, visit.ended_at is not null as is_over from session
              join sitting on sitting.school = session.school and sitting.id = session.sitting
              join visit on visit.school = sitting.school and visit.id = sitting.visit
              where session.id = @device and session.sitting = @sitting and let_in_at is not null
            """,
            new { device, sitting });

    /// <summary>A device; null where there is none.</summary>
    public static Task<VisitDevice?> Find(SchoolConnection connection, SessionId device) =>
        connection.QuerySingleOrDefaultAsync<VisitDevice>($"select {Columns} from session where id = @device", new { device });
}
