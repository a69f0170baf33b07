using System.Data.Common;
using System.Security.Cryptography;
using Dapper;

namespace Umbick.Store;

/// <summary>Private addresses of calendars. What stands in one is 256 bits; only their hash is kept.</summary>
public static class CalendarAddresses
{
    private const int Bytes = 32;

    /// <summary>When a person's address was made; null where they have none.</summary>
    public static Task<DateTime?> MadeAt(SchoolConnection connection, PersonId person) =>
        connection.QuerySingleOrDefaultAsync<DateTime?>("select made_at from calendar_address where person = @person", new { person });

    /// <summary>Makes a person's address; one that they had opens nothing any more.</summary>
    /// <returns>What stands in the address.</returns>
    public static async Task<string> Make(SchoolConnection connection, PersonId person, DateTime now)
    {
        var secret = RandomNumberGenerator.GetBytes(Bytes);
        await connection.ExecuteAsync(
            """
            insert into calendar_address (school, person, hash, made_at) values (@school, @person, @hash, @now)
            on conflict (school, person) do update set hash = excluded.hash, made_at = excluded.made_at
            """,
            new { school = connection.School, person, hash = SHA256.HashData(secret), now });
        return Convert.ToHexStringLower(secret);
    }

    /// <summary>Withdraws a person's address: it opens nothing any more.</summary>
    public static Task Withdraw(SchoolConnection connection, PersonId person) =>
        connection.ExecuteAsync("delete from calendar_address where person = @person", new { person });

    /// <summary>
    /// Whose calendar an address is, before a school is known: a teacher's who works there still; null where it is nobody's.
    /// </summary>
    public static async Task<(SchoolId School, PersonId Person)?> Find(DbConnection connection, string secret)
    {
        if (secret.Length != 2 * Bytes || !secret.All(char.IsAsciiHexDigit)) return null;
        var found = await connection.QueryAsync<(SchoolId, PersonId)>("select school, person from find_calendar(@hash)",
            new { hash = SHA256.HashData(Convert.FromHexString(secret)) });
        return found.Select(each => ((SchoolId, PersonId)?)each).SingleOrDefault();
    }

    /// <summary>Times of the school's clock as moments.</summary>
    public static async Task<IReadOnlyList<DateTime>> Moments(SchoolConnection connection, IReadOnlyList<DateTime> local) =>
        [.. await connection.QueryAsync<DateTime>(
            $"select (at at time zone {Schools.TimeZone}) from unnest(@local::timestamp[]) with ordinality as one (at, turn) order by turn",
            new { local = local.Select(time => DateTime.SpecifyKind(time, DateTimeKind.Unspecified)).ToArray() })];
}
