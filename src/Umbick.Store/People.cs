using Dapper;
using Microsoft.AspNetCore.Identity;

namespace Umbick.Store;

/// <summary>Somebody who signs in.</summary>
public sealed class Person
{
    public Guid School { get; set; }

    public Guid Id { get; set; }

    public string UserName { get; set; } = "";

    public string NormalizedUserName { get; set; } = "";

    public string DisplayName { get; set; } = "";

    public string? PasswordHash { get; set; }

    public string SecurityStamp { get; set; } = "";

    public int AccessFailedCount { get; set; }

    public DateTime? LockoutEnd { get; set; }

    /// <summary>The id by which the accounts library knows a person: it must carry the school, without which no row is seen.</summary>
    public string Key => $"{School:N}.{Id:N}";
}

/// <summary>People as the accounts library asks for them.</summary>
public sealed class People(Database database) :
    IUserPasswordStore<Person>, IUserSecurityStampStore<Person>, IUserLockoutStore<Person>
{
    private const string Columns =
        "school, id, user_name, normalized_user_name, display_name, password_hash, security_stamp, access_failed_count, lockout_end";

    public async Task<Person?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken)
    {
        var found = await database.BeforeSchool(
            connection => connection.QuerySingleOrDefaultAsync<(Guid School, Guid Id)?>(
                "select school, id from find_person(@normalizedUserName)", new { normalizedUserName }),
            cancellationToken);
        return found is var (school, id) ? await Find(school, id, cancellationToken) : null;
    }

    public async Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken)
    {
        var parts = userId.Split('.');
        return parts.Length == 2 && Guid.TryParse(parts[0], out var school) && Guid.TryParse(parts[1], out var id)
            ? await Find(school, id, cancellationToken)
            : null;
    }

    private Task<Person?> Find(Guid school, Guid id, CancellationToken cancel) => database.InSchool(
        school,
        connection => connection.QuerySingleOrDefaultAsync<Person>($"select {Columns} from person where school = @school and id = @id", new { school, id }),
        cancel);

    public async Task<IdentityResult> UpdateAsync(Person user, CancellationToken cancellationToken)
    {
        await database.InSchool(
            user.School,
            connection => connection.ExecuteAsync(
                """
                update person set password_hash = @PasswordHash, security_stamp = @SecurityStamp,
                  access_failed_count = @AccessFailedCount, lockout_end = @LockoutEnd
                where school = @School and id = @Id
                """,
                user),
            cancellationToken);
        return IdentityResult.Success;
    }

    public Task<IdentityResult> CreateAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(Refused);

    public Task<IdentityResult> DeleteAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(Refused);

    /// <summary>People are added and taken away by the launcher, as the owner.</summary>
    private static IdentityResult Refused { get; } =
        IdentityResult.Failed(new IdentityError { Code = "NotHere", Description = "People are added with ./umbick new-school." });

    public Task<string> GetUserIdAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.Key);

    public Task<string?> GetUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.UserName);

    public Task SetUserNameAsync(Person user, string? userName, CancellationToken cancellationToken)
    {
        user.UserName = userName ?? "";
        return Task.CompletedTask;
    }

    public Task<string?> GetNormalizedUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.NormalizedUserName);

    public Task SetNormalizedUserNameAsync(Person user, string? normalizedName, CancellationToken cancellationToken)
    {
        user.NormalizedUserName = normalizedName ?? "";
        return Task.CompletedTask;
    }

    public Task SetPasswordHashAsync(Person user, string? passwordHash, CancellationToken cancellationToken)
    {
        user.PasswordHash = passwordHash;
        return Task.CompletedTask;
    }

    public Task<string?> GetPasswordHashAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash);

    public Task<bool> HasPasswordAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash is not null);

    public Task SetSecurityStampAsync(Person user, string stamp, CancellationToken cancellationToken)
    {
        user.SecurityStamp = stamp;
        return Task.CompletedTask;
    }

    public Task<string?> GetSecurityStampAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.SecurityStamp);

    public Task<DateTimeOffset?> GetLockoutEndDateAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult(user.LockoutEnd is { } end ? (DateTimeOffset?)new DateTimeOffset(DateTime.SpecifyKind(end, DateTimeKind.Utc)) : null);

    public Task SetLockoutEndDateAsync(Person user, DateTimeOffset? lockoutEnd, CancellationToken cancellationToken)
    {
        user.LockoutEnd = lockoutEnd?.UtcDateTime;
        return Task.CompletedTask;
    }

    public Task<int> IncrementAccessFailedCountAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(++user.AccessFailedCount);

    public Task ResetAccessFailedCountAsync(Person user, CancellationToken cancellationToken)
    {
        user.AccessFailedCount = 0;
        return Task.CompletedTask;
    }

    public Task<int> GetAccessFailedCountAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.AccessFailedCount);

    public Task<bool> GetLockoutEnabledAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetLockoutEnabledAsync(Person user, bool enabled, CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose()
    {
    }
}
