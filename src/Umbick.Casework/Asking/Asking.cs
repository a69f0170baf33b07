using Umbick.Store;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>
/// Asking: each answer is kept, then the next item is asked: the one that tells most by all that is known of the child, or the next of a
/// list that was made before.
/// </summary>
public sealed class Asking(ReadingModel model, TimeProvider clock)
{
    /// <summary>So many questions more are offered where something stays possible.</summary>
    public const int More = 4;

    /// <summary>No sitting is made longer than this, in questions.</summary>
    public const int Longest = 24;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Starts a sitting, or goes on with the one left open; a second press of the same page is the same sitting.</summary>
    /// <returns>The sitting's id, or null where the school has no such child.</returns>
    public async Task<SittingId?> Start(SchoolConnection connection, ChildId child, AskingOptions? beginning = null)
    {
        await Children.Lock(connection, child);
        if (await Children.Find(connection, child) is not { } row) return null;
        beginning = ListedItems.Fitting(await WithPattern(connection, child, beginning ?? new AskingOptions()), row.Stage);
        var id = beginning.Id ?? SittingId.New(clock);
        if (await Sittings.Find(connection, id) is { } started) return started.Child == child ? id : null;
        if (row.OpenAsking is { } open) return open;
        // What the teacher's own clock carries is asked once: it is the school's choice from then on.
        if (beginning is { Delivery: DeliveryMode.OwnClock, ClockCarries: { } carries })
            await Schools.Choose(connection, SettingList.OwnClock.Id, carries);
        if (beginning is { Delivery: DeliveryMode.OwnClock, ClockHands: { } hands })
            await Schools.Choose(connection, SettingList.OwnHands.Id, hands);
        var day = beginning.Plan == Plan.Chosen ? await SchoolDays.Load(connection) : [];
        var items = ListedItems.For(model, beginning, row, Seed(id), day);
        var sitting = new Sitting
        {
            Id = id,
            Child = child,
            Kind = SittingKind.Asking,
            Stage = row.Stage,
            Length = items.Count > 0 ? items.Count : row.Preferences.Length,
            StartedAt = Now,
            Plan = beginning.Plan,
            Form = beginning.Plan == Plan.Form ? beginning.Form : null,
            ColdFor = beginning.Plan == Plan.ColdStart ? beginning.ColdFor!.Pattern.Id : null,
            Delivery = beginning.Delivery,
            ClockCarries = beginning.Delivery == DeliveryMode.OwnClock ? beginning.ClockCarries ?? row.Preferences[SettingList.OwnClock]
                : null,
            Visit = beginning.Visit,
            TurnInVisit = beginning.TurnInVisit,
        };
        if (!await Sittings.Start(connection, sitting)) return (await Children.Find(connection, child))!.OpenAsking;
        if (items.Count > 0) await Sittings.Ask(connection, id,
            items.Select((item, i) => new AskedItem(i + 1, item, HelpFor(sitting, item), ListedItems.Why(beginning))), Now);
        else await AskNext(connection, new SittingState(sitting, row.Preferences, new SittingRows([], [], [])));
        return id;
    }

    /// <summary>Starts a sitting with each of several children who share a clock, in this order.</summary>
    /// <returns>The sitting of the first; null where the school has no such child.</returns>
    public async Task<SittingId?> StartTogether(SchoolConnection connection, IReadOnlyList<ChildId> children, VisitId visit)
    {
        SittingId? first = null;
        for (var turn = 0; turn < children.Count; turn++)
        {
            var sitting = await Start(connection, children[turn], new AskingOptions { Visit = visit, TurnInVisit = turn });
            first ??= sitting;
        }
        return first;
    }

    /// <summary>The sitting of the first of several children who share a clock; null where none has begun.</summary>
    public static async Task<SittingId?> FirstTogether(SchoolConnection connection, VisitId visit) =>
        await Sittings.OfVisit(connection, visit) is [var begun, ..] ? begun.Id : null;

    /// <summary>A sitting as it stands; null where the school has none such.</summary>
    public static Task<Sitting?> Find(SchoolConnection connection, SittingId id) => Sittings.Find(connection, id);

    /// <summary>The visit in which a sitting is held, where both go on; null where not.</summary>
    public static async Task<VisitId?> VisitUnderWay(SchoolConnection connection, SittingId id) =>
        await Sittings.Find(connection, id) is { Visit: { } visit, EndedAt: null }
            && await Visits.Find(connection, visit) is { EndedAt: null } ? visit : null;

