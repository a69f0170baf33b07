using Umbick.Store;

namespace Umbick.Casework.Accounts;

/// <summary>Somebody's own account, with where they are signed in.</summary>
public sealed record OwnAccount(Person Person, IReadOnlyList<OpenSession> Sessions)
{
    /// <summary>Whether the school lets people come back by six figures to a device that a child had.</summary>
    public bool PinAllowed { get; private init; }

    /// <summary>Whether they have chosen figures.</summary>
    public bool HasPin { get; private init; }

    /// <summary>The account of the signed-in person.</summary>
    public static async Task<OwnAccount> Load(SchoolConnection connection, PersonId person, DateTime now) =>
        new((await People.Find(connection, person))!, await Store.Sessions.LoadOpen(connection, person, now))
        {
            PinAllowed = await Pins.IsAllowed(connection),
            HasPin = await Pins.IsSet(connection, person),
        };

    /// <summary>Keeps the figures, hashed, by which they come back to a device that a child had.</summary>
    public static async Task SetPin(SchoolConnection connection, PersonId person, string hash, DateTime now)
    {
        await Pins.Set(connection, person, hash, now);
        await Audit.Note(connection, person, AuditKinds.PinOn, now);
    }

    /// <summary>Has no figures bring them back any more.</summary>
    public static async Task RemovePin(SchoolConnection connection, PersonId person, DateTime now)
    {
        if (!await Pins.IsSet(connection, person)) return;
        await Pins.Remove(connection, person);
        await Audit.Note(connection, person, AuditKinds.PinOff, now);
    }

    /// <summary>They have read who turned their second step off.</summary>
    public static Task ToldOfSecondStep(SchoolConnection connection, PersonId person) => People.ToldOfSecondStep(connection, person);

    /// <summary>Ends one of their sessions.</summary>
    public static Task EndSession(SchoolConnection connection, SessionId session, DateTime now) =>
        Store.Sessions.End(connection, session, now);

    /// <summary>Ends every session at this school, and keeps what was changed, where something was.</summary>
    public static async Task EndSessions(SchoolConnection connection, PersonId person, string? what, DateTime now)
    {
        await Store.Sessions.EndOf(connection, person, now);
        if (what is not null) await Audit.Note(connection, person, what, now);
    }
}
