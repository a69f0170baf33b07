using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// A visit: the room's clock, a cold start, a demonstration, practice, and one clock that comes right, for one to four children who look at
/// the same faces. Broken off at any point, what was done is kept.
/// </summary>
public sealed class Visiting(ReadingModel model, Asking asking, Practising practising, TimeProvider clock)
{
    /// <summary>The most children a visit is for.</summary>
    public const int Most = Slot.MostChildren;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Those of some children who cannot begin: another sitting or visit of theirs stands open.</summary>
    public static async Task<IReadOnlyList<CaseloadRow>> Busy(SchoolConnection connection, IEnumerable<ChildId> children)
    {
        var open = await Visits.OpenOf(connection);
        return [.. (await Children.ByIds(connection, children)).Where(child => child.OpenAsking is not null || open.ContainsKey(child.Id))];
    }

    /// <summary>Whether a visit was begun.</summary>
    public static async Task<bool> IsBegun(SchoolConnection connection, VisitId id) => await Visits.Find(connection, id) is not null;

    /// <summary>Whether all of some children are the school's.</summary>
    public static async Task<bool> Knows(SchoolConnection connection, IReadOnlyList<ChildId> children) =>
        (await Children.ByIds(connection, children)).Count() == children.Count;

    /// <summary>Begins a visit; under the id of one that was begun before nothing is begun.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The visit's id, made by the page.</param>
    /// <param name="pattern">The pattern that is worked on.</param>
    /// <param name="children">One to four children, in the order of their boxes.</param>
    /// <param name="demonstration">The demonstration that is to be shown.</param>
    /// <param name="by">Who begins it.</param>
    /// <returns>Those who are in the middle of something else: while there is one, nothing is begun.</returns>
    public async Task<IReadOnlyList<CaseloadRow>> Begin(
        SchoolConnection connection, VisitId id, Pattern pattern, IReadOnlyList<ChildId> children, string? demonstration, PersonId by)
    {
        // In one order, so that two who begin with the same children at once do not wait for each other.
        foreach (var child in children.OrderBy(each => each.Value)) await Children.Lock(connection, child);
        if (await Visits.Find(connection, id) is not null) return [];
        if (await Busy(connection, children) is { Count: > 0 } busy) return busy;
        var today = await Schools.Today(connection, Now);
        var first = VisitPlan.HasWallClock(children.Count, await Visits.WallClockSince(connection, children, WeekOf(today)))
            ? VisitPart.Room : VisitPart.Cold;
        if (!await Visits.Begin(connection, id, pattern.Id, demonstration, children, by, Now, first)) return [];
        // Who was noted as absent is expected of nothing until they come.
        foreach (var child in await Timetables.AbsentOn(connection, children, today))
            await Visits.Leave(connection, id, child, Now);
        var records = await Records(connection, children);
        var together = Together([.. records.Select(record => record.Replay.Belief)], pattern);
        var items = ColdStart.Make(together, Stage(records), task => Uses(records, task), SeedOf(id));
        foreach (var (record, turn) in records.Select((record, turn) => (record, turn)))
        {
            var options = new AskingOptions(Plan.ColdStart)
            {
                Items = items,
                ColdFor = HeldPattern.From(model, pattern, record.Replay.Belief),
                Visit = id,
                TurnInVisit = turn
            };
            await asking.Start(connection, record.Child.Id, options);
        }
        return [];
    }

    /// <summary>
    /// Keeps a child's answer to the item at its place. Once all have answered cold, the next face comes; in practice the outcome is looked
    /// at first.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The visit.</param>
    /// <param name="child">The child.</param>
    /// <param name="part">The part to which the answer belongs, whatever is reached by now.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it.</param>
    public async Task<AnswerOutcome> Answer(
        SchoolConnection connection, VisitId id, ChildId child, VisitPart part, Submission submission, PersonId by) =>
        await VisitState.Lock(connection, id) is { } at ? (await Keep(connection, at, child, part, submission, by)).Outcome
            : AnswerOutcome.NotFound;

