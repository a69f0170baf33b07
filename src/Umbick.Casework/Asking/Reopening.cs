using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What came of going on with something that had been stopped.</summary>
public enum Reopened
{
    /// <summary>The school has none such.</summary>
    NotFound,

    /// <summary>It was not stopped, or not today: it stays as it is.</summary>
    IsOver,

    /// <summary>A child of it is in the middle of something else by now.</summary>
    Busy,

    /// <summary>It goes on where it was.</summary>
    GoesOn,
}

/// <summary>Takes back that an asking or a visit was stopped: for the rest of that day it goes on where it was.</summary>
public static class Reopening
{
    /// <summary>Whether an asking was stopped before its end, on this day, and can go on.</summary>
    public static async Task<bool> IsOpenTo(SchoolConnection connection, SittingState state, DateOnly today) =>
        state.Sitting is { EndedAt: { } ended, Screening: null, IsPractice: false } sitting && Left(state).Any()
        && (sitting.Visit is not { } visit || await Visits.Find(connection, visit) is null)
        && await Schools.Today(connection, ended) == today;

    /// <summary>Whether a visit was stopped before its end, on this day, and can go on.</summary>
    public static async Task<bool> IsOpenTo(SchoolConnection connection, VisitState at, DateOnly today) =>
        at.Visit.EndedAt is { } ended && !IsThrough(at) && await Schools.Today(connection, ended) == today;

    /// <summary>Goes on with an asking.</summary>
    public static async Task<Reopened> GoOn(SchoolConnection connection, SittingId id, DateTime now)
    {
        if (await Sittings.Find(connection, id) is not { IsPractice: false } found) return Reopened.NotFound;
        await Children.Lock(connection, found.Child);
        var state = (await SittingState.Lock(connection, id))!;
        if (state.Sitting.EndedAt is null) return Reopened.GoesOn;
        if (!await IsOpenTo(connection, state, await Schools.Today(connection, now))) return Reopened.IsOver;
        if (await Visiting.Busy(connection, [found.Child]) is not []) return Reopened.Busy;
        await Sittings.Reopen(connection, id, Left(state));
        return Reopened.GoesOn;
    }

    /// <summary>Goes on with a visit, and with those of its sittings that are of the part it had reached.</summary>
    public static async Task<Reopened> GoOn(SchoolConnection connection, VisitId id, DateTime now)
    {
        if (await VisitState.Load(connection, id) is not { } found) return Reopened.NotFound;
        foreach (var child in found.Children.Select(each => each.Child.Id).OrderBy(each => each.Value))
            await Children.Lock(connection, child);
        var at = (await VisitState.Lock(connection, id))!;
        if (at.Visit.EndedAt is null) return Reopened.GoesOn;
        if (!await IsOpenTo(connection, at, await Schools.Today(connection, now))) return Reopened.IsOver;
        if (await Visiting.Busy(connection, at.Children.Select(each => each.Child.Id)) is not []) return Reopened.Busy;
        var part = at.Visit.Part == VisitPart.Room ? VisitPart.Cold : at.Visit.Part;
        foreach (var sitting in at.Children.Select(each => each.SittingOf(part)?.Sitting.Id).OfType<SittingId>())
            await Sittings.Reopen(connection, sitting, Left((await SittingState.Lock(connection, sitting))!));
        await Visits.Reopen(connection, id);
        return Reopened.GoesOn;
    }

    /// <summary>The places that were still to come: what was left out before stays left out.</summary>
    private static IEnumerable<int> Left(SittingState state)
    {
        var from = state.Sitting.Visit is null ? state.Sitting.CurrentPlace : 1;
        return state.Rows.Withdrawn.Select(asked => asked.Place).Where(place => place >= from);
    }

    /// <summary>Whether its last clock was answered. What was not is taken back as it ends, and has to be looked for.</summary>
    private static bool IsThrough(VisitState at) =>
        at.Here.All(child => child.At(at.Visit.Part, at.Visit.Place) is { Given: not null }) && (at.Visit.Part == VisitPart.Close
            || (at.Visit.Part == VisitPart.Cold && at.Visit.Place == at.Length && VisitPlan.Practised(at.Children.Count) == 0));
}
