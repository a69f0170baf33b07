using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using System.Security.Cryptography;

namespace Umbick.Hosting;

/// <summary>People as the accounts library asks for them.</summary>
public sealed class PeopleStore(Database database, IDataProtectionProvider protection) :
    IUserPasswordStore<Person>, IUserSecurityStampStore<Person>,
    IUserTwoFactorStore<Person>, IUserAuthenticatorKeyStore<Person>, IUserTwoFactorRecoveryCodeStore<Person>
{
    private readonly IDataProtector _wrap = protection.CreateProtector("second factor");

    public async Task<Person?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken)
    {
        // Whoever works at several schools chooses one of them once they are in.
        var found = await database.BeforeSchool(connection => People.FindByName(connection, normalizedUserName), cancellationToken);
        return found is [var (school, id), ..] ? await Find(school, id, cancellationToken) : null;
    }

    public async Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken)
    {
        var parts = userId.Split('.');
        return parts.Length == 2 && SchoolId.TryParse(parts[0], null, out var school) && PersonId.TryParse(parts[1], null, out var id)
            ? await Find(school, id, cancellationToken)
            : null;
    }

    private Task<Person?> Find(SchoolId school, PersonId id, CancellationToken cancel) =>
        database.InSchool(school, connection => People.Find(connection, id), cancel);

    public async Task<IdentityResult> UpdateAsync(Person user, CancellationToken cancellationToken)
    {
        await database.InSchool(user.School, connection => People.Update(connection, user), cancellationToken);
        return IdentityResult.Success;
    }

    public Task<IdentityResult> CreateAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(Refused);

    public Task<IdentityResult> DeleteAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(Refused);

    /// <summary>People are added by invitation, or by the launcher; they are never deleted.</summary>
    private static IdentityResult Refused { get; } =
        IdentityResult.Failed(new IdentityError
        {
            Code = "NotHere",
            Description = "People are added by invitation, or with ./umbick add-teacher."
        });

    public Task<string> GetUserIdAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.Key);

    public Task<string?> GetUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.UserName);

    public Task SetUserNameAsync(Person user, string? userName, CancellationToken cancellationToken)
    {
        user.UserName = userName ?? "";
        return Task.CompletedTask;
    }

    public Task<string?> GetNormalizedUserNameAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.NormalizedUserName);

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

    public Task<string?> GetSecurityStampAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.SecurityStamp);

    public Task SetTwoFactorEnabledAsync(Person user, bool enabled, CancellationToken cancellationToken)
    {
        user.TwoFactor = enabled;
        return Task.CompletedTask;
    }

    public Task<bool> GetTwoFactorEnabledAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.TwoFactor);

    public Task SetAuthenticatorKeyAsync(Person user, string key, CancellationToken cancellationToken)
    {
        user.AuthenticatorKey = _wrap.Protect(key);
        return Task.CompletedTask;
    }

    /// <summary>What the codes are made of; null where there is none, or where the site's keys were lost since.</summary>
    public Task<string?> GetAuthenticatorKeyAsync(Person user, CancellationToken cancellationToken)
    {
        try
        {
            return Task.FromResult(user.AuthenticatorKey is { } wrapped ? _wrap.Unprotect(wrapped) : null);
        }
        catch (CryptographicException)
        {
            return Task.FromResult<string?>(null);
        }
    }

    public Task ReplaceCodesAsync(Person user, IEnumerable<string> recoveryCodes, CancellationToken cancellationToken)
    {
        user.RecoveryCodes = string.Join(';', recoveryCodes.Select(HashOf));
        return Task.CompletedTask;
    }

    public async Task<bool> RedeemCodeAsync(Person user, string code, CancellationToken cancellationToken)
    {
        var codes = user.RecoveryCodes.Split(';', StringSplitOptions.RemoveEmptyEntries).ToList();
        if (!codes.Remove(HashOf(code))) return false;
        var before = user.RecoveryCodes;
        user.RecoveryCodes = string.Join(';', codes);
        // Each opens once, also when it is sent twice at the same time.
        return await database.InSchool(user.School, connection => People.UseRecoveryCode(connection, user.Id, before, user.RecoveryCodes),
            cancellationToken);
    }

    public Task<int> CountCodesAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult(user.RecoveryCodes.Split(';', StringSplitOptions.RemoveEmptyEntries).Length);

    private static string HashOf(string code) =>
        Convert.ToHexString(SHA256.HashData(
            System.Text.Encoding.UTF8.GetBytes(code.Replace("-", "", StringComparison.Ordinal).Trim().ToUpperInvariant())));

    public void Dispose()
    {
    }
}
