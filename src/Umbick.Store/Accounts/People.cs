using System.Data.Common;
using Dapper;
using Npgsql;

namespace Umbick.Store;

/// <summary>People of a school, and who one is before their school is known.</summary>
public static class People
{
    private const string SelectPerson =
        """
        select person.school, person.id, display_name, role, in_charge, left_at, user_name, normalized_user_name, password_hash,
          security_stamp,
          two_factor, authenticator_key, recovery_codes, second_step_off_at, second_step_off_by
        from person join account on account.id = person.id
        """;

    /// <summary>The schools at which a user name works, and the id; none where nobody has it.</summary>
    public static async Task<IReadOnlyList<(SchoolId School, PersonId Person)>> FindByName(
        DbConnection connection, string normalizedUserName) =>
        [.. await connection.QueryAsync<(SchoolId School, PersonId Person)>("select school, id from find_person(@normalizedUserName)",
            new { normalizedUserName })];

    /// <summary>A person of the school that is set; null where there is none, or they no longer work there.</summary>
    public static Task<Person?> Find(SchoolConnection connection, PersonId id) =>
        connection.QuerySingleOrDefaultAsync<Person>($"{SelectPerson} where person.id = @id and left_at is null", new { id });

    /// <summary>Everybody who works at the school, by name.</summary>
    public static async Task<IReadOnlyList<Person>> All(SchoolConnection connection) =>
        [.. await connection.QueryAsync<Person>($"{SelectPerson} where left_at is null order by display_name, person.id")];

    /// <summary>The names of everybody who works or has worked at the school.</summary>
    public static async Task<IReadOnlyDictionary<PersonId, string>> Names(SchoolConnection connection) =>
        (await connection.QueryAsync<(PersonId Id, string Name)>("select id, display_name from person")).ToDictionary(each => each.Id,
            each => each.Name);

    /// <summary>When each who works at the school was last there: when their latest session began.</summary>
    public static async Task<IReadOnlyDictionary<PersonId, DateTime>> LastSeen(SchoolConnection connection) =>
        (await connection.QueryAsync<(PersonId Id, DateTime At)>(
            "select person, max(at) from audit_entry where what = @what and person is not null group by person",
            new { what = AuditKinds.SignedIn }))
        .ToDictionary(each => each.Id, each => each.At);

    /// <summary>Keeps a person's password and second factor.</summary>
    public static Task Update(SchoolConnection connection, Person person) => connection.ExecuteAsync(
        """
        update account set password_hash = @PasswordHash, security_stamp = @SecurityStamp, two_factor = @TwoFactor, authenticator_key =
          @AuthenticatorKey,
          recovery_codes = @RecoveryCodes where id = @Id
        """,
        person);

    /// <summary>Keeps the recovery codes that are left, unless another use of one was kept meanwhile.</summary>
    public static async Task<bool> UseRecoveryCode(SchoolConnection connection, PersonId id, string before, string after) =>
        await connection.ExecuteAsync("update account set recovery_codes = @after where id = @id and recovery_codes = @before",
            new { id, before, after }) > 0;

    /// <summary>Takes a code by time, unless it or a later one was taken before.</summary>
    /// <param name="connection">A school of theirs.</param>
    /// <param name="id">The person.</param>
    /// <param name="step">The code's step in time.</param>
    /// <returns>Whether it was taken: of the same code twice at once, one is.</returns>
    public static async Task<bool> TakeCodeStep(SchoolConnection connection, PersonId id, long step) =>
        await connection.ExecuteAsync("update account set code_step = @step where id = @id and (code_step is null or code_step < @step)",
            new { id, step }) > 0;

    /// <summary>
    /// Turns somebody's second step off, at the word of somebody else: their sessions end, and they are told when they next come in.
    /// </summary>
    /// <param name="connection">The school.</param>
    /// <param name="id">Whose it is.</param>
    /// <param name="by">The name of who does it; null where it is done on the server.</param>
    /// <param name="now">The present.</param>
    /// <returns>Whether it was turned off: not where it was not on, nor, by a colleague, where they work at another school too.</returns>
    public static async Task<bool> TurnSecondStepOff(SchoolConnection connection, PersonId id, string? by, DateTime now)
    {
        await Lock(connection, id);
        var turned = await connection.ExecuteAsync(
            """
            update account set two_factor = false, authenticator_key = null, recovery_codes = '', second_step_off_at = @now,
              second_step_off_by = @by, security_stamp = @stamp
            where id = @id and two_factor and (@by::text is null or count_schools(id) = 1)
            """,
            new { id, by, now, stamp = Guid.NewGuid().ToString("N") });
        return turned > 0;
    }

