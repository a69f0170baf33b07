using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One child: what the answers say, what next, whether it is working.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class ChildModel(
    IDatabase database, ReadingModel model, Deciding deciding, Asking asking, RequestPreferences preferences, TimeProvider clock)
    : SchoolPage(database)
{
    private const int MostSittings = 12;
    private const int MostColdStarts = 3;

    public ChildRecord Record { get; private set; } = null!;

    public CaseSummary Summary { get; private set; } = null!;

    /// <summary>What the summary rests on.</summary>
    public CaseEvidence Evidence { get; private set; } = null!;

    public string Line { get; private set; } = "";

    /// <summary>Steps taken in a way that nobody has listed, with the answers that show it.</summary>
    public IReadOnlyList<OtherWayShown> OtherWays { get; private set; } = [];

    /// <summary>The last cold starts for what is worked on, the earliest first.</summary>
    public IReadOnlyList<ColdResult> ColdStarts => [.. (Summary.Course?.Colds ?? []).TakeLast(MostColdStarts)];

    /// <summary>The decisions that are to be taken.</summary>
    public IReadOnlyList<OfferShown> Offers =>
        [.. Summary.Offers.Select(offer => new OfferShown(offer.Pattern, offer.Offer, DecisionId.New(), Record.Source,
            Record.WrongIn(offer.Offer.Grounds)))];

    /// <summary>The decisions that were taken, the latest first.</summary>
    public IReadOnlyList<DecisionRow> Decided =>
        [.. Record.Work.Decisions.Where(decision => decision.Pattern is not null && decision.Kind is not null).Reverse()];

    /// <summary>Patterns that the teacher may say something of: those that are believed at all, then all others.</summary>
    public IReadOnlyList<Pattern> ToSay =>
        [.. Record.Now.Findings.Select(finding => finding.Pattern).Union(model.Patterns)
            .Where(pattern => Steps.OfReading.Contains(pattern.Step))];

    /// <summary>Ways to show what is practised, those not shown to the child first.</summary>
    public IReadOnlyList<Demonstration> Demonstrations { get; private set; } = [];

    /// <summary>What a visit with this child alone would have.</summary>
    public VisitPlan VisitAlone => VisitPlan.For(1, hasWallClock: true, isReminder: Demonstrations.All(offered =>
        Beside.Demonstrated.Any(shown => shown.Demonstration == offered.Id)));

    /// <summary>What is known beside the answers.</summary>
    public BesideAnswers Beside { get; private set; } = null!;

    /// <summary>What help the answers of a visit took, and what the next one begins with.</summary>
    public static string HelpLine(HelpTaken help)
    {
        var by = help.Took.GroupBy(rung => rung).OrderBy(same => same.Key ?? (Rung)(-1))
            .Select(same => $"{same.Count()} {(same.Key is { } rung ? $"took “{PromptLadder.NameOf(rung)}”" : "came by themselves")}");
        return $"In the visit on {help.Day:d MMM}, of {Counted.InWords(help.Took.Count, "telling answer")}: {string.Join(", ", by)}. "
            + help.NextInWords;
    }

    /// <summary>The sittings that are shown answer by answer: the latest, or all.</summary>
    public IReadOnlyList<SittingRecord> Listed { get; private set; } = [];

    /// <summary>Whether something was said of a pattern without a reason, so that it was not kept.</summary>
    public bool NoReason { get; private set; }

    /// <summary>Whether something was decided that the cold starts no longer suggest, so that it was not kept.</summary>
    public bool IsStale { get; private set; }

    public Task<IActionResult> OnGet(ChildId id, bool all, bool noReason, bool stale) => Within(async connection =>
    {
        (NoReason, IsStale) = (noReason, stale);
        if (await ChildRecord.Load(connection, model, id) is not { } record) return NotFound();
        Record = record;
        preferences.OfChild = record.Child.Preferences;
        Beside = await BesideAnswers.Load(connection, record.Child, preferences.Today);
        Show(all);
        return Page();
    });

    public async Task<IActionResult> OnPostName(ChildId id, string? step, string? name)
    {
        if (Steps.OfReading.Where(each => each.NameInFiles() == step).Select(each => (Step?)each).FirstOrDefault() is not { } at)
            return BadRequest();
        var given = (name ?? "").Trim();
        if (given.Length > BesideAnswers.LongestName) return BadRequest();
        return await Within(async connection =>
            await BesideAnswers.NameWay(connection, id, at, given, User.Person().Id, clock.GetUtcNow().UtcDateTime)
                ? Redirect($"/children/{id}") : NotFound());
    }

    /// <summary>Whether it is time to ask after what is easily overlooked: another approach is offered, or somebody has asked.</summary>
    public bool AsksAfter => Beside.AskedAfter.Count > 0 || Offers.Any(offer => offer.Offer.Kind == DecisionKind.ChangeApproach);

    /// <summary>Notes that somebody asked after something today, or takes that back.</summary>
    public Task<IActionResult> OnPostAskedAfter(ChildId id, string? about, bool? holds) => Within(async connection =>
    {
        if (AskAfter.Find(about) is not { } found || holds is not { } yes) return BadRequest();
        return await BesideAnswers.Ask(connection, id, found, yes, User.Person().Id, clock.GetUtcNow().UtcDateTime)
            ? Redirect($"/children/{id}#asked-after") : NotFound();
    });

    /// <summary>Answers with a half before or after the hour, of which nobody has said which it is.</summary>
    public IReadOnlyList<ItemResponse> Halves { get; private set; } = [];

    /// <summary>Answers that cannot be read, with their sittings, the latest first.</summary>
    public IReadOnlyList<(ItemResponse Question, SittingId Sitting)> Unread { get; private set; } = [];

    /// <summary>Settles what the child means by 'half eight': it is kept as how the child says times.</summary>
    public Task<IActionResult> OnPostHalf(ChildId id, string? meaning) => Within(async connection =>
    {
        if (meaning is null || !SettingList.HalfHour.Has(meaning)) return BadRequest();
        return await asking.SettleHalf(connection, id, meaning, User.Person().Id) ? Redirect($"/children/{id}") : NotFound();
    });

    /// <summary>Takes back that a demonstration was shown.</summary>
    public Task<IActionResult> OnPostNotShown(ChildId id, ShowingId shown) =>
        Within(async connection => await Demonstrating.TakeBack(connection, id, shown) ? Redirect($"/children/{id}") : NotFound());

    /// <summary>Takes what is offered, or turns it down.</summary>
    public Task<IActionResult> OnPostDecide(ChildId id, DecisionId decision, string? pattern, string? kind, bool? taken, string? seen) =>
        Within(async connection =>
    {
        if (Catalogue.Find(pattern) is not { } found || DecisionKinds.Find(kind) is not { } what || !what.IsOffered()
            || taken is not { } yes || !decision.IsGiven || seen is null) return BadRequest();
        return await deciding.Decide(connection, decision, id, found, what, yes, seen, User.Person().Id) switch
        {
            null => NotFound(),
            true => Redirect($"/children/{id}#decided"),
            false => Redirect($"/children/{id}?stale=true"),
        };
    });

    /// <summary>Confirms a pattern, or rules it out.</summary>
    public Task<IActionResult> OnPostSay(ChildId id, DecisionId decision, string? pattern, bool? holds, string? reason, string? seen) =>
        Within(async connection =>
    {
        var why = (reason ?? "").Trim();
        if (Catalogue.Find(pattern) is not { } found || !Steps.OfReading.Contains(found.Step) || holds is not { } yes
            || !decision.IsGiven || seen is null || why.Length > DecisionRow.LongestReason) return BadRequest();
        if (why.Length == 0) return Redirect($"/children/{id}?noReason=true#say-it");
        return await deciding.Say(connection, decision, id, found, yes, why, seen, User.Person().Id) switch
        {
            null => NotFound(),
            true => Redirect($"/children/{id}#decided"),
            false => Redirect($"/children/{id}?stale=true"),
        };
    });

    /// <summary>Takes a decision back.</summary>
    public Task<IActionResult> OnPostTakeBack(ChildId id, DecisionId decision) =>
        Within(async connection =>
            await deciding.TakeBack(connection, id, decision, User.Person().Id) is null ? NotFound() : Redirect($"/children/{id}#decided"));

    private void Show(bool all)
    {
        Summary = Record.SummaryOn(preferences.Today);
        Evidence = Record.EvidenceOf(Summary);
        Demonstrations = Summary.PractisedNext is { } next
            ? Demonstration.Offered(next, [.. Beside.Demonstrated.Select(shown => shown.Demonstration)]) : [];
        var (stage, seen) = (Record.Child.Stage.Name(preferences.Wording), Record.Sittings.Count);
        var place = Record.Child.ClassName.Length == 0 ? stage : $"{Record.Child.ClassName} · {stage}";
        Line = seen == 0 ? place : $"{place} · {Counted.InWords(seen, "sitting")} since {Record.Sittings[0].Day:d MMMM}";
        Halves = [.. Record.Sittings.SelectMany(sitting => sitting.Answered).Where(question => question.Answer is AmbiguousHalf)];
        Unread = [.. Record.Sittings.Reverse().SelectMany(sitting =>
            sitting.Answered.Where(question => question.Answer is Core.Clocks.Unread or Estimate)
                .Select(question => (question, sitting.Sitting.Id)))];
        Listed = all ? Record.Sittings : [.. Record.Sittings.TakeLast(MostSittings)];
        OtherWays = [.. Evidence.OtherWays.Select(other =>
            new OtherWayShown(other, other.Step.InWords(preferences.Wording), Beside.OwnWays.GetValueOrDefault(other.Step),
                [.. other.Answers.TakeLast(CaseEvidence.MostShown).Select(Record.QuestionAt)]))];
    }
}