    /// <summary>The items of a list that was made before which come after the one that is asked.</summary>
    public static async Task<IReadOnlyList<AskedItem>> Ahead(SchoolConnection connection, Sitting sitting) =>
        [.. (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id].Where(asked => asked.Place > sitting.CurrentPlace)];

    /// <summary>Makes the code that opens a sitting on the child's device, and goes on there.</summary>
    /// <returns>The code; null where the sitting is over, or there is none.</returns>
    public async Task<string?> MakeCode(SchoolConnection connection, SittingId sittingId) =>
        await Deliver(connection, sittingId, DeliveryMode.OnChildsScreen) ? await Codes.Make(connection, sittingId, Now) : null;

    /// <summary>A cold start is for the pattern that is worked on; where there is none, what tells most is asked.</summary>
    private async Task<AskingOptions> WithPattern(SchoolConnection connection, ChildId child, AskingOptions beginning)
    {
        if (beginning.Plan != Plan.ColdStart || beginning.ColdFor is not null) return beginning;
        return (await ChildRecord.Load(connection, model, child))! is var record
            && (beginning.ColdPattern ?? record.WorkedOn) is { } pattern
            ? beginning with { ColdFor = HeldPattern.From(model, pattern, record.Replay.Belief) }
            : beginning with { Plan = Plan.Adaptive };
    }

    /// <summary>
    /// Keeps an answer; where it was to the item that is being asked, asks the next, or ends the sitting when its length is reached.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="submission">The answer.</param>
    /// <param name="by">Who typed it; null where the child did.</param>
    public async Task<AnswerOutcome> Answer(SchoolConnection connection, SittingId sittingId, Submission submission, PersonId? by) =>
        (await Keep(connection, sittingId, submission, by)).Outcome;

    /// <summary>The same, with where the sitting stands then.</summary>
    public Task<AnswerTaken> Keep(SchoolConnection connection, SittingId sittingId, Submission submission, PersonId? by) =>
        AnswerKeeping.Keep(connection, model, sittingId, sitting => !sitting.IsPractice, submission, by, Now,
            GoOnFrom(connection, submission, by));

    /// <summary>
    /// Reads what an adult typed as a child's answer, and keeps it where it can be kept. The answer is to the item at its place, whatever
    /// is asked by now.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="submission">The answer as it was typed.</param>
    /// <param name="mode">How it was given, where that was said; else as is usual for the item.</param>
    /// <param name="confirmed">The text that was asked about before, and is sent all the same.</param>
    /// <param name="by">Who typed it.</param>
    public async Task<TypedAnswerTaken> KeepTyped(
        SchoolConnection connection, SittingId sittingId, Submission submission, AnswerMode? mode, string confirmed, PersonId by)
    {
        if (await SittingState.Lock(connection, sittingId) is not { Sitting.IsPractice: false } locked)
            return new(AnswerOutcome.NotFound, null, null);
        if (locked.ItemAt(submission.Place) is not { } item)
            return new(AnswerOutcome.NotAsked, AnswerOutcome.NotAsked.WhyNot(submission.Raw), locked);
        var typed = TypedAnswer.From(item, submission.Raw, locked.Preferences, confirmed, submission.First ?? "");
        if (typed.Message is not null) return new(null, typed.Message, locked) { CanBeConfirmed = typed.CanBeConfirmed };
        var timed = locked.Preferences.Timed;
        var kept = submission with
        {
            Raw = typed.Text,
            Mode = mode ?? (typed.Mode == AnswerMode.Placed && locked.Sitting.Delivery == DeliveryMode.OwnClock
                && locked.Preferences.OwnClockIsGeared ? AnswerMode.Geared : typed.Mode),
            Seconds = timed ? submission.Seconds : null,
            BegunSeconds = timed ? submission.BegunSeconds : null
        };
        var taken = await AnswerKeeping.Keep(connection, model, locked, kept, by, Now, GoOnFrom(connection, kept, by));
        return new(taken.Outcome, taken.Outcome.IsKept() ? null : taken.Outcome.WhyNot(submission.Raw), taken.State);
    }

