using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>
/// Tries at passwords and at second steps. How many are heard stands in the migration, <c>count_try</c>: all processes count together.
/// </summary>
public static class DoorTries
{
    /// <summary>After so many wrong codes within a day a second step is stopped.</summary>
    public const int MostCodesADay = 20;

    /// <summary>Counts a try at a password or a second step, and says whether it is heard.</summary>
    /// <param name="connection">A connection without a school.</param>
    /// <param name="isSecondStep">Whether it is at the second step.</param>
    /// <param name="userName">The user name.</param>
    /// <param name="address">The hash of the address that it comes from.</param>
    public static async Task<DoorTry> Count(DbConnection connection, bool isSecondStep, string userName, byte[] address)
    {
        var (outcome, number, today, home) = await connection.QuerySingleAsync<(string Outcome, long? Number, long Today, bool Home)>(
            "select outcome, try, wrong_today, at_home from try_sign_in(@which, @name, @address)",
            new { which = isSecondStep ? "second-step" : "password", name = People.Normalized(userName), address });
        return new DoorTry(Enum.Parse<DoorOutcome>(outcome, ignoreCase: true), number, today, home);
    }

    /// <summary>Takes a try away that was right.</summary>
    public static Task Forget(DbConnection connection, DoorTry right) =>
        connection.ExecuteAsync("select forget_try(@number)", new { number = right.Number });

    /// <summary>Forgets every try under a user name: its person was let in again.</summary>
    public static Task ForgetAll(SchoolConnection connection, string userName) =>
        connection.ExecuteAsync("select forget_tries(@name)", new { name = People.Normalized(userName) });

    /// <summary>Whose second step is stopped, by id and by the name that colleagues know, and until when.</summary>
    public const string Stopped =
        """
        select person.id, display_name, second_step_stopped(normalized_user_name) as until from person join account
          on account.id = person.id
        where left_at is null and two_factor and second_step_stopped(normalized_user_name) is not null order by display_name
        """;

    /// <summary>Whose second step is stopped at the school, and until when.</summary>
    public static async Task<IReadOnlyList<(PersonId Person, string Name, DateTime Until)>> StoppedSteps(SchoolConnection connection) =>
        [.. await connection.QueryAsync<(PersonId, string, DateTime)>(Stopped)];

    /// <summary>Keeps that the school was at an address, hashed, today: tries from there are its own.</summary>
    public static Task BeAtHome(SchoolConnection connection, byte[] address) => connection.ExecuteAsync(
        "insert into home_address (school, address) values (@school, @address) on conflict (school, address) do update set seen_at = "
            + "clock_timestamp()",
        new { school = connection.School, address });
}
