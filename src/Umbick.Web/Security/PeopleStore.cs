using Microsoft.AspNetCore.Identity;
using Umbick.Store;

namespace Umbick.Web.Security;

/// <summary>People as the accounts library asks for them.</summary>
public sealed class PeopleStore(Database database) :
    IUserPasswordStore<Person>, IUserSecurityStampStore<Person>, IUserLockoutStore<Person>
{
    public async Task<Person?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken)
    {
        var found = await database.BeforeSchool(connection => People.FindByName(connection, normalizedUserName), cancellationToken);
        return found is var (school, id) ? await Find(school, id, cancellationToken) : null;
    }

    public async Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken)
    {
        var parts = userId.Split('.');
        return parts.Length == 2 && Guid.TryParse(parts[0], out var school) && Guid.TryParse(parts[1], out var id)
            ? await Find(school, id, cancellationToken)
            : null;
    }

    private Task<Person?> Find(Guid school, Guid id, CancellationToken cancel) => database.InSchool(school, connection => People.Find(connection, id), cancel);

    public async Task<IdentityResult> UpdateAsync(Person user, CancellationToken cancellationToken)
    {
        await database.InSchool(user.School, connection => People.Update(connection, user), cancellationToken);
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

    public async Task<int> IncrementAccessFailedCountAsync(Person user, CancellationToken cancellationToken) =>
        user.AccessFailedCount = await database.InSchool(user.School, connection => People.CountWrong(connection, user.Id), cancellationToken);

    public Task ResetAccessFailedCountAsync(Person user, CancellationToken cancellationToken)
    {
        user.AccessFailedCount = 0;
        return database.InSchool(user.School, connection => People.ForgetWrong(connection, user.Id), cancellationToken);
    }

    public Task<int> GetAccessFailedCountAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.AccessFailedCount);

    public Task<bool> GetLockoutEnabledAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetLockoutEnabledAsync(Person user, bool enabled, CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose()
    {
    }
}
