using System.Data.Common;
using System.Security.Cryptography;
using Dapper;

namespace Umbick.Store;

/// <summary>Links that let somebody in once. What stands in the link is 256 bits; only their hash is kept.</summary>
public static class Invitations
{
    /// <summary>
    /// Whether a link still opens, asked whenever one is looked at or used: it is unused and its time is not over; whoever made it is in
    /// charge here still; and whom it lets in again works here as they did when it was made and, unless the server made it, at no other
    /// school.
    /// </summary>
    private const string Stands =
        """
        used_at is null and expires_at > @now
        and (made_by is null or exists (select from person maker where maker.school = invitation.school and maker.id = made_by
          and maker.in_charge and maker.left_at is null))
        and (invitation.person is null or exists (
          select from person known join account on account.id = known.id
          where known.school = invitation.school and known.id = invitation.person and known.left_at is null
            and account.changes = coalesce(invitation.changes, 0)
            and (made_by is null or count_schools(known.id) = 1)))
        """;

    private const string Select = "select id, person, display_name, role, in_charge, expires_at from invitation";

    /// <summary>Makes a link. Another for the same person that is not used yet can no longer be.</summary>
    /// <returns>What stands in the link.</returns>
    public static async Task<string> Make(
        SchoolConnection connection, PersonId? person, string displayName, PersonRole role, bool inCharge, PersonId? by, DateTime now)
    {
        var secret = RandomNumberGenerator.GetBytes(32);
        if (person is not null)
            await connection.ExecuteAsync(
                "update invitation set expires_at = @now where person = @person and used_at is null and expires_at > @now",
                new { person, now });
        await connection.ExecuteAsync(
            """
            insert into invitation (school, id, person, display_name, role, in_charge, hash, made_by, made_at, expires_at, changes)
            values (@school, @id, @person, @displayName, @role, @inCharge, @hash, @by, @now, @expires, (select changes from account
              where id = @person))
            """,
            new
            {
                school = connection.School,
                id = InvitationId.New(),
                person,
                displayName,
                role = role.ToString().ToLowerInvariant(),
                inCharge,
                hash = SHA256.HashData(secret),
                by,
                now,
                expires = now + (person is null ? Invitation.ForSomebodyNew : Invitation.ToGetIn),
            });
        // In small letters: addresses are written so throughout.
        return Convert.ToHexStringLower(secret);
    }

    /// <summary>Where a link leads: the school and the invitation's id; null where it leads nowhere, or does no longer.</summary>
    public static async Task<(SchoolId School, InvitationId Id)?> Find(DbConnection connection, string link) => HashOf(link) is { } hash
        ? await connection.QuerySingleOrDefaultAsync<(SchoolId School, InvitationId Id)?>("select school, id from find_invitation(@hash)",
        new { hash })
        : null;

    /// <summary>An invitation of the school that is set; null where it opens nothing any more.</summary>
    public static Task<Invitation?> Find(SchoolConnection connection, InvitationId id, DateTime now) =>
        connection.QuerySingleOrDefaultAsync<Invitation>($"{Select} where id = @id and {Stands}", new { id, now });

    /// <summary>Those that wait to be used, the latest first.</summary>
    public static async Task<IReadOnlyList<Invitation>> Waiting(SchoolConnection connection, DateTime now) =>
        [.. await connection.QueryAsync<Invitation>($"{Select} where {Stands} order by made_at desc", new { now })];

    /// <summary>Uses one up.</summary>
    /// <returns>Whether it could be used: of two at once, one can.</returns>
    public static async Task<bool> Use(SchoolConnection connection, InvitationId id, DateTime now)
    {
        // Whoever joins a school, or is given another role, meanwhile is waited for: then the link stands no more.
        await connection.ExecuteAsync("select from account where id = (select person from invitation where id = @id) for update",
            new { id });
        return await connection.ExecuteAsync($"update invitation set used_at = @now where id = @id and {Stands}", new { id, now }) > 0;
    }

    /// <summary>Has one that was used wait again: what it was used for could not be done.</summary>
    public static Task GiveBack(SchoolConnection connection, InvitationId id) =>
        connection.ExecuteAsync("update invitation set used_at = null where id = @id", new { id });

    /// <summary>Takes one back.</summary>
    public static Task TakeBack(SchoolConnection connection, InvitationId id, DateTime now) =>
        connection.ExecuteAsync("update invitation set expires_at = @now where id = @id and used_at is null", new { id, now });

    private static byte[]? HashOf(string link)
    {
        try
        {
            return SHA256.HashData(Convert.FromHexString(link));
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
