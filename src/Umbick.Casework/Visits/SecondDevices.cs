using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// Other devices at a visit. A code opens a screen for the children, which writes nothing. Such a device may ask to join as a second
/// adult's; once it was let in on the first it writes too, in this visit and until it is over. One is in at a time.
/// </summary>
public sealed class SecondDevices(TimeProvider clock)
{
    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Makes the code that opens another device at a visit; screens that were opened before show nothing more.</summary>
    /// <returns>The code; null where the visit is over, or there is none.</returns>
    public async Task<string?> MakeCode(SchoolConnection connection, VisitId id)
    {
        if (await VisitState.Lock(connection, id) is not { Visit.EndedAt: null, Children: [{ Cold.Sitting.Id: var sitting }, ..] })
            return null;
        await VisitDevices.EndScreens(connection, id, Now);
        return await Codes.Make(connection, sitting, Now);
    }

    /// <summary>The visit that a device at one of its sittings shows; null where it is over, or the sitting belongs to none.</summary>
    public static async Task<VisitState?> Shown(SchoolConnection connection, SittingId sitting) =>
        await Sittings.Find(connection, sitting) is { Visit: { } visit }
            && await VisitState.Load(connection, visit) is { Visit.EndedAt: null } at ? at : null;

    /// <summary>The devices at a visit, and whether a code waits that opens one more.</summary>
    public Task<(IReadOnlyList<VisitDevice> Devices, bool CodeWaits)> At(SchoolConnection connection, VisitId id) =>
        VisitDevices.At(connection, id, Now);

    /// <summary>Has a device that shows a visit ask to join it.</summary>
    /// <returns>Whether it shows one.</returns>
    public async Task<bool> Ask(SchoolConnection connection, SessionId device, SittingId sitting)
    {
        if (await Shown(connection, sitting) is null) return false;
        await VisitDevices.Ask(connection, device, Now);
        return true;
    }

    /// <summary>A device that waits to be let in; null where it does not.</summary>
    public static async Task<VisitDevice?> Waiting(SchoolConnection connection, SessionId device) =>
        await VisitDevices.Find(connection, device) is { IsWaiting: true } waiting ? waiting : null;

    /// <summary>Lets a device in that asks; the one that was in before is out.</summary>
    /// <returns>Whether the school has such a visit.</returns>
    public async Task<bool> LetIn(SchoolConnection connection, VisitId id, SessionId device, PersonId by)
    {
        if (await Visits.Lock(connection, id) is not { } visit) return false;
        if (visit.EndedAt is null) await VisitDevices.LetIn(connection, id, device, by, Now);
        return true;
    }

    /// <summary>Takes a device out of a visit: it opens nothing more.</summary>
    /// <returns>Whether the school has such a visit.</returns>
    public async Task<bool> TakeOut(SchoolConnection connection, VisitId id, SessionId device)
    {
        if (await Visits.Lock(connection, id) is null) return false;
        await VisitDevices.End(connection, id, device, Now);
        return true;
    }

    /// <summary>What a device was let in to; null where it was not.</summary>
    public static Task<LetInTo?> LetInTo(SchoolConnection connection, SessionId device, SittingId sitting) =>
        VisitDevices.LetInTo(connection, device, sitting);
}
