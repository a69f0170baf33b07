using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>People of a school, and who one is before their school is known.</summary>
public static class People
{
    private const string Columns =
        "school, id, user_name, normalized_user_name, display_name, password_hash, security_stamp, access_failed_count, lockout_end";

    /// <summary>The school and the id of whoever goes by a user name; null where nobody does.</summary>
    public static Task<(Guid School, Guid Id)?> FindByName(DbConnection connection, string normalizedUserName) =>
        connection.QuerySingleOrDefaultAsync<(Guid School, Guid Id)?>("select school, id from find_person(@normalizedUserName)", new { normalizedUserName });

    /// <summary>A person of the school that is set; null where there is none.</summary>
    public static Task<Person?> Find(SchoolConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<Person>($"select {Columns} from person where id = @id", new { id });

    /// <summary>Keeps a person's password, and until when nobody can sign in as them.</summary>
    public static Task Update(SchoolConnection connection, Person person) => connection.ExecuteAsync(
        """
        update person set password_hash = @PasswordHash, security_stamp = @SecurityStamp, lockout_end = @LockoutEnd where id = @Id
        """,
        person);

    /// <summary>Counts a wrong password; of several at once each is counted.</summary>
    /// <returns>How many there are now.</returns>
    public static Task<int> CountWrong(SchoolConnection connection, Guid id) =>
        connection.ExecuteScalarAsync<int>("update person set access_failed_count = access_failed_count + 1 where id = @id returning access_failed_count", new { id });

    /// <summary>Forgets what was counted.</summary>
    public static Task ForgetWrong(SchoolConnection connection, Guid id) => connection.ExecuteAsync("update person set access_failed_count = 0 where id = @id", new { id });

    /// <summary>Adds somebody who signs in. Only the owner may.</summary>
    public static async Task<Person> Add(SchoolConnection owner, string userName, string displayName, string passwordHash)
    {
        var person = new Person
        {
            School = owner.School,
            Id = Guid.NewGuid(),
            UserName = userName,
            NormalizedUserName = userName.ToUpperInvariant(),
            DisplayName = displayName,
            PasswordHash = passwordHash,
            SecurityStamp = Guid.NewGuid().ToString("N"),
        };
        await owner.ExecuteAsync(
            """
            insert into person (school, id, user_name, normalized_user_name, display_name, password_hash, security_stamp)
            values (@School, @Id, @UserName, @NormalizedUserName, @DisplayName, @PasswordHash, @SecurityStamp)
            """,
            person);
        return person;
    }
}
