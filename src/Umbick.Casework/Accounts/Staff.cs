using Umbick.Store;

namespace Umbick.Casework.Accounts;

/// <summary>Who works at a school, as the person in charge sees and changes it.</summary>
/// <param name="People">Everybody who works there, by name.</param>
/// <param name="LastSeen">When each last signed in.</param>
/// <param name="Waiting">Invitations that nobody has used yet, the latest first.</param>
/// <param name="StoppedUntil">Until when somebody's second step is closed, after too many wrong codes.</param>
public sealed record Staff(
    IReadOnlyList<Person> People, IReadOnlyDictionary<PersonId, DateTime> LastSeen, IReadOnlyList<Invitation> Waiting,
    IReadOnlyDictionary<PersonId, DateTime> StoppedUntil)
{
    /// <summary>Whether people may come back by six figures to a device that a child had.</summary>
    public bool PinAllowed { get; private init; }

    /// <summary>Everybody at the school.</summary>
    public static async Task<Staff> Load(SchoolConnection connection, DateTime now) => new(
        await Store.People.All(connection),
        await Store.People.LastSeen(connection),
        await Invitations.Waiting(connection, now),
        (await DoorTries.StoppedSteps(connection)).ToDictionary(stopped => stopped.Person, stopped => stopped.Until))
    {
        PinAllowed = await Pins.IsAllowed(connection),
    };

    /// <summary>Lets people come back by six figures to a device that a child had, or not.</summary>
    public static async Task AllowPin(SchoolConnection connection, bool allowed, PersonId by, DateTime now)
    {
        if (await Pins.IsAllowed(connection) == allowed) return;
        await Pins.Allow(connection, allowed);
        await Audit.Note(connection, by, allowed ? AuditKinds.PinAllowed : AuditKinds.PinShut, now);
    }

    /// <summary>Somebody who works at the school; null where they do not.</summary>
    public static Task<Person?> Find(SchoolConnection connection, PersonId person) => Store.People.Find(connection, person);

    /// <summary>The names of everybody who works or has worked at the school.</summary>
    public static Task<IReadOnlyDictionary<PersonId, string>> Names(SchoolConnection connection) => Store.People.Names(connection);

    /// <summary>What somebody is, in words.</summary>
    public static string InWords(PersonRole role, bool inCharge) => role == PersonRole.Assistant ? "assistant"
        : inCharge ? "teacher, in charge" : "teacher";

    /// <summary>Makes a link by which somebody new comes in.</summary>
    /// <returns>The secret part of the link; or why there is none, in a sentence.</returns>
    public static async Task<(string? Secret, string? Why)> Invite(
        SchoolConnection connection, string? name, PersonRole role, bool inCharge, PersonId by, DateTime now)
    {
        var given = (name ?? "").Trim();
        if (given.Length is 0 or > Person.LongestName || given.Any(char.IsControl) || !Enum.IsDefined(role))
            return (null, "Give a name of 1 to 80 letters: the one that colleagues use.");
        var right = inCharge && role == PersonRole.Teacher;
        var secret = await Invitations.Make(connection, null, given, role, right, by, now);
        await Audit.Note(connection, by, AuditKinds.Invited, now, detail: $"{given}, {InWords(role, right)}");
        return (secret, null);
    }

    /// <summary>Makes a link by which somebody who could not get in chooses a new password.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="known">Whoever could not get in.</param>
    /// <param name="schools">At how many schools they work.</param>
    /// <param name="by">Whoever makes it.</param>
    /// <param name="now">When.</param>
    /// <returns>The secret part of the link; or why there is none, in a sentence.</returns>
    public static async Task<(string? Secret, string? Why)> LinkToGetIn(
        SchoolConnection connection, Person known, int schools, PersonId by, DateTime now)
    {
        // Whoever could let in somebody who works elsewhere too could go in there as them.
        if (schools > 1) return (null,
            $"{known.DisplayName} works at another school too, so this school alone cannot let them in. Whoever runs the server can: "
                + $"./umbick let-in NAME.");
        var secret = await Invitations.Make(connection, known.Id, known.DisplayName, known.Role, known.InCharge, by, now);
        await Audit.Note(connection, by, AuditKinds.ResetLink, now, whom: known.Id);
        return (secret, null);
    }

    /// <summary>Takes an invitation back: its link opens nothing any more.</summary>
    public static Task TakeBack(SchoolConnection connection, InvitationId invitation, DateTime now) =>
        Invitations.TakeBack(connection, invitation, now);

    /// <summary>Turns off the second step of somebody who has lost the device. They are told when they next come in.</summary>
    /// <returns>Why it stays on, in a sentence; null where it is off.</returns>
    public static async Task<string?> TurnSecondStepOff(SchoolConnection connection, Person known, PersonId by, string byName, DateTime now)
    {
        if (!known.TwoFactor) return null;
        if (!await Store.People.TurnSecondStepOff(connection, known.Id, byName, now))
            return $"{known.DisplayName} works at another school too, so this school alone cannot turn it off. Whoever runs the server "
                + $"can: ./umbick let-in NAME --second-step.";
        await DoorTries.ForgetAll(connection, known.UserName);
        await Sessions.EndOf(connection, known.Id, now);
        await Audit.Note(connection, by, AuditKinds.SecondFactorOff, now, whom: known.Id);
        return null;
    }

    /// <summary>Gives somebody another role.</summary>
    /// <returns>Why they keep theirs, in a sentence; null where it is done.</returns>
    public static async Task<string?> Change(
        SchoolConnection connection, Person known, PersonRole role, bool inCharge, PersonId by, DateTime now)
    {
        var right = inCharge && role == PersonRole.Teacher;
        if ((role, right) == (known.Role, known.InCharge)) return null;
        if (!await Store.People.Change(connection, known.Id, role, right, leaves: false, now)) return SomebodyInCharge;
        await Audit.Note(connection, by, AuditKinds.RoleChanged, now, whom: known.Id, detail: InWords(role, right));
        return null;
    }

    /// <summary>Somebody leaves the school.</summary>
    /// <returns>Why they stay, in a sentence; null where it is done.</returns>
    public static async Task<string?> Leave(SchoolConnection connection, Person known, PersonId by, DateTime now)
    {
        if (!await Store.People.Change(connection, known.Id, known.Role, known.InCharge, leaves: true, now)) return SomebodyInCharge;
        await Audit.Note(connection, by, AuditKinds.Left, now, whom: known.Id);
        return null;
    }

    private const string SomebodyInCharge = "Somebody has to be in charge: first put another teacher in charge.";
}