    /// <summary>Keeps that somebody was told who turned their second step off.</summary>
    public static Task ToldOfSecondStep(SchoolConnection connection, PersonId id) =>
        connection.ExecuteAsync("update account set second_step_off_at = null, second_step_off_by = null where id = @id", new { id });

    /// <summary>Has whatever else is about to change an account wait.</summary>
    internal static Task Lock(SchoolConnection connection, PersonId id) =>
        connection.ExecuteAsync("select from account where id = @id for update", new { id });

    /// <summary>Adds somebody who signs in.</summary>
    /// <returns>The person; null where somebody has that user name.</returns>
    public static async Task<Person?> TryAdd(
        SchoolConnection connection, string userName, string displayName, string passwordHash, PersonRole role, bool inCharge)
    {
        PersonId id = Guid.NewGuid();
        await connection.ExecuteAsync("savepoint before_account");
        try
        {
            await connection.ExecuteAsync(
                """
                insert into account (id, user_name, normalized_user_name, password_hash, security_stamp)
                  values (@id, @userName, @normalized, @passwordHash, @stamp)
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
        await TryAdd(connection, userName, displayName, passwordHash, PersonRole.Teacher, inCharge: true)
            ?? throw new InvalidOperationException("Somebody has that user name.");

    /// <summary>Takes an account on at the school, also one that has worked there before.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="id">The account.</param>
    /// <param name="displayName">The name that others see.</param>
    /// <param name="role">What they are to be.</param>
    /// <param name="inCharge">Whether they are to be in charge.</param>
    /// <param name="stamp">The security stamp of the account when they proved who they are; null where nobody had to.</param>
    /// <returns>Whether they were taken on: not where the account got another password since.</returns>
    public static async Task<bool> Employ(
        SchoolConnection connection, PersonId id, string displayName, PersonRole role, bool inCharge, string? stamp = null)
    {
        await connection.ExecuteAsync(
            """
            insert into person (school, id, display_name, role, in_charge) values (@school, @id, @displayName, @role, @inCharge)
            on conflict (school, id) do update set display_name = @displayName, role = @role, in_charge = @inCharge, left_at = null
            """,
            new { school = connection.School, id, displayName, role = RoleText(role), inCharge });
        // The account is seen from here on. Links that another school made for it open nothing any more.
        return await connection.ExecuteAsync(
            "update account set changes = changes + 1 where id = @id and (@stamp::text is null or security_stamp = @stamp)",
            new { id, stamp }) > 0;
    }

    /// <summary>
    /// Keeps what somebody is at the school, or that they have left; their sessions end. The last one in charge stays so.
    /// </summary>
    /// <returns>Whether it was kept: not where nobody would be in charge.</returns>
    public static async Task<bool> Change(
        SchoolConnection connection, PersonId id, PersonRole role, bool inCharge, bool leaves, DateTime now)
    {
        // One at a time: two in charge who each take the right from the other would leave none.
        var others = (await connection.QueryAsync<PersonId>(
            "select id from person where in_charge and left_at is null order by id for update"))
            .Where(other => other != id);
        if ((!inCharge || leaves) && !others.Any()) return false;
        await connection.ExecuteAsync(
            "update person set role = @role, in_charge = @inCharge, left_at = case when @leaves then @now else left_at end where id = @id",
            new { id, role = RoleText(role), inCharge = inCharge && !leaves, leaves, now });
        // Links that were made for who they were open nothing any more, at no school.
        await connection.ExecuteAsync("update account set changes = changes + 1 where id = @id", new { id });
        await Sessions.EndOf(connection, id, now);
        return true;
    }

    /// <summary>A user name as it is looked for.</summary>
    public static string Normalized(string userName) => userName.Trim().Normalize().ToUpperInvariant();

    private static string RoleText(PersonRole role) => role.ToString().ToLowerInvariant();
}
