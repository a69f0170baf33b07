using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One child: what the answers say, what next, whether it is working.</summary>
public sealed class ChildModel(Database database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : PageModel
{
    private const int MostShown = 8;
    private const int MostUnexplained = 4;
    private const int MostSittings = 12;

    public ChildRecord Record { get; private set; } = null!;

    public string Line { get; private set; } = "";

    public string Finding { get; private set; } = "";

    public string? Also { get; private set; }

    public string EvidenceLine { get; private set; } = "";

    public string Reason { get; private set; } = "";

    public IReadOnlyList<ItemResponse> Shown { get; private set; } = [];

    public IReadOnlyList<TellingAnswer> Telling { get; private set; } = [];

    public IReadOnlyList<ItemResponse> Unexplained { get; private set; } = [];

    /// <summary>Steps taken in a way that nobody has listed, with the answers that show it.</summary>
    public IReadOnlyList<OtherWayShown> OtherWays { get; private set; } = [];

    public Pattern? Practised { get; private set; }

    /// <summary>The last cold starts for what is worked on, the earliest first.</summary>
    public IReadOnlyList<ColdStartResult> ColdStarts => Record.WorkedOn is { } pattern ? [.. Record.ColdStarts(pattern).TakeLast(MostColdStarts)] : [];

    private const int MostColdStarts = 3;

    /// <summary>Ways to show what is practised, those not shown to the child first.</summary>
    public IReadOnlyList<Demonstration> Demonstrations { get; private set; } = [];

    /// <summary>What was shown to the child, the latest first.</summary>
    public IReadOnlyList<DemonstrationShown> Demonstrated { get; private set; } = [];

    private const int MostVisits = 3;

    /// <summary>The visit that the child is in the middle of; null where there is none.</summary>
    public Guid? OpenVisit { get; private set; }

    /// <summary>The help that was taken in the last visits, the latest first.</summary>
    public IReadOnlyList<HelpTaken> Help { get; private set; } = [];

    /// <summary>What was read off the clock on the wall in the last visits, the latest first.</summary>
    public IReadOnlyList<(DateOnly Day, string ClockTime, string Raw)> RoomClock { get; private set; } = [];

    /// <summary>What was noted in the last visits, day by day.</summary>
    public IReadOnlyList<(DateOnly Day, IReadOnlyList<string> Notes)> VisitNotes { get; private set; } = [];

    /// <summary>What the last cold starts say of how the pattern is worked on; null where they say nothing yet.</summary>
    public string? SayCold => Core.Progress.ColdStarts.Say(ColdStarts.Select(cold => (cold.Right, cold.Telling))) switch
    {
        ColdStartsSay.ChangeApproach => "Three in a row with none or one right: show it another way.",
        ColdStartsSay.FinishPattern => "Three in a row all right: practice of this can end.",
        _ => null,
    };

    /// <summary>What help the answers of a visit took, and what the next one begins with.</summary>
    public static string HelpLine(HelpTaken help)
    {
        var by = help.Took.GroupBy(rung => rung).OrderBy(same => same.Key ?? (Rung)(-1)).Select(same => $"{same.Count()} {(same.Key is { } rung ? $"took “{PromptLadder.NameOf(rung)}”" : "came by themselves")}");
        return $"In the visit on {help.Day:d MMM}, of {Times(help.Took.Count, "telling answer")}: {string.Join(", ", by)}. {(help.Next is { } next ? $"Next time begin with “{PromptLadder.NameOf(next)}”." : "Next time wait before any help.")}";
    }

    public FirstAndNow? Progress { get; private set; }

    public string ProgressLine { get; private set; } = "";

    /// <summary>The sittings that are shown answer by answer: the latest, or all.</summary>
    public IReadOnlyList<SittingRecord> Listed { get; private set; } = [];

    public async Task<IActionResult> OnGet(ChildId id, bool all)
    {
        var (found, names, shown) = await database.InSchool(
            User.Teacher().School, async connection => (await ChildRecord.Load(connection, model, id), await NamedWays.Of(connection, id), await Store.Demonstrated.To(connection, id)), HttpContext.RequestAborted);
        if (found is not { } record) return NotFound();
        Record = record;
        await LoadVisits(id);
        preferences.OfChild = record.Child.Preferences;
        Practised = record.Next.Pattern;
        (Demonstrated, Demonstrations) = (shown, Practised is null ? [] : Demonstration.Offered(Practised, [.. shown.Select(one => one.Demonstration)]));
        Progress = record.FirstAndNow;
        var child = record.Child;
        var seen = record.Sittings.Count;
        Line = seen == 0 ? child.Stage.Name(preferences.Wording) : $"{child.Stage.Name(preferences.Wording)} · {Times(seen, "sitting")} since {record.Sittings[0].Day:d MMMM}";
        Listed = all ? record.Sittings : [.. record.Sittings.TakeLast(MostSittings)];
        Tell(record);
        var known = record.Now.OtherAt.SelectMany(other => other.Answers).ToHashSet();
        Unexplained = [.. record.Now.Unexplained.Where(index => index >= record.Replay.LatestFrom && !known.Contains(index)).TakeLast(MostUnexplained).Select(At)];
        OtherWays = [.. record.Now.OtherAt.Select(other => new OtherWayShown(other, Named(other.Step), names.GetValueOrDefault(other.Step), [.. other.Answers.TakeLast(MostShown).Select(At)]))];
        if (Progress is not null) ProgressLine = Compare(Progress);
        return Page();
    }

    public async Task<IActionResult> OnPostName(ChildId id, string? step, string? name)
    {
        if (Steps.OfReading.Where(one => one.NameInFiles() == step).Select(one => (Step?)one).FirstOrDefault() is not { } at) return BadRequest();
        var given = (name ?? "").Trim();
        if (given.Length > NamedWays.Longest) return BadRequest();
        var known = await database.InSchool(
            User.Teacher().School,
            async connection =>
            {
                if (await Store.Children.Find(connection, id) is null) return false;
                await NamedWays.Name(connection, id, at, given, User.Teacher().Person, clock.GetUtcNow().UtcDateTime);
                return true;
            },
            HttpContext.RequestAborted);
        return known ? Redirect($"/children/{id}") : NotFound();
    }

    /// <summary>Takes back that a demonstration was shown.</summary>
    public async Task<IActionResult> OnPostNotShown(ChildId id, Guid shown)
    {
        var taken = await database.InSchool(User.Teacher().School, connection => Store.Demonstrated.TakeBack(connection, id, shown), HttpContext.RequestAborted);
        return taken > 0 ? Redirect($"/children/{id}") : NotFound();
    }

    private Task LoadVisits(ChildId id) => database.InSchool(
        User.Teacher().School,
        async connection =>
        {
            var visits = await Store.Visits.OfChild(connection, id);
            OpenVisit = visits.FirstOrDefault(visit => visit.EndedAt is null)?.Id;
            if (visits.Count == 0) return;
            Help = await HelpTaken.Of(connection, id, MostVisits);
            RoomClock = [.. (await Store.Visits.RoomClockOf(connection, id)).Take(MostVisits)];
            VisitNotes =
            [
                .. from note in await Store.Visits.NotesOf(connection, id)
                   group VisitNote.Find(note.Note)?.Words ?? note.Note by note.Day into day
                   select (day.Key, (IReadOnlyList<string>)[.. day]),
            ];
            VisitNotes = [.. VisitNotes.Take(MostVisits)];
        },
        HttpContext.RequestAborted);

    private void Tell(ChildRecord record)
    {
        var alias = record.Child.Alias;
        var first = record.First.Count > 0 ? record.First[0].Finding : null;
        var cleared = record.Now.Findings.FirstOrDefault(finding => finding.Label == Label.Cleared);
        Reason = record.Next.Reason;
        var unnamed = record.Now.Unnamed;
        if (first?.Label != Label.Likely && unnamed is Unnamed.Guessing or Unnamed.SameAnswer)
        {
            Finding = Standing.Told(unnamed, alias);
            EvidenceLine = unnamed == Unnamed.Guessing
                ? $"{CameRight(record)}, and the others follow nothing that is on the clock. That happens where clocks are new, or too many at once. It says nothing yet of how {alias} reads."
                : EvidenceOf(record.Now.Findings.First(finding => finding.Pattern.Step == Step.Answering));
        }
        else if (first is not null)
        {
            Finding = first.Label == Label.Likely ? first.Pattern.TextsIn(preferences.Wording).FindingOf(alias) : $"Perhaps: {first.Pattern.TextsIn(preferences.Wording).FindingOf(alias)}";
            var others = record.First.Skip(1).Where(impact => impact.Finding.Label == Label.Likely).Select(impact => impact.Finding.Pattern.TextsIn(preferences.Wording).FindingOf(alias));
            Also = others.Any() ? $"And: {string.Join(" ", others)}" : null;
            Telling = first.Evidence.Answers;
            EvidenceLine = EvidenceOf(first);
            if (record.Next.Step == NextStep.Practise)
                Reason = $"It spoils about {Spoils.Told(record.First[0].Spoils)} of the times at this stage{(record.First.Count > 1 ? ", so it comes first" : "")}.";
        }
        else if (cleared is not null)
        {
            Finding = $"Left behind: {cleared.Pattern.TextsIn(preferences.Wording).Reads}.";
            Telling = cleared.Evidence.Answers;
            EvidenceLine = EvidenceOf(cleared);
        }
        else
        {
            Finding = record.Sittings.Count == 0 ? "Nothing has been asked yet."
                : record.Now.OtherAt.Count > 0 ? $"{alias} takes {Named(record.Now.OtherAt[0].Step)} some other way: look at these answers."
                : Standing.Told(unnamed, alias);
            if (record.Sittings.Count > 0) EvidenceLine = $"{CameRight(record)}{(unnamed == Unnamed.None ? "; nothing goes wrong in one way now" : "")}.";
        }
        // Two patterns together can come right by accident; that is no picture of either.
        Shown = Telling.Count > 0
            ? [.. Telling.Where(answer => !IsAccident(answer)).TakeLast(MostShown).Select(answer => record.QuestionOf(answer))]
            : [.. record.Sittings.SelectMany(sitting => sitting.Answered).Where(question => !question.IsRight).TakeLast(MostShown)];
    }

    private static string CameRight(ChildRecord record)
    {
        var answered = record.Sittings.SelectMany(sitting => sitting.Answered).ToList();
        return $"{answered.Count(question => question.IsRight)} of {Times(answered.Count, "answer")} came right";
    }

    private ItemResponse At(int index) => Record.Sittings.SelectMany(sitting => sitting.Answered).ElementAt(index);

    private bool IsAccident(TellingAnswer answer) => answer.Outcome == TellingOutcome.ItsWay && Record.QuestionOf(answer).IsRight;

    private string EvidenceOf(Finding finding)
    {
        var evidence = finding.Evidence;
        var alike = evidence.NotYetTold.Count == 0 ? "" : $" Not yet told from: {string.Join(", ", evidence.NotYetTold.Select(pattern => pattern.TextsIn(preferences.Wording).Reads))}.";
        var accidents = evidence.Answers.Count(IsAccident);
        var way = finding.Label == Label.Cleared ? $"{CameRightOf(evidence)} came right" : $"{evidence.Answers.Count(answer => answer.Outcome == TellingOutcome.ItsWay)} came out that way{(accidents == 0 ? "" : $" ({accidents} right by accident)")}, {CameRightOf(evidence)} right";
        var setting = finding.Shows == Shows.Reading ? " Clocks are set rightly." : "";
        return $"Of {Times(evidence.Answers.Count, "telling answer")} {way}.{setting}{alike}";
    }

    private static int CameRightOf(Evidence evidence) => evidence.Answers.Count(answer => answer.Outcome == TellingOutcome.Right);

    private static string Compare(FirstAndNow progress)
    {
        var (first, last) = (progress.Sittings[0], progress.Sittings[^1]);
        var start = $"At first {first.Right} of {Times(first.Telling, "telling answer")} right";
        return first.Day == last.Day && progress.Sittings.Count == 1 ? $"{start}. Ask again after practice." : $"{start}; on {last.Day:d MMMM} {last.Right} of {last.Telling}.";
    }

    private string Named(Step step) => step switch
    {
        Step.Hour => "the hour",
        Step.Minutes => "the minutes",
        Step.PastOrTo => $"‘{preferences.Wording.Past}’ and ‘{preferences.Wording.To}’",
        Step.Fractions => "quarter and half",
        Step.Writing => "the writing of times",
        _ => "the place of the hour hand",
    };

    private static string Times(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";
}
