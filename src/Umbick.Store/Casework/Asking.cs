using System.Collections.Concurrent;
using System.Data.Common;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store.Casework;

/// <summary>
/// Asking: each answer is kept, then the next item is asked: the one that tells most by all that is known of the child, or
/// the next of a list that was made before.
/// </summary>
public sealed class Asking(ReadingModel model, TimeProvider clock)
{
    /// <summary>How many items a form has that is asked in a sitting.</summary>
    public const int FormLength = 12;

    private const int PartsEach = 3;

    /// <summary>The banks that have been made: a few, for stages and tasks are few.</summary>
    private static readonly ConcurrentDictionary<string, IReadOnlyList<Item>> Banks = [];

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Starts a sitting, or goes on with the one left open.</summary>
    /// <returns>The sitting's id, or null where the school has no such child.</returns>
    public async Task<Guid?> Start(DbConnection connection, Guid school, Guid child, Beginning? beginning = null)
    {
        if (await Children.Find(connection, child) is not { } row) return null;
        if (row.OpenAsking is { } open) return open;
        beginning = Fitting(beginning ?? new Beginning(), row.Stage);
        var id = Guid.CreateVersion7(clock.GetUtcNow());
        var items = Listed(beginning, row, Seed(id));
        var sitting = new Sitting
        {
            Id = id,
            Child = child,
            Kind = Sitting.Asking,
            Stage = row.Stage,
            Length = items.Count > 0 ? items.Count : row.Manner.Length,
            StartedAt = Now,
            Plan = beginning.Plan,
            Way = beginning.Way,
            Visit = beginning.Visit,
            Turn = beginning.Turn,
        };
        await Sittings.Start(connection, school, sitting);
        if (items.Count > 0) await Sittings.Ask(connection, school, id, items.Select((item, i) => new Asked(i + 1, item, Support.Bare, WhyListed(beginning))), Now);
        else await AskNext(connection, school, sitting, 1);
        return id;
    }

