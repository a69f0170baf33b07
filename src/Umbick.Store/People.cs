using System.Data.Common;
using Dapper;
using Npgsql;

namespace Umbick.Store;

/// <summary>People of a school, and who one is before their school is known.</summary>
public static class People
{
    private const string SelectPerson =
        """
        select person.school, person.id, display_name, role, in_charge, left_at, user_name, normalized_user_name, password_hash, security_stamp, access_failed_count, lockout_end,
          two_factor, authenticator_key, recovery_codes
        from person join account on account.id = person.id
        """;

    /// <summary>The schools at which a user name works, and the id; none where nobody has it.</summary>
    public static async Task<IReadOnlyList<(Guid School, Guid Id)>> FindByName(DbConnection connection, string normalizedUserName) =>
        [.. await connection.QueryAsync<(Guid School, Guid Id)>("select school, id from find_person(@normalizedUserName)", new { normalizedUserName })];

    /// <summary>A person of the school that is set; null where there is none, or they no longer work there.</summary>
    public static Task<Person?> Find(SchoolConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Person>($"{SelectPerson} where person.id = @id and left_at is null", new { id });

    /// <summary>Everybody who works at the school, by name.</summary>
    public static async Task<IReadOnlyList<Person>> All(SchoolConnection connection) =>
        [.. await connection.QueryAsync<Person>($"{SelectPerson} where left_at is null order by display_name, person.id")];

    /// <summary>The names of everybody who works or has worked at the school.</summary>
    public static async Task<IReadOnlyDictionary<Guid, string>> Names(SchoolConnection connection) =>
        (await connection.QueryAsync<(Guid Id, string Name)>("select id, display_name from person")).ToDictionary(one => one.Id, one => one.Name);

    /// <summary>When each who works at the school was last there: when their latest session began.</summary>
    public static async Task<IReadOnlyDictionary<Guid, DateTime>> LastSeen(SchoolConnection connection) =>
        (await connection.QueryAsync<(Guid Id, DateTime At)>("select person, max(at) from audit_entry where what = @what and person is not null group by person", new { what = AuditKinds.SignedIn }))
        .ToDictionary(one => one.Id, one => one.At);

    /// <summary>Keeps a person's password, second factor, and until when nobody can sign in as them.</summary>
    public static Task Update(SchoolConnection connection, Person person) => connection.ExecuteAsync(
        """
        update account set password_hash = @PasswordHash, security_stamp = @SecurityStamp, lockout_end = @LockoutEnd, two_factor = @TwoFactor, authenticator_key = @AuthenticatorKey,
          recovery_codes = @RecoveryCodes where id = @Id
        """,
        person);

    /// <summary>Keeps the recovery codes that are left, unless another use of one was kept meanwhile.</summary>
    public static async Task<bool> UseRecoveryCode(SchoolConnection connection, Guid id, string before, string after) =>
        await connection.ExecuteAsync("update account set recovery_codes = @after where id = @id and recovery_codes = @before", new { id, before, after }) > 0;

    /// <summary>Counts a wrong password; of several at once each is counted.</summary>
    /// <returns>How many there are now.</returns>
    public static Task<int> CountWrong(SchoolConnection connection, Guid id) =>
        connection.ExecuteScalarAsync<int>("update account set access_failed_count = access_failed_count + 1 where id = @id returning access_failed_count", new { id });

    /// <summary>Forgets what was counted.</summary>
    public static Task ForgetWrong(SchoolConnection connection, Guid id) => connection.ExecuteAsync("update account set access_failed_count = 0 where id = @id", new { id });

    /// <summary>Adds somebody who signs in.</summary>
    /// <returns>The person; null where somebody has that user name.</returns>
    public static async Task<Person?> TryAdd(SchoolConnection connection, string userName, string displayName, string passwordHash, PersonRole role, bool inCharge)
    {
        var id = Guid.NewGuid();
        await connection.ExecuteAsync("savepoint before_account");
        try
        {
            await connection.ExecuteAsync(
                """
                insert into account (id, user_name, normalized_user_name, password_hash, security_stamp) values (@id, @userName, @normalized, @passwordHash, @stamp)
                """,
                new { id, userName, normalized = Normalized(userName), passwordHash, stamp = Guid.NewGuid().ToString("N") });
        }
        catch (PostgresException taken) when (taken.SqlState == PostgresErrorCodes.UniqueViolation)
        {
            await connection.ExecuteAsync("rollback to savepoint before_account");
            return null;
        }
        await Employ(connection, id, displayName, role, inCharge);
        return await Find(connection, id);
    }

    /// <summary>Adds a teacher in charge who signs in.</summary>
    /// <exception cref="InvalidOperationException">Somebody has that user name.</exception>
    public static async Task<Person> Add(SchoolConnection connection, string userName, string displayName, string passwordHash) =>
        await TryAdd(connection, userName, displayName, passwordHash, PersonRole.Teacher, inCharge: true) ?? throw new InvalidOperationException("Somebody has that user name.");

    /// <summary>Takes an account on at the school, also one that has worked there before.</summary>
    public static Task Employ(SchoolConnection connection, Guid id, string displayName, PersonRole role, bool inCharge) => connection.ExecuteAsync(
        """
        insert into person (school, id, display_name, role, in_charge) values (@school, @id, @displayName, @role, @inCharge)
        on conflict (school, id) do update set display_name = @displayName, role = @role, in_charge = @inCharge, left_at = null
        """,
        new { school = connection.School, id, displayName, role = RoleText(role), inCharge });

    /// <summary>Keeps what somebody is at the school, or that they have left; their sessions end. The last one in charge stays so.</summary>
    /// <returns>Whether it was kept: not where nobody would be in charge.</returns>
    public static async Task<bool> Change(SchoolConnection connection, Guid id, PersonRole role, bool inCharge, bool leaves, DateTime now)
    {
        // One at a time: two in charge who each take the right from the other would leave none.
        var others = (await connection.QueryAsync<Guid>("select id from person where in_charge and left_at is null order by id for update")).Where(other => other != id);
        if ((!inCharge || leaves) && !others.Any()) return false;
        await connection.ExecuteAsync(
            "update person set role = @role, in_charge = @inCharge, left_at = case when @leaves then @now else left_at end where id = @id",
            new { id, role = RoleText(role), inCharge = inCharge && !leaves, leaves, now });
        await Sessions.EndOf(connection, id, now);
        return true;
    }

    /// <summary>A user name as it is looked for.</summary>
    public static string Normalized(string userName) => userName.Trim().Normalize().ToUpperInvariant();

    private static string RoleText(PersonRole role) => role.ToString().ToLowerInvariant();
}
