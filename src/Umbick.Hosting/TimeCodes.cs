using Microsoft.AspNetCore.Identity;
using OtpNet;

namespace Umbick.Hosting;

/// <summary>Codes by time from a device (RFC 6238): of now, and one step of half a minute before and after. Each opens once.</summary>
public sealed class TimeCodes(Database database, TimeProvider clock) : IUserTwoFactorTokenProvider<Person>
{
    public async Task<bool> CanGenerateTwoFactorTokenAsync(UserManager<Person> manager, Person user) =>
        await manager.GetAuthenticatorKeyAsync(user) is { Length: > 0 };

    public Task<string> GenerateAsync(string purpose, UserManager<Person> manager, Person user) => Task.FromResult("");

    public async Task<bool> ValidateAsync(string purpose, string token, UserManager<Person> manager, Person user)
    {
        if (await manager.GetAuthenticatorKeyAsync(user) is not { Length: > 0 } key) return false;
        return new Totp(Base32Encoding.ToBytes(key)).VerifyTotp(clock.GetUtcNow().UtcDateTime, token, out var step,
            new VerificationWindow(previous: 1, future: 1))
            && await database.InSchool(user.School, connection => People.TakeCodeStep(connection, user.Id, step));
    }
}
