using Umbick.Store;
using System.Text.Json;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;

namespace Umbick.Casework;

/// <summary>Practising: a set is made and assigned; a child does it, with one look again at each item before they are told.</summary>
public sealed class Practising(ReadingModel model, TimeProvider clock)
{
    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>The set that would be assigned for a pattern, or, without one, for reading at ease.</summary>
    public PracticeSet Make(ChildRecord record, Pattern? pattern, SetChoices choices)
    {
        var child = record.Child;
        var before = record.EarlierSets;
        var seed = before.SeedFor(child.Id.Value, pattern, choices.Variant);
        if (pattern is null) return new EaseSet(Uses).Make(child.Stage, seed, before);
        var order = new SetRequest(HeldPattern.From(model, pattern, record.Replay.Belief), child.Stage, StartOf(record, choices), seed)
        {
            Before = before,
            Length = choices.OnPaper ? SetRequest.LengthOnPaper : choices.Length,
            OnPaper = choices.OnPaper,
            CarriedTo = record.PractisedIn(pattern),
            Taken = choices.Taken,
            Swaps = choices.Swaps,
        };
        return new SetMaker(child.Preferences.Wording, Uses).Make(order);

        bool Uses(ClockTask task) => child.Uses(task, child.Stage);
    }

    private Support StartOf(ChildRecord record, SetChoices choices) =>
        choices.OnPaper ? Support.Bare : choices.Start ?? record.NextSupportOn(DateOnly.FromDateTime(Now));

    /// <summary>Assigns a set and opens its sitting.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="record">The child's record.</param>
    /// <param name="pattern">The pattern; null for reading at ease.</param>
    /// <param name="choices">What the teacher has chosen of it.</param>
    /// <param name="by">Who gives it.</param>
    /// <param name="id">The set's id, where the page made it: sending the page twice is one set.</param>
    /// <returns>The set's id and its sitting's.</returns>
    public async Task<(SetId Set, SittingId Sitting)> Assign(
        SchoolConnection connection, ChildRecord record, Pattern? pattern, SetChoices choices, PersonId by, SetId? id = null)
    {
        var (start, line) = pattern is null ? (Support.Bare, Fluency.LineFor(record.Fluency))
            : (StartOf(record, choices), default(double?));
        return await Open(connection, record, Make(record, pattern, choices),
            record.EarlierSets.SeedFor(record.Child.Id.Value, pattern, choices.Variant), start, line, by, id ?? SetId.New(clock));
    }

    /// <summary>Keeps a set with what was shown when it was given, and opens its sitting, unless that was done before.</summary>
    internal async Task<(SetId Set, SittingId Sitting)> Open(
        SchoolConnection connection, ChildRecord record, PracticeSet set, int seed, Support start, double? line, PersonId by, SetId setId,
        VisitId? visit = null, int turn = 0)
    {
        var sittingId = SittingId.New(clock);
        var shown = JsonSerializer.Serialize(record.Now.Findings.Select(finding => new
        {
            pattern = finding.Pattern.Id,
            belief = Math.Round(finding.Belief, 3),
            label = finding.Label.ToString(),
        }));
        if (!await Sets.Assign(connection, setId, record.Child.Id, set, seed, start, line, ReadingModel.Version, shown, by, Now))
            return (setId, (await Sets.Find(connection, setId))!.Sitting!.Value);
        var sitting = new Sitting
        {
            Id = sittingId,
            Child = record.Child.Id,
            Kind = SittingKind.Practice,
            PracticeSet = setId,
            Stage = record.Child.Stage,
            Length = set.Items.Count,
            StartedAt = Now,
            Visit = visit,
            TurnInVisit = turn,
        };
        await Sittings.Start(connection, sitting);
        await Sittings.Ask(connection, sittingId, set.Items.Select((item, i) => new AskedItem(i + 1, item.Item, item.Support, item.Why)),
            Now);
        return (setId, sittingId);
    }

    /// <summary>
    /// Gives a child a set, and others one for the same pattern, with other times. A set that still waits is the one: pressing twice must
    /// not make two.
    /// </summary>
    /// <param name="connection">The school.</param>
    /// <param name="child">The child.</param>
    /// <param name="others">The others.</param>
    /// <param name="pattern">The pattern; null for reading at ease.</param>
    /// <param name="choices">What was chosen for the child's set.</param>
    /// <param name="id">The id of the child's set, where the page made it: sent twice, it is given once.</param>
    /// <param name="by">Whoever gives them.</param>
    /// <returns>The child's set; null where the school has no such child.</returns>
    public async Task<AssignedSet?> Give(
        SchoolConnection connection, ChildId child, IReadOnlyList<ChildId> others, Pattern? pattern, SetChoices choices, SetId? id,
        PersonId by)
    {
        // In one order, so that two who give to the same children at once do not wait for each other.
        foreach (var each in others.Append(child).Distinct().OrderBy(each => each.Value)) await Children.Lock(connection, each);
        if (id is { } made && await Sets.Find(connection, made) is { } before) return before;
        if (await Give(connection, child, pattern, choices, by, id) is not var (own, items)) return null;
        var taken = items.Select(item => item.Item.Time).ToHashSet();
        foreach (var other in others.Where(other => other != child).Distinct())
        {
            if (await Give(connection, other, pattern, new SetChoices { Length = choices.Length, Taken = taken },
                by, null) is var (_, theirs))
                taken.UnionWith(theirs.Select(item => item.Item.Time));
        }
        return await Sets.Find(connection, own);
    }