    /// <summary>Keeps an answer and asks the next item, or ends the sitting when its length is reached.</summary>
    public async Task<Submitted> Answer(DbConnection connection, Guid school, Guid sittingId, Submission submission, Guid? by)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return Submitted.NotFound;
        if (await Sittings.Answer(connection, sittingId, submission.Id) is { } before)
            return submission.IsSame(before) ? Submitted.KeptBefore : Submitted.OtherAnswerKept;
        if (sitting.EndedAt is not null) return Submitted.Over;
        if (sitting.CurrentPlace != submission.Place) return Submitted.MovedOn;
        await Sittings.Add(connection, school, RowOf(sittingId, submission), by, Now);
        await GoOn(connection, school, sitting);
        return Submitted.Kept;
    }

    /// <summary>Leaves an item out and asks another.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="school">The school.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="place">The place that the page showed: a page that has grown stale leaves nothing out.</param>
    public async Task<Submitted> Skip(DbConnection connection, Guid school, Guid sittingId, int place)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return Submitted.NotFound;
        if (sitting.EndedAt is not null) return Submitted.Over;
        if (sitting.CurrentPlace != place) return Submitted.MovedOn;
        if (!await IsAnswered(connection, sittingId, place)) await Sittings.Withdraw(connection, sittingId, place);
        await GoOn(connection, school, sitting);
        return Submitted.Kept;
    }

    /// <summary>Goes one back: the item before is asked once more, and one that was chosen by the answers and still waits is taken back.</summary>
    public static async Task<bool> Back(DbConnection connection, Guid sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null } sitting) return false;
        var asked = (await Sittings.AskedIn(connection, [sittingId]))[sittingId].ToList();
        var before = asked.LastOrDefault(item => item.Place < sitting.CurrentPlace);
        if (before is null) return false;
        if (sitting.Plan == Plans.Adaptive && !await IsAnswered(connection, sittingId, sitting.CurrentPlace)) await Sittings.Withdraw(connection, sittingId, sitting.CurrentPlace);
        await Sittings.MoveTo(connection, sittingId, before.Place);
        return true;
    }

    /// <summary>Makes the next item the last, and one that will very likely come right.</summary>
    public async Task<bool> EndSoon(DbConnection connection, Guid school, Guid sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false, EndedAt: null } sitting) return false;
        if (await IsAnswered(connection, sittingId, sitting.CurrentPlace)) return false;
        var (child, answered, replay) = await UnderWay.Load(connection, model, sitting);
        var easy = ChooserOf(sitting, child).Close(replay.Belief, Bank(sitting, child), [.. answered.Select(question => question.Asked.Item)]);
        if (easy is null) return false;
        await WithdrawWaiting(connection, sitting.Id);
        await Sittings.Lengthen(connection, sitting.Id, answered.Count + 1);
        var place = (await Sittings.AskedSoFar(connection, sittingId)).LastPlace + 1;
        await Sittings.Ask(connection, school, sitting.Id, [new Asked(place, easy.Item, Support.Bare, easy.Why)], Now);
        await Sittings.MoveTo(connection, sitting.Id, place);
        return true;
    }

    /// <summary>Stops a sitting. Everything that was answered is kept.</summary>
    public async Task<bool> Stop(DbConnection connection, Guid school, Guid sittingId)
    {
        if (await Sittings.Lock(connection, sittingId) is not { IsPractice: false } sitting) return false;
        if (sitting.EndedAt is null) await End(connection, school, sitting);
        return true;
    }

    /// <summary>The items that a sitting may choose from: what is in use at the child's stage, by how the sitting is held.</summary>
    public static IReadOnlyList<Item> Bank(Sitting sitting, CaseloadRow child)
    {
        var tasks = InUse(TasksOf(sitting.Way), child, sitting.Stage);
        return Banks.GetOrAdd($"{sitting.Stage} {string.Join(' ', tasks.Select(task => task.Id))}", _ => ItemBank.ForSitting(sitting.Stage, tasks));
    }

    /// <summary>The tasks of some that a child has met and her stage uses; reading in figures where that leaves none.</summary>
    private static List<ClockTask> InUse(IEnumerable<ClockTask> tasks, CaseloadRow child, Stage stage)
    {
        var used = tasks.Where(task => child.Uses(task, stage)).ToList();
        return used.Count > 0 ? used : [ClockTasks.ReadDigital];
    }

    /// <summary>The next questions to choose from, and how their answers come.</summary>
    public static IReadOnlyList<ClockTask> TasksOf(string way) => way switch
    {
        Ways.Screen => ClockTasks.Plain,
        Ways.OwnClock => [ClockTasks.ReadDigital, ClockTasks.ReadWords],
        _ => ItemBank.AskedAloud,
    };

    /// <summary>How an answer comes when the teacher types it: what the child writes is written, all else is said.</summary>
    public static AnswerMode ModeOf(Item item, string raw) =>
        AnswerParser.Parse(raw) is PlacedAnswer ? AnswerMode.Placed : item.Task.Aloud;

    internal static GivenRow RowOf(Guid sitting, Submission submission, int attempt = 1) => new()
    {
        Sitting = sitting,
        Id = submission.Id,
        Place = submission.Place,
        Try = attempt,
        Raw = submission.Raw,
        Mode = submission.Mode.ToString().ToLowerInvariant(),
        Seconds = submission.Seconds,
        BegunSeconds = submission.BegunSeconds,
        FirstRaw = submission.First,
        Prompted = submission.Prompted,
        How = submission.How,
    };

    /// <summary>Before o'clock there is no time to read yet: the parts of a clock are asked instead.</summary>
    private static Beginning Fitting(Beginning beginning, Stage stage) =>
        stage >= Stage.OClock || beginning.Plan is Plans.Ground or Plans.Chosen
            ? beginning
            : beginning with { Plan = Plans.Chosen, Tasks = [.. ClockTasks.BeforeTimes.Where(task => task.From <= stage).SelectMany(task => Enumerable.Repeat(task.Id, PartsEach))] };

    private IReadOnlyList<Item> Listed(Beginning beginning, CaseloadRow child, int seed) => beginning.Plan switch
    {
        Plans.Ground => GroundCheck.Items,
        Plans.Form => new FixedForms(model).Make(child.Stage, FormLength, FormSeed(child.Stage), InUse(ClockTasks.Plain, child, child.Stage)).First(form => form.Name == beginning.Form).Items,
        Plans.Chosen => new OneOfEach(model).Make(beginning.Tasks.Select(ClockTasks.Find).OfType<ClockTask>(), child.Stage, seed),
        _ => [],
    };

    /// <summary>
    /// Forms A, B and C of a stage and of the tasks that are in use are always the same, so that one child's two checks can be set
    /// side by side.
    /// </summary>
    private static int FormSeed(Stage stage) => 100 + (int)stage;

    private static string WhyListed(Beginning beginning) => beginning.Plan switch
    {
        Plans.Ground => "Reading a clock stands on this.",
        Plans.Form => $"It stands in form {beginning.Form}.",
        _ => "You chose this task.",
    };

    private async Task GoOn(DbConnection connection, Guid school, Sitting sitting)
    {
        if (sitting.Plan != Plans.Adaptive)
        {
            var answered = (await Sittings.AnswersIn(connection, [sitting.Id]))[sitting.Id].Select(answer => answer.Place).ToHashSet();
            var next = (await Sittings.AskedIn(connection, [sitting.Id]))[sitting.Id].FirstOrDefault(item => item.Place > sitting.CurrentPlace && !answered.Contains(item.Place));
            if (next is null) await End(connection, school, sitting);
            else await Sittings.MoveTo(connection, sitting.Id, next.Place);
            return;
        }
        var (standing, lastPlace) = await Sittings.AskedSoFar(connection, sitting.Id);
        if (standing >= sitting.Length) await End(connection, school, sitting);
        else await AskNext(connection, school, sitting, lastPlace + 1);
    }

    private async Task End(DbConnection connection, Guid school, Sitting sitting)
    {
        await WithdrawWaiting(connection, sitting.Id);
        await Sittings.End(connection, sitting.Id, Now);
        var record = await ChildRecord.Load(connection, model, sitting.Child);
        await Marginals.Keep(connection, school, sitting.Id, record!);
    }

    private static async Task WithdrawWaiting(DbConnection connection, Guid sitting)
    {
        var answered = (await Sittings.AnswersIn(connection, [sitting]))[sitting].Select(answer => answer.Place).ToHashSet();
        var waiting = (await Sittings.AskedIn(connection, [sitting]))[sitting].Where(item => !answered.Contains(item.Place));
        foreach (var item in waiting) await Sittings.Withdraw(connection, sitting, item.Place);
    }

    private async Task AskNext(DbConnection connection, Guid school, Sitting sitting, int place)
    {
        var (child, answered, replay) = await UnderWay.Load(connection, model, sitting);
        var chooser = ChooserOf(sitting, child);
        var bank = Bank(sitting, child);
        var asked = answered.Select(question => question.Asked.Item).ToList();
        // What was left out is not asked again in the same sitting.
        var leftOut = (await Sittings.WithdrawnIn(connection, sitting.Id)).ToHashSet();
        if (leftOut.Count > 0) bank = [.. bank.Where(item => !leftOut.Contains(item))];
        var next = answered.Count == sitting.Length - 1
            ? chooser.Close(replay.Belief, bank, asked)
            : chooser.Choose(replay.Belief, bank, asked, answered.Count(question => question.IsRight), Wanting.After(model, replay.Belief, replay.Observed));
        if (next is null)
        {
            await End(connection, school, sitting);
            return;
        }
        await Sittings.Ask(connection, school, sitting.Id, [new Asked(place, next.Item, Support.Bare, next.Why)], Now);
        await Sittings.MoveTo(connection, sitting.Id, place);
    }

    private ItemChooser ChooserOf(Sitting sitting, CaseloadRow child) =>
        new(model, Seed(sitting.Id), sitting.Way == Ways.Screen ? task => task.OnScreen : task => task.Aloud, child.Manner.Wording);

    private static async Task<bool> IsAnswered(DbConnection connection, Guid sitting, int place) =>
        (await Sittings.AnswersIn(connection, [sitting]))[sitting].Any(answer => answer.Place == place);

    private static int Seed(Guid sitting) => BitConverter.ToInt32(sitting.ToByteArray(), 12);
}