    /// <summary>
    /// Puts an answer right on the record, of an asking or of a practice set: the one it names stays beside it, and the sitting stays where
    /// it is.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="submission">The answer as it was typed; it names the one that it puts right.</param>
    /// <param name="by">Who puts it right.</param>
    public async Task<TypedAnswerTaken> PutRight(
        SchoolConnection connection, SittingId sittingId, Submission submission, PersonId by)
    {
        if (await SittingState.Lock(connection, sittingId) is not { } locked) return new(AnswerOutcome.NotFound, null, null);
        if (submission.Corrects is null || locked.ItemAt(submission.Place) is not { } item)
            return new(AnswerOutcome.NotAsked, null, locked);
        var typed = TypedAnswer.From(item, submission.Raw, locked.Preferences);
        if (typed.Message is not null) return new(null, typed.Message, locked);
        var kept = submission with { Raw = typed.Text, Mode = typed.Mode };
        var outcome = (await AnswerKeeping.Keep(connection, model, locked, kept, by, Now, state => Task.FromResult<SittingState?>(state)))
            .Outcome;
        return new(outcome, outcome.IsKept() ? null : outcome.WhyNot(submission.Raw), null);
    }

    /// <summary>The same for a sitting that is locked already.</summary>
    public Task<AnswerTaken> Keep(SchoolConnection connection, SittingState locked, Submission submission, PersonId? by) =>
        AnswerKeeping.Keep(connection, model, locked, submission, by, Now, GoOnFrom(connection, submission, by));

    private Func<SittingState, Task<SittingState?>> GoOnFrom(SchoolConnection connection, Submission submission, PersonId? by) =>
        async state => state.Sitting.CurrentPlace == submission.Place ? await GoOn(connection, state, alone: by is null) : state;

    /// <summary>Leaves an item out and asks another.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="place">The place that the page showed: a page that has grown stale leaves nothing out.</param>
    /// <returns>Whether it was left out; null where the school has no such sitting.</returns>
    public async Task<bool?> Skip(SchoolConnection connection, SittingId sittingId, int place)
    {
        if (await SittingState.Lock(connection, sittingId) is not { Sitting: { IsPractice: false } sitting, Rows: var rows } locked)
            return null;
        if (sitting.EndedAt is not null || sitting.CurrentPlace != place) return false;
        if (!rows.IsAnswered(place))
        {
            await Sittings.Withdraw(connection, sittingId, place);
            rows = rows.Without(place);
        }
        await GoOn(connection, locked with { Rows = rows });
        return true;
    }

    /// <summary>Goes on in another way. What tests something only when it is asked aloud is not asked on a screen.</summary>
    /// <returns>Whether the sitting goes on; else it is over, or there is none.</returns>
    public async Task<bool> Deliver(SchoolConnection connection, SittingId sittingId, DeliveryMode mode)
    {
        if (await SittingState.Lock(connection, sittingId) is not
            {
                Sitting: { IsPractice: false, EndedAt: null } sitting,
                Rows: var rows
            } locked) return false;
        if (sitting.Delivery == mode) return true;
        var carries = mode == DeliveryMode.OwnClock ? sitting.ClockCarries ?? locked.Preferences[SettingList.OwnClock] : null;
        var held = sitting with { Delivery = mode, ClockCarries = carries };
        // A device that was with the child opens nothing any more.
        if (sitting.Delivery == DeliveryMode.OnChildsScreen)
        {
            await Sessions.EndAt(connection, sittingId, Now);
            await Codes.Close(connection, sittingId, Now);
        }
        await Sittings.Deliver(connection, sittingId, mode, carries,
            rows.Asked.Where(asked => HelpFor(held, asked.Item) != Support.Bare).Select(asked => asked.Place),
            TeachingPreferences.HelpOn(carries));
        if (mode != DeliveryMode.OnChildsScreen) return true;
        var aloud = rows.Asked.Where(asked => asked.Item.IsOnlyAloud && !rows.IsAnswered(asked.Place)).Select(asked => asked.Place)
            .ToArray();
        await Sittings.Withdraw(connection, sittingId, aloud);
        if (!aloud.Contains(sitting.CurrentPlace)) return true;
        await GoOn(connection, locked with
        {
            Sitting = sitting with { Delivery = mode },
            Rows = aloud.Aggregate(rows, (left, place) => left.Without(place))
        });
        return (await Sittings.Find(connection, sittingId))!.EndedAt is null;
    }

