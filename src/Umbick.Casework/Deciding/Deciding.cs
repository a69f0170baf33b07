using System.Text.Json;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// Taking decisions: what was offered is taken or turned down, a pattern is confirmed or ruled out, a cycle begins and ends. With each is
/// kept what was shown then.
/// </summary>
public sealed class Deciding(ReadingModel model, TimeProvider clock)
{
    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>
    /// Takes what is offered of a pattern, or turns it down. A stale page cannot decide something that is no longer offered.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The decision's id, made by the page: sending it twice decides once.</param>
    /// <param name="child">The child.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="kind">What was offered.</param>
    /// <param name="taken">Whether it is taken.</param>
    /// <param name="seen">What the page's <see cref="ChildRecord.Source"/> was: where that is another now, nothing is decided.</param>
    /// <param name="by">Who decides.</param>
    /// <returns>Whether it was decided, now or before; null where the school has no such child.</returns>
    public async Task<bool?> Decide(
        SchoolConnection connection, DecisionId id, ChildId child, Pattern pattern, DecisionKind kind, bool taken, string seen,
        PersonId by)
    {
        await Children.Lock(connection, child);
        if (await ChildRecord.Load(connection, model, child) is not { } record) return null;
        if (record.Work.Decisions.Any(decision => decision.Id == id)) return true;
        if (seen != record.Source) return false;
        if (record.Work.CourseOf(pattern) is not { Offer: { } offer } course || offer.Kind != kind) return false;
        var shown = new
        {
            offer.IsMastered,
            grounds = offer.Grounds.Select(cold =>
                new { day = cold.Day, right = cold.Right, its_way = cold.ItsWay, telling = cold.Telling.Count }),
            sentence = ProgressSentence.From(course).Sentence,
        };
        await Keep(connection, id, child, pattern, kind, taken, "", course.Colds.Count == 0 ? null : course.Colds[^1].Id, shown, by);
        return true;
    }

    /// <summary>
    /// Confirms that a child has a pattern, or rules it out. It is evidence from then on, and shown as the teacher's own.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The decision's id, made by the page.</param>
    /// <param name="child">The child.</param>
    /// <param name="pattern">The pattern.</param>
    /// <param name="holds">Whether the child has it.</param>
    /// <param name="reason">Why.</param>
    /// <param name="seen">What the page's <see cref="ChildRecord.Source"/> was: where that is another now, nothing is kept.</param>
    /// <param name="by">Who says so.</param>
    /// <returns>Whether it is kept; null where the school has no such child, or nothing was asked yet.</returns>
    public async Task<bool?> Say(
        SchoolConnection connection, DecisionId id, ChildId child, Pattern pattern, bool holds, string reason, string seen,
        PersonId by)
    {
        await Children.Lock(connection, child);
        if (await ChildRecord.Load(connection, model, child) is not { Sittings.Count: > 0 } record) return null;
        if (record.Work.Decisions.Any(decision => decision.Id == id)) return true;
        if (seen != record.Source) return false;
        // Of one pattern one word stands.
        foreach (var before in record.Work.Decisions.Where(decision =>
            decision is { TakenBack: false, Kind: DecisionKind.Confirm or DecisionKind.RuleOut } && decision.Pattern == pattern))
            await Decisions.TakeBack(connection, child, before.Id, by, Now);
        var finding = record.Now.Findings.FirstOrDefault(finding => finding.Pattern == pattern);
        var shown = new
        {
            belief = finding?.Belief ?? 0,
            label = (finding?.Label ?? Label.Unlikely).ToString(),
            its_way = finding?.Evidence.Count.ItsWay ?? 0,
            right = finding?.Evidence.Count.Right ?? 0
        };
        await Keep(connection, id, child, pattern, holds ? DecisionKind.Confirm : DecisionKind.RuleOut, taken: true, reason,
            record.Sittings[^1].Sitting.Id, shown, by);
        await SittingEnding.RenewAll(connection, model, child);
        return true;
    }

    /// <summary>Takes a decision back, whatever it is; a second time changes nothing.</summary>
    /// <returns>Whether it stood until now; null where the school has no such child.</returns>
    public async Task<bool?> TakeBack(SchoolConnection connection, ChildId child, DecisionId id, PersonId by)
    {
        await Children.Lock(connection, child);
        if (await Children.Find(connection, child) is null) return null;
        if (!await Decisions.TakeBack(connection, child, id, by, Now)) return false;
        await SittingEnding.RenewAll(connection, model, child);
        return true;
    }

    /// <summary>Begins a cycle today. It ends so many school weeks later.</summary>
    public async Task<bool> BeginCycle(
        SchoolConnection connection, CycleId id, ChildId child, int weeks, int goal, string reason, PersonId by)
    {
        var today = await Schools.Today(connection, Now);
        var ends = (await Timetables.Year(connection)).WeeksAfter(today, weeks);
        return await Cycles.Begin(connection,
            new CycleRow { Id = id, Child = child, BeganOn = today, EndsOn = ends, Goal = goal, EntryReason = reason }, by, Now);
    }

    /// <summary>Ends a child's cycle today.</summary>
    public async Task<bool> EndCycle(SchoolConnection connection, CycleId id, ChildId child, string reason, PersonId by) =>
        await Cycles.End(connection, child, id, await Schools.Today(connection, Now), reason, by);

    private Task Keep(SchoolConnection connection, DecisionId id, ChildId child, Pattern pattern, DecisionKind kind, bool taken,
        string reason,
        SittingId? after, object shown, PersonId by) =>
        Decisions.Keep(
            connection,
            new DecisionRow
            {
                Id = id,
                Child = child,
                PatternId = pattern.Id,
                KindId = kind.Id(),
                Taken = taken,
                Reason = reason,
                AfterSitting = after,
                Engine = ReadingModel.Version,
                ShownText = JsonSerializer.Serialize(shown)
            },
            by,
            Now);
}