    /// <summary>Reads what was typed for a child, and keeps it where it can be kept.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The visit.</param>
    /// <param name="child">The child.</param>
    /// <param name="part">The part to which the answer belongs.</param>
    /// <param name="submission">The answer as it was typed.</param>
    /// <param name="confirmed">The text that was asked about before, and is sent all the same.</param>
    /// <param name="by">Who typed it.</param>
    public async Task<AnswerInVisit> KeepTyped(
        SchoolConnection connection, VisitId id, ChildId child, VisitPart part, Submission submission, string? confirmed, PersonId by)
    {
        if (await VisitState.Lock(connection, id) is not { } at || at.Children.All(own => own.Child.Id != child))
            return new(AnswerOutcome.NotFound, AnswerOutcome.NotFound.WhyNot(submission.Raw), null);
        var typed = TypedAnswer.From(at.AskedAt(part, submission.Place)?.Item, submission.Raw, at.Preferences, confirmed);
        if (typed.Message is { } message) return new(null, message, at);
        var (outcome, now) = await Keep(connection, at, child, part, submission with { Raw = typed.Text, Mode = typed.Mode }, by);
        return new(outcome, outcome.IsKept() ? null : outcome.WhyNot(submission.Raw), now);
    }

    /// <summary>Keeps an answer in a visit that is locked, and goes on where all have answered.</summary>
    private async Task<(AnswerOutcome Outcome, VisitState Now)> Keep(
        SchoolConnection connection, VisitState at, ChildId child, VisitPart part, Submission submission, PersonId by)
    {
        var visit = at.Visit;
        if (at.Children.FirstOrDefault(own => own.Child.Id == child) is not { } own) return (AnswerOutcome.NotFound, at);
        var outcome = part == VisitPart.Room
            ? await ReadRoomClock(connection, visit, child, submission, by)
            : own.SittingOf(part) is { } sitting ? await Answer(connection, sitting.Sitting, submission, by) : AnswerOutcome.NotAsked;
        if (!outcome.IsKept()) return (outcome, at);
        var now = (await VisitState.Load(connection, visit.Id))!;
        if (visit.EndedAt is not null || visit.Part != part || visit.Place != submission.Place
            || part is not (VisitPart.Room or VisitPart.Cold) || !now.IsAnswered) return (outcome, now);
        await GoOn(connection, now, by);
        return (outcome, (await VisitState.Load(connection, visit.Id))!);
    }

    /// <summary>Goes on from a place; a page that has grown stale goes nowhere.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The visit.</param>
    /// <param name="part">The part that the page showed.</param>
    /// <param name="place">The place that it showed.</param>
    /// <param name="shown">The demonstration that was shown; null where none was.</param>
    /// <param name="by">Who goes on.</param>
    /// <returns>Whether the school has such a visit.</returns>
    public async Task<bool> GoOn(SchoolConnection connection, VisitId id, VisitPart part, int place, Demonstration? shown, PersonId by)
    {
        if (await VisitState.Lock(connection, id) is not { Visit: var visit } at) return false;
        if (visit.EndedAt is not null || visit.Part != part || visit.Place != place) return true;
        if (part == VisitPart.Show && shown is not null)
        {
            foreach (var child in at.Here)
                await Demonstrated.Keep(connection, ShowingId.New(), child.Child.Id, visit.PatternId, shown.Id, by, Now);
        }
        await GoOn(connection, at, by);
        return true;
    }

    /// <summary>Goes one place back, to put an answer right or to show the idea once more.</summary>
    public static async Task<bool> Back(SchoolConnection connection, VisitId id, VisitPart part, int place)
    {
        if (await VisitState.Lock(connection, id) is not { Visit: var visit } at) return false;
        if (visit.EndedAt is not null || visit.Part != part || visit.Place != place) return true;
        (VisitPart Part, int Place)? before = part switch
        {
            VisitPart.Cold or VisitPart.Practise when place > 1 => (part, place - 1),
            // Also where it was left out at first: whoever has gone on too soon can still read it.
            VisitPart.Cold => VisitPlan.HasWallClock(at.Children.Count, readThisWeek: false) ? (VisitPart.Room, 1) : null,
            VisitPart.Show => (VisitPart.Cold, at.Items(VisitPart.Cold).Count),
            VisitPart.Practise => (VisitPart.Show, 1),
            VisitPart.Close => (VisitPart.Practise, place - 1),
            _ => null,
        };
        if (before is { } to) await Visits.MoveTo(connection, id, to.Part, to.Place);
        return true;
    }