    /// <summary>
    /// Whose turn is next where several share a clock: that of the next in the row whose sitting goes on; a child alone goes on.
    /// </summary>
    public static async Task<SittingId> NextTurn(SchoolConnection connection, Sitting sitting)
    {
        if (sitting.Visit is not { } visit) return sitting.Id;
        var open = (await Sittings.OfVisit(connection, visit)).Where(turn => turn.EndedAt is null).ToList();
        return (open.FirstOrDefault(turn => turn.TurnInVisit > sitting.TurnInVisit) ?? open.FirstOrDefault())?.Id ?? sitting.Id;
    }

    /// <summary>
    /// Goes one back: the item before is asked once more, and one that was chosen by the answers and still waits is taken back.
    /// </summary>
    public static async Task<bool> Back(SchoolConnection connection, SittingId sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null } sitting) return false;
        var rows = await Sittings.Rows(connection, sittingId);
        var before = rows.Asked.LastOrDefault(item => item.Place < sitting.CurrentPlace);
        if (before is null) return false;
        if (sitting.Plan == Plan.Adaptive && !rows.IsAnswered(sitting.CurrentPlace))
            await Sittings.Withdraw(connection, sittingId, sitting.CurrentPlace);
        await Sittings.MoveTo(connection, sittingId, before.Place);
        return true;
    }

    /// <summary>Makes the next item the last, and one that will very likely come right.</summary>
    public async Task<bool> EndSoon(SchoolConnection connection, SittingId sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null } sitting) return false;
        var rows = await Sittings.Rows(connection, sittingId);
        return !rows.IsAnswered(sitting.CurrentPlace) && await AskLast(connection, sitting, rows);
    }

    /// <summary>Makes a sitting four questions longer, for something that stays possible; pressed twice, once.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="length">How long it was when that was pressed.</param>
    public static async Task<bool> Longer(SchoolConnection connection, SittingId sittingId, int length)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null, Plan: Plan.Adaptive } sitting)
            return false;
        if (sitting.Length == length && length + More <= Longest) await Sittings.Lengthen(connection, sittingId, length + More);
        return true;
    }

    private async Task<bool> AskLast(SchoolConnection connection, Sitting sitting, SittingRows rows)
    {
        var (child, answered, replay) = await SittingUnderWay.Load(connection, model, sitting, rows, Now);
        var easy = ChooserOf(sitting, child).Close(replay.Belief, ItemsInUse.For(sitting, child).Bank,
            [.. answered.Select(question => question.Asked.Item)]);
        if (easy is null) return false;
        await Sittings.WithdrawUnanswered(connection, sitting.Id);
        await Sittings.Lengthen(connection, sitting.Id, answered.Count + 1);
        var place = rows.LastPlace + 1;
        await Sittings.Ask(connection, sitting.Id, [new AskedItem(place, easy.Item, HelpFor(sitting, easy.Item), easy.Why)], Now);
        await Sittings.MoveTo(connection, sitting.Id, place);
        return true;
    }

    /// <summary>Tells the day of a sitting that was answered on paper: today, or before.</summary>
    /// <returns>Whether it was kept: not where the day is to come; null where the school has no such sitting.</returns>
    public async Task<bool?> TellDay(SchoolConnection connection, SittingId sittingId, DateOnly? day)
    {
        if (await Sittings.Find(connection, sittingId) is not { IsPractice: false } sitting) return null;
        if (day is not { } told || told > await Schools.Today(connection, Now)) return false;
        await TellDay(connection, sitting, told);
        return true;
    }

    /// <summary>Tells the day of a sitting that was answered on paper.</summary>
    public async Task TellDay(SchoolConnection connection, Sitting sitting, DateOnly day)
    {
        await Sittings.TellDay(connection, [sitting.Id], day);
        await SittingEnding.RenewAll(connection, model, sitting.Child);
    }

    /// <summary>Settles what a child means by 'half eight': answers that say so mean that from the first on.</summary>
    /// <returns>Whether there is such a child.</returns>
    public async Task<bool> SettleHalf(SchoolConnection connection, ChildId id, string meaning, PersonId by)
    {
        if (await Enrolment.Find(connection, id) is not { } child) return false;
        var own = new Dictionary<string, string>(SettingsText.Read(child.SettingsText)) { [SettingList.HalfHour.Id] = meaning };
        await Enrolment.Teach(connection, id, child.Stage, child.TasksMet ?? [], null, own, by, Now);
        await SittingEnding.RenewAll(connection, model, id);
        return true;
    }

    /// <summary>Stops a sitting. Everything that was answered is kept.</summary>
    public async Task<bool> Stop(SchoolConnection connection, SittingId sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return false;
        if (sitting.EndedAt is null) await SittingEnding.End(connection, model, sitting, Now);
        return true;
    }

    /// <summary>Goes on with an asking that was stopped today.</summary>
    public Task<Reopened> Reopen(SchoolConnection connection, SittingId sittingId) => Reopening.GoOn(connection, sittingId, Now);

    /// <returns>Where the sitting stands then; null where that has to be loaded.</returns>
    private async Task<SittingState?> GoOn(SchoolConnection connection, SittingState state, bool alone = false)
    {
        var (sitting, rows) = (state.Sitting, state.Rows);
        // A child alone who has given up is asked no more of the same: a list ends, and what is chosen ends on something that comes right.
        var answers = rows.LatestAnswers.ToDictionary(answer => answer.Place);
        var givenUp = alone && StopRules.HasGivenUp(
            rows.Asked.Where(item => answers.ContainsKey(item.Place))
                .Select(item => answers[item.Place].ReadFor(item.Item, state.Preferences)));
        if (sitting.Plan != Plan.Adaptive)
        {
            var next = rows.Asked.FirstOrDefault(item => item.Place > sitting.CurrentPlace && !rows.IsAnswered(item.Place));
            if (next is null || givenUp)
            {
                await SittingEnding.End(connection, model, sitting, Now);
                return null;
            }
            await Sittings.MoveTo(connection, sitting.Id, next.Place);
            return state.MovedTo(next.Place);
        }
        if (rows.Asked.Count < sitting.Length && !givenUp) return await AskNext(connection, state, alone);
        if (rows.Asked.Count >= sitting.Length || !await AskLast(connection, sitting, rows))
            await SittingEnding.End(connection, model, sitting, Now);
        return null;
    }

    private async Task<SittingState?> AskNext(SchoolConnection connection, SittingState state, bool alone = false)
    {
        var (sitting, rows) = (state.Sitting, state.Rows);
        var underWay = await SittingUnderWay.Load(connection, model, sitting, rows, Now, state.Child);
        var (child, answered, replay) = underWay;
        // What was left out is not asked again in the same sitting.
        var leftOut = rows.Withdrawn.Select(asked => asked.Item).ToHashSet();
        var items = ItemsInUse.For(sitting, child);
        if (leftOut.Count > 0)
            items = new SittingItems([.. items.Bank.Where(item => !leftOut.Contains(item))], items.Length)
            { Beyond = [.. items.Beyond.Where(item => !leftOut.Contains(item))] };
        // Beside an adult to stop is offered; alone a child is not kept longer than it is worth, nor at what goes wrong again and again.
        if (alone && sitting.Delivery == DeliveryMode.OnChildsScreen
            && StopRules.After(model, replay.Belief, [.. replay.Observed.TakeLast(answered.Count)], items, () => replay.Lately)
                is StopReason.Clear or StopReason.ManyWrong
            && await AskLast(connection, sitting, rows)) return null;
        var next = ChooserOf(sitting, child).Next(
            replay.Belief,
            replay.Observed,
            items,
            [.. answered.Select(question => question.Asked.Item)]);
        var place = rows.LastPlace + 1;
        if (next is null)
        {
            await SittingEnding.End(connection, model, sitting, Now);
            return null;
        }
        var asked = new AskedItem(place, next.Item, HelpFor(sitting, next.Item), next.Why);
        await Sittings.AskNext(connection, sitting.Id, asked, Now);
        return state.AskedNext(asked, underWay);
    }

    /// <summary>The help on a clock: what the teacher's own carries; a clock on the screen is bare while a child is asked.</summary>
    private static Support HelpFor(Sitting sitting, Item item) =>
        sitting.Delivery == DeliveryMode.OwnClock && item.Task.ShowsClock ? TeachingPreferences.HelpOn(sitting.ClockCarries) : Support.Bare;

    private ItemChooser ChooserOf(Sitting sitting, CaseloadRow child) =>
        new(model, Seed(sitting.Id), sitting.Delivery == DeliveryMode.OnChildsScreen ? task => task.OnScreen : task => task.Aloud,
            child.Preferences.Wording);

    private static int Seed(SittingId sitting) => BitConverter.ToInt32(sitting.Value.ToByteArray(), 12);
}
