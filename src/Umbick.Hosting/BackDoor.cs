using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;

namespace Umbick.Hosting;

/// <summary>
/// Where somebody comes back to a device that a child had, by six figures. Each try is counted before it is heard; whether they still work
/// there, and as what, is looked up anew.
/// </summary>
public sealed class BackDoor(Database database, SignInManager<Person> signIn, PasswordTurns turns, TimeProvider clock)
{
    /// <summary>How many figures they are.</summary>
    public const int Figures = 6;

    /// <summary>Whether a text can be somebody's figures: not all the same, nor one after the other.</summary>
    public static bool IsUsable(string? figures) => figures is { Length: Figures } && figures.All(char.IsAsciiDigit)
        && figures.Distinct().Count() > 2 && !"01234567890".Contains(figures, StringComparison.Ordinal)
        && !"09876543210".Contains(figures, StringComparison.Ordinal);

    /// <summary>Who hands this device over, where they can come back to it by their figures; null else.</summary>
    public async Task<WayBack?> From(HttpContext context)
    {
        if (!context.User.IsSignedIn()) return null;
        var (school, person) = context.User.Person();
        return await database.InSchool(school, async connection =>
            await Pins.IsAllowed(connection) && await Pins.IsSet(connection, person)
                && await Sessions.EndsAt(connection, context.User.Session()) is { } ends
                ? new WayBack(person, context.User.Stamp(), ends) : null);
    }

    /// <summary>Whether the device can go back to an adult just now.</summary>
    public Task<bool> IsOpen(HttpContext context) => database.InSchool(context.User.Child().School, async connection =>
        await Pins.HasTries(connection, context.User.Session())
            && await Pins.HashFor(connection, context.User.Session(), Now) is not null, context.RequestAborted);

    /// <summary>Tries figures; where they are right, the device is the adult's again.</summary>
    /// <returns>Why it is not, in a sentence; null where it is.</returns>
    public async Task<string?> Enter(HttpContext context, string figures)
    {
        var (school, device, cancel) = (context.User.Child().School, context.User.Session(), context.RequestAborted);
        // A transaction of its own: whatever happens next, it was counted.
        if (await database.InSchool(school, connection => Pins.Count(connection, device), cancel) is not { } counted) return Shut;
        var (hash, person) = await database.InSchool(school, async connection =>
            (await Pins.HashFor(connection, device, Now), await People.Find(connection, counted.Person)), cancel);
        if (hash is null || person is null) return Shut;
        using (var turn = await turns.Wait(atHome: true, cancel))
        {
            if (turn is null) return "Many are trying to sign in just now. Try again in a moment.";
            if (signIn.UserManager.PasswordHasher.VerifyHashedPassword(person, hash, figures) == PasswordVerificationResult.Failed)
            {
                await database.InSchool(school, connection =>
                    Audit.Note(connection, null, AuditKinds.WrongPin, Now, whom: person.Id), cancel);
                return counted.Left == 0 ? Shut
                    : $"Those are not your figures. {(counted.Left == 1 ? "One try is" : $"{counted.Left} tries are")} left.";
            }
        }
        await context.SignOutAsync(Who.ChildScheme);
        await signIn.SignInWithClaimsAsync(person, new AuthenticationProperties { ExpiresUtc = counted.Ends },
            [new Claim(Who.ByPin, "yes")]);
        return null;
    }

    /// <summary>Hashes figures as slowly as a password.</summary>
    public string Hash(Person person, string figures) => signIn.UserManager.PasswordHasher.HashPassword(person, figures);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private const string Shut = "This way back is shut. Sign in with your password.";
}