    /// <summary>Notes that a child has gone, or is there again; those who stay are not kept waiting.</summary>
    public async Task<bool> Leave(SchoolConnection connection, VisitId id, ChildId child, bool isHere, PersonId by)
    {
        if (await Visits.Lock(connection, id) is not { } visit || !(await Visits.Children(connection, id)).Any(each => each.Child == child))
            return false;
        if (visit.EndedAt is not null) return true;
        await Visits.Leave(connection, id, child, isHere ? null : Now);
        if (visit.Part is VisitPart.Room or VisitPart.Cold && await VisitState.Load(connection, id) is { IsAnswered: true } at)
            await GoOn(connection, at, by);
        return true;
    }

    /// <summary>Notes how much an answer took until it came right; null takes the note back.</summary>
    public async Task<bool> NoteRung(SchoolConnection connection, VisitId id, ChildId child, int place, Rung? rung, PersonId by)
    {
        if (await ChildIn(connection, id, child) is not { Practice: { } practice }
            || !practice.Answered.Any(question => question.Asked.Place == place)) return false;
        await Visits.NotePrompt(connection, practice.Sitting.Id, place, rung?.Id(), by, Now);
        return true;
    }

    /// <summary>Notes for all whose answer was wrong, and of whom nothing was noted yet, what was said to all at once.</summary>
    public async Task<bool> NoteRungOfAll(SchoolConnection connection, VisitId id, int place, Rung rung, PersonId by)
    {
        if (await VisitState.Lock(connection, id) is not { } at) return false;
        foreach (var child in at.Here.Where(child => child.At(VisitPart.Practise, place) is { Given: not null, IsRight: false }
            && !child.Rungs.ContainsKey(place)))
            await Visits.NotePrompt(connection, child.Practice!.Sitting.Id, place, rung.Id(), by, Now);
        return true;
    }

    /// <summary>Notes something of a child, or takes it back.</summary>
    public async Task<bool> Note(SchoolConnection connection, VisitId id, ChildId child, VisitNote note, bool holds, PersonId by)
    {
        if (await ChildIn(connection, id, child) is null) return false;
        await Visits.Note(connection, id, child, note.Id, holds, by, Now);
        return true;
    }

    /// <summary>Notes that an answer is another child's, or takes that back: what was answered stays, and counts for little.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The visit.</param>
    /// <param name="child">The child.</param>
    /// <param name="part">The part in which it was given.</param>
    /// <param name="place">Its place.</param>
    /// <param name="copied">Whether it is another child's.</param>
    /// <param name="by">Who notes it.</param>
    public async Task<bool> NoteCopied(
        SchoolConnection connection, VisitId id, ChildId child, VisitPart part, int place, bool copied, PersonId by)
    {
        if (await Visits.Lock(connection, id) is null || await ChildIn(connection, id, child) is not { } own
            || own.At(part, place) is not { Given: { } given }) return false;
        var how = copied ? HowDone.Copied.Id : null;
        if ((given.How == HowDone.Copied.Id) == copied) return true;
        var again = new Submission(AnswerId.New(), place, given.Raw, given.AnswerMode, given.Seconds)
        {
            Corrects = given.Id,
            How = how,
            Prompted = given.Prompted,
            First = given.FirstRaw
        };
        return await Answer(connection, own.SittingOf(part)!.Sitting, again, by) == AnswerOutcome.Kept;
    }

    /// <summary>Stops a visit, wherever it is. Everything that was answered is kept.</summary>
    public async Task<bool> Stop(SchoolConnection connection, VisitId id)
    {
        if (await VisitState.Lock(connection, id) is not { } at) return false;
        if (at.Visit.EndedAt is null) await End(connection, at);
        return true;
    }

    /// <summary>Whether a visit was stopped today, and can go on where it was.</summary>
    public async Task<bool> CanGoOn(SchoolConnection connection, VisitState at) =>
        await Reopening.IsOpenTo(connection, at, await Schools.Today(connection, Now));

    /// <summary>Goes on with a visit that was stopped today.</summary>
    public Task<Reopened> Reopen(SchoolConnection connection, VisitId id) => Reopening.GoOn(connection, id, Now);