    private async Task<(SetId Set, IReadOnlyList<SetItem> Items)?> Give(
        SchoolConnection connection, ChildId child, Pattern? pattern, SetChoices choices, PersonId by, SetId? id)
    {
        if (await ChildRecord.Load(connection, model, child) is not { } record) return null;
        var set = record.Child.OpenSet
            ?? (await Assign(connection, record, pattern, choices, by, id is { } made && made != default ? made : null)).Set;
        return (set, await Sets.Items(connection, set));
    }

    /// <summary>Makes the code that opens a set on the child's own device. Devices that were at it before open it no more.</summary>
    /// <returns>The code; null where there is no such set, or it is done.</returns>
    public async Task<string?> MakeCode(SchoolConnection connection, SetId id)
    {
        if (await SetShown.SittingToDo(connection, id) is not { } sitting
            || await SittingState.Lock(connection, sitting) is not { Sitting.EndedAt: null }) return null;
        await Sessions.EndAt(connection, sitting, Now);
        return await Codes.Make(connection, sitting, Now);
    }

    /// <summary>Takes a set back from the child's device: neither it nor a code opens the set any more. What was answered stays.</summary>
    /// <returns>Whether there is such a set.</returns>
    public async Task<bool> TakeBack(SchoolConnection connection, SetId id)
    {
        if (await Sets.Find(connection, id) is not { } set) return false;
        if (set.Sitting is not { } sitting) return true;
        await Sessions.EndAt(connection, sitting, Now);
        await Codes.Close(connection, sitting, Now);
        return true;
    }

    /// <summary>Where a child is in a set, or null where the school has no such sitting.</summary>
    public static async Task<SetPlace?> Where(SchoolConnection connection, SittingId sittingId) =>
        await SittingState.Load(connection, sittingId) is { Sitting.IsPractice: true } state ? await Where(connection, state) : null;

    /// <summary>Keeps an answer. Where the child has gone on without a connection, the set goes on to where the child is.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it; null where the child did.</param>
    public async Task<AnswerOutcome> Answer(SchoolConnection connection, SittingId sittingId, Submission submission, PersonId? by = null) =>
        (await Keep(connection, sittingId, submission, by)).Outcome;

    /// <summary>The same, with where the set stands then.</summary>
    public Task<AnswerTaken> Keep(SchoolConnection connection, SittingId sittingId, Submission submission, PersonId? by = null) =>
        AnswerKeeping.Keep(connection, model, sittingId, sitting => sitting.IsPractice, submission, by, Now,
            GoOnFrom(connection, submission));

    /// <summary>The same for a set whose sitting is locked already.</summary>
    public Task<AnswerTaken> Keep(SchoolConnection connection, SittingState locked, Submission submission) =>
        AnswerKeeping.Keep(connection, model, locked, submission, by: null, Now, GoOnFrom(connection, submission));

    private Func<SittingState, Task<SittingState?>> GoOnFrom(SchoolConnection connection, Submission submission) => async state =>
    {
        if (submission.Later && submission.Place >= state.Sitting.CurrentPlace)
        {
            await MoveOn(connection, state.Sitting, submission.Place, state.Sitting.Length);
            return null;
        }
        if (submission.Place <= state.Sitting.CurrentPlace) return state;
        await Sittings.MoveTo(connection, state.Sitting.Id, submission.Place);
        return state.MovedTo(submission.Place);
    };

    /// <summary>Goes on to the next item once one is settled; after the last the sitting ends.</summary>
    public async Task GoOn(SchoolConnection connection, SittingId sittingId, int place)
    {
        if (await SittingState.Lock(connection, sittingId) is not { Sitting: { IsPractice: true, EndedAt: null } sitting } locked) return;
        var turn = await Where(connection, locked);
        if (turn.Settled && sitting.CurrentPlace == place) await MoveOn(connection, sitting, place, turn.Total);
    }

    private async Task MoveOn(SchoolConnection connection, Sitting sitting, int place, int total)
    {
        if (place < total) await Sittings.MoveTo(connection, sitting.Id, place + 1);
        else await SittingEnding.End(connection, model, sitting, Now);
    }

    /// <summary>Where a child is in a set that stands like this.</summary>
    public static async Task<SetPlace> Where(SchoolConnection connection, SittingState state)
    {
        var (sitting, preferences, rows) = (state.Sitting, state.Preferences, state.Rows);
        var set = (await Sets.Find(connection, sitting.PracticeSet!.Value))!;
        if (sitting.EndedAt is not null)
            return new SetPlace(sitting, preferences, null, null, null, false, false, rows.Asked.Count, rows.Asked.Count) { Set = set };
        var item = rows.Asked.Single(asked => asked.Place == sitting.CurrentPlace);
        var answers = rows.LatestAnswers.Where(answer => answer.Place == item.Place).ToList();
        var (first, second) = (answers.Find(answer => answer.Try == 1), answers.Find(answer => answer.Try == 2));
        return new SetPlace(sitting, preferences, item, first, second, IsRight(first), IsRight(second), sitting.CurrentPlace - 1,
            rows.Asked.Count)
        {
            Set = set,
            Example = WorkedExample.For(item.Item, item.Support, sitting.Stage, [.. rows.Asked.Select(asked => asked.Item.Time)]),
        };

        bool IsRight(AnswerRow? given) =>
            given is not null && Scoring.IsRight(item.Item, given.ReadFor(item.Item, preferences), given.AnswerMode, sitting.Stage,
                preferences.Nearness);
    }
}
