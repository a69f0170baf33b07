using Umbick.Store;

namespace Umbick.Casework.Accounts;

/// <summary>What came of using an invitation.</summary>
/// <param name="Person">Whoever came in; null where nobody did.</param>
/// <param name="Why">Why nobody did, in a sentence; null where the invitation was used up or ran out meanwhile, which its page then
/// tells.</param>
public sealed record Joined(Person? Person, string? Why = null);

/// <summary>Coming in by an invitation, which opens once.</summary>
public static class Joining
{
    /// <summary>What an invitation leads to.</summary>
    /// <returns>The name of the school; the invitation, null where it is over; and the user name of whoever could not get in, null for
    /// somebody new.</returns>
    public static async Task<(string SchoolName, Invitation? Invitation, string? UserName)> Load(
        SchoolConnection connection, InvitationId id, DateTime now)
    {
        var school = await Schools.Current(connection);
        var invitation = await Invitations.Find(connection, id, now);
        return (school.Name, invitation, invitation?.Person is { } person ? (await People.Find(connection, person))?.UserName : null);
    }

    /// <summary>Somebody new gets an account; somebody who could not get in, a new password.</summary>
    public static async Task<Joined> WithPassword(
        SchoolConnection connection, Invitation invitation, string userName, string passwordHash, DateTime now)
    {
        if (!await Invitations.Use(connection, invitation.Id, now)) return new Joined(null);
        if (invitation.Person is { } known) return await LetIn(connection, known, passwordHash, now);
        if (await People.TryAdd(connection, userName, invitation.DisplayName, passwordHash, invitation.Role,
            invitation.InCharge) is not { } person)
        {
            await Invitations.GiveBack(connection, invitation.Id);
            return new Joined(null, "Somebody has that user name. Choose another, or say below that it is yours.");
        }
        await Audit.Note(connection, person.Id, AuditKinds.Joined, now);
        return new Joined(person);
    }

    /// <summary>Somebody who works at another school already joins this one.</summary>
    /// <exception cref="InvalidOperationException">The account got another password meanwhile: nothing is kept.</exception>
    public static async Task<Joined> WithAccount(SchoolConnection connection, Invitation invitation, Person account, DateTime now)
    {
        // Whoever is in charge must not become an assistant by trying out a link.
        if (await People.Find(connection, account.Id) is not null)
            return new Joined(null, "You work at this school already: sign in as always. The link can still be used by somebody else.");
        if (!await Invitations.Use(connection, invitation.Id, now)) return new Joined(null);
        if (!await People.Employ(connection, account.Id, invitation.DisplayName, invitation.Role, invitation.InCharge,
            account.SecurityStamp))
            throw new InvalidOperationException("The account got another password while it joined a school; nothing was kept.");
        await Audit.Note(connection, account.Id, AuditKinds.Joined, now);
        return new Joined(account);
    }

    private static async Task<Joined> LetIn(SchoolConnection connection, PersonId known, string passwordHash, DateTime now)
    {
        if (await People.Find(connection, known) is not { } person) return new Joined(null);
        // The second step stays: turning it off is a deed of its own.
        (person.PasswordHash, person.SecurityStamp) = (passwordHash, Guid.NewGuid().ToString("N"));
        await People.Update(connection, person);
        await DoorTries.ForgetAll(connection, person.UserName);
        await Sessions.EndOf(connection, known, now);
        await Audit.Note(connection, known, AuditKinds.NewPassword, now);
        return new Joined(person);
    }
}