    /// <summary>What is made of a visit by all that is known of its children.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="at">Where the visit is.</param>
    /// <param name="place">The place of its part whose answers are looked at.</param>
    /// <returns>
    /// The pattern as the children have it together, null where a later catalogue has dropped it; and whose answers at the place look
    /// copied: they are
    /// wrong, another child gave the same, and the child's own ways hardly give it.
    /// </returns>
    public async Task<(HeldPattern? Held, IReadOnlySet<ChildId> LooksCopied)> HeldAndCopied(
        SchoolConnection connection, VisitState at, int place)
    {
        var beliefs = await Beliefs(connection, at);
        var wrong = at.Children.Where(child => child.At(at.Visit.Part, place) is { Given: not null, IsRight: false }).ToList();
        var looks = Copying.Looks(model,
            [.. wrong.Select(child => new AnswerBeside(ChildRecord.AsGiven(child.At(at.Visit.Part, place)!), beliefs[child.Child.Id]))]);
        return (
            at.Visit.Pattern is { } pattern ? Together([.. at.Children.Select(child => beliefs[child.Child.Id])], pattern) : null,
            wrong.Zip(looks).Where(answered => answered.Second).Select(answered => answered.First.Child.Id).ToHashSet());
    }

    /// <summary>
    /// What is believed of each child of a visit: computed on from where the sitting that goes on began, where that is remembered.
    /// </summary>
    private async Task<IReadOnlyDictionary<ChildId, Belief>> Beliefs(SchoolConnection connection, VisitState at)
    {
        var sittings = await Sittings.LatestAnswers(connection, at.Children.Select(child => child.Child.Id));
        var beliefs = new Dictionary<ChildId, Belief>();
        foreach (var child in at.Children)
        {
            var own = sittings[child.Child.Id].ToList();
            var replay = Remembered(child, at.Visit.Pattern, own);
            if (replay is null)
            {
                replay = (await ChildRecord.Load(connection, model, child.Child.Id))!.Replay;
                replay.Remember();
            }
            beliefs[child.Child.Id] = replay.Belief;
        }
        return beliefs;
    }

    /// <summary>
    /// A child's replay from where the latest sitting began; null where that is no sitting of this visit, or is not remembered.
    /// </summary>
    private Replay? Remembered(ChildInVisit child, Pattern? pattern, List<SittingKnownBy> sittings)
    {
        if (sittings.Count == 0) return Replay.Run(model, []);
        if (sittings is not [.., { Words: null } last]
            || new[] { child.Practice, child.Cold }.FirstOrDefault(sitting => sitting?.Sitting.Id == last.Sitting) is not { } latest
            || latest.Sitting.Day is not { } day) return null;
        return Replay.GoOn(
            model, [.. sittings.SkipLast(1).Select(sitting => ChildRecord.KnownBy(sitting, child.Child.Preferences))],
            ChildRecord.Replayed(latest, day, latest.Sitting.IsPractice ? pattern : null,
                latest.Answered.Select(question => question.Given!)));
    }

    private async Task<AnswerOutcome> ReadRoomClock(
        SchoolConnection connection, Visit visit, ChildId child, Submission submission, PersonId by)
    {
        var said = Now - submission.Waited;
        var reading = new RoomClockReading(submission.Id, child, $"{await Schools.ClockAt(connection, said)}", submission.Raw);
        return await Visits.ReadRoomClock(connection, visit.Id, reading, by, said) == submission.Raw ? AnswerOutcome.Kept
            : AnswerOutcome.OtherAnswerKept;
    }

    private Task<AnswerOutcome> Answer(SchoolConnection connection, Sitting sitting, Submission submission, PersonId by) =>
        sitting.IsPractice ? practising.Answer(connection, sitting.Id, submission, by)
            : asking.Answer(connection, sitting.Id, submission, by);

    private static async Task<ChildInVisit?> ChildIn(SchoolConnection connection, VisitId id, ChildId child) =>
        (await VisitState.Load(connection, id))?.Children.FirstOrDefault(each => each.Child.Id == child);

    private async Task GoOn(SchoolConnection connection, VisitState at, PersonId by)
    {
        var (visit, place) = (at.Visit, at.Visit.Place);
        switch (visit.Part)
        {
            case VisitPart.Room:
                await Visits.MoveTo(connection, visit.Id, VisitPart.Cold, 1);
                break;
            case VisitPart.Cold when place < at.Length:
            case VisitPart.Practise when place < at.Length:
                await Visits.MoveTo(connection, visit.Id, visit.Part, place + 1);
                break;
            case VisitPart.Cold when VisitPlan.Practised(at.Children.Count) == 0:
                await End(connection, at);
                break;
            case VisitPart.Cold:
                await EndSittings(connection, at.Children.Select(child => child.Cold));
                await Visits.MoveTo(connection, visit.Id, VisitPart.Show, 1);
                break;
            // A later catalogue has dropped the pattern: there is nothing to practise.
            case VisitPart.Show when visit.Pattern is null:
                await End(connection, at);
                break;
            case VisitPart.Show:
                await BeginPractice(connection, at, by);
                await Visits.MoveTo(connection, visit.Id, VisitPart.Practise, 1);
                break;
            case VisitPart.Practise:
                await Visits.MoveTo(connection, visit.Id, VisitPart.Close, place + 1);
                break;
            default:
                await End(connection, at);
                break;
        }
    }

    private async Task BeginPractice(SchoolConnection connection, VisitState at, PersonId by)
    {
        if (at.Visit.Pattern is not { } pattern || at.Items(VisitPart.Practise).Count > 0) return;
        var records = await Records(connection, [.. at.Children.Select(child => child.Child.Id)]);
        var start = records.Max(record => record.NextSupportOn(DateOnly.FromDateTime(Now)));
        var before = EarlierSets.Together([.. records.Select(record => record.EarlierSets)]);
        var order = new SetRequest(Together([.. records.Select(record => record.Replay.Belief)], pattern), Stage(records), start,
            before.SeedFor(records[0].Child.Id.Value, pattern))
        {
            Before = before,
            Length = VisitPlan.Practised(records.Count),
            CarriedTo = [.. records.SelectMany(record => record.PractisedIn(pattern)).Distinct()],
            Taken = [.. at.Items(VisitPart.Cold).Select(asked => asked.Item.Time)],
        };
        var maker = new SetMaker(at.Preferences.Wording, task => Uses(records, task));
        var set = maker.Make(order);
        set = set with { Items = [.. set.Items, maker.ToEndOn(order, set)] };
        foreach (var (record, turn) in records.Select((record, turn) => (record, turn)))
            await practising.Open(connection, record, set, order.Seed, start, null, by, SetId.New(clock), at.Visit.Id, turn);
    }

    private async Task End(SchoolConnection connection, VisitState at)
    {
        await EndSittings(connection, at.Children.SelectMany(child => new[] { child.Cold, child.Practice }));
        await Visits.End(connection, at.Visit.Id, Now);
    }

    private async Task EndSittings(SchoolConnection connection, IEnumerable<SittingRecord?> sittings)
    {
        foreach (var sitting in sittings.OfType<SittingRecord>().Where(sitting => sitting.Sitting.EndedAt is null))
            await SittingEnding.End(connection, model, sitting.Sitting, Now);
    }

    private async Task<List<ChildRecord>> Records(SchoolConnection connection, IReadOnlyList<ChildId> children)
    {
        var records = new List<ChildRecord>(children.Count);
        foreach (var child in children) records.Add((await ChildRecord.Load(connection, model, child))!);
        return records;
    }

    /// <summary>The pattern as all have it; by its plain rule where no time would tell of each of them.</summary>
    private HeldPattern Together(IReadOnlyList<Belief> beliefs, Pattern pattern)
    {
        var together = HeldPattern.Together([.. beliefs.Select(belief => HeldPattern.From(model, pattern, belief))]);
        return ItemBank.ForSitting(Core.Items.Stage.EveryMinute, [together.MainTask]).Any(together.IsTelling) ? together
            : HeldPattern.Plain(model, pattern);
    }

    private static Stage Stage(IEnumerable<ChildRecord> records) => records.Min(record => record.Child.Stage);

    private static bool Uses(IReadOnlyList<ChildRecord> records, ClockTask task) =>
        records.All(record => record.Child.Uses(task, record.Child.Stage));

    internal static DateOnly WeekOf(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));

    private static int SeedOf(VisitId visit) => BitConverter.ToInt32(visit.Value.ToByteArray(), 12);
}
