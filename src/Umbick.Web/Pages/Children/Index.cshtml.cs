using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One line of the caseload.</summary>
/// <param name="Known">The child, with what all answers say.</param>
/// <param name="Next">What to do next.</param>
/// <param name="Finding">What the answers say, as a sentence.</param>
/// <param name="Where">Where the work with them stands, in a few words.</param>
/// <param name="Answers">The latest answers.</param>
public sealed record CaseloadLine(CaseloadChild Known, WhatNext Next, string Finding, string Where, IReadOnlyList<ItemResponse> Answers)
{
    public CaseloadRow Row => Known.Child;
}

/// <summary>The caseload, sorted by what needs doing.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(Database database, ReadingModel model, RequestPreferences preferences) : PageModel
{
    private const int Glance = 10;

    public IReadOnlyList<IGrouping<NextStep, CaseloadLine>> Groups { get; private set; } = [];

    public string Summary { get; private set; } = "";

    /// <summary>Which children are shown.</summary>
    public CaseloadFilter Filter { get; private set; } = new();

    /// <summary>What can be chosen from.</summary>
    public IReadOnlyList<Pattern> Patterns { get; private set; } = [];

    public IReadOnlyList<Stage> Stages { get; private set; } = [];

    public IReadOnlyList<string> Classes { get; private set; } = [];

    /// <summary>How many were found, for those who do not see it; nothing where nobody was looked for.</summary>
    public string Found => Filter.IsOff ? "" : Groups.Sum(group => group.Count()) is 1 ? "One child found" : $"{Groups.Sum(group => group.Count())} children found";

    /// <summary>Whether the caseload is too long to take in at a glance.</summary>
    public bool IsLong { get; private set; }

    public async Task OnGet(string? find, string? pattern, Stage? stage, string? @class, string? waiting)
    {
        var lines = await database.InSchool(User.Person().School, Lines, HttpContext.RequestAborted);
        IsLong = lines.Count > Glance;
        Filter = CaseloadFilter.Of(find, pattern, stage, @class, waiting);
        Patterns = [.. lines.SelectMany(line => line.Known.ToPractise).Distinct().OrderBy(one => one.Step)];
        Stages = [.. lines.Select(line => line.Row.Stage).Distinct().Order()];
        Classes = [.. lines.Select(line => line.Row.ClassName).Where(name => name.Length > 0).Distinct().Order()];
        Groups = [.. lines.Where(line => Filter.Holds(line.Known, preferences.Today)).OrderBy(line => line.Next.Step).GroupBy(line => line.Next.Step)];
        Summary = $"{lines.Count} on the caseload · {lines.Count(line => line.Next.Step is NextStep.GoOnAsking or NextStep.GiveForm or NextStep.Recheck or NextStep.DoTheSet or NextStep.Practise)} waiting for something";
    }

    public static string Heading(NextStep step) => step switch
    {
        NextStep.GoOnAsking => "Left in the middle",
        NextStep.GiveForm => "A check form is due",
        NextStep.Recheck => "A recheck is due",
        NextStep.DoTheSet => "A set is ready to do",
        NextStep.Practise => "A pattern is likely: make a set",
        NextStep.AskFirst => "Not asked yet",
        NextStep.AskAgain => "Practised: does it hold?",
        NextStep.AskMore => "A few more questions would tell",
        NextStep.LookTogether => "Look at the answers together",
        _ => "Nothing stands out",
    };

    private async Task<IReadOnlyList<CaseloadLine>> Lines(SchoolConnection connection)
    {
        var today = preferences.Today;
        var children = await Caseload.Load(connection, model);
        var timetable = await Timetables.Of(connection, today, today);
        var active = DayWork.InActiveWork(children, timetable, today);
        var (asked, answers) = await Sittings.RowsIn(connection, children.Select(one => one.Child.LastSitting).OfType<SittingId>());
        return [.. children.Select(child => Line(child, active.Contains(child.Child.Id.Value), asked, answers))];
    }

    private CaseloadLine Line(CaseloadChild known, bool active, ILookup<SittingId, AskedItem> asked, ILookup<SittingId, AnswerRow> answers)
    {
        var child = known.Child;
        var sitting = child.LastSitting ?? default;
        var given = answers[sitting].Where(answer => answer.Try == 1).ToDictionary(answer => answer.Place);
        var questions = asked[sitting]
            .Where(item => given.ContainsKey(item.Place))
            .Select(item => new ItemResponse(item, given[item.Place], given[item.Place].ReadFor(item.Item), IsRight(item, given[item.Place], child)));
        return new CaseloadLine(known, WhatNext.For(known.StateOn(preferences.Today), child.Preferences.Wording), FindingOf(known), WhereOf(known, active), [.. questions]);
    }

    private static string FindingOf(CaseloadChild known)
    {
        var (child, wording) = (known.Child, known.Child.Preferences.Wording);
        var (likely, possible, cleared) = (known.ToPractise, known.Labelled(Label.Possible), known.Labelled(Label.Cleared));
        return (likely, possible, cleared) switch
        {
            ({ Count: > 0 }, _, _) => string.Join(" ", likely.Select(pattern => pattern.TextsIn(wording).FindingOf(child.Alias))),
            _ when known.Unnamed is Unnamed.Guessing or Unnamed.SameAnswer => Standing.Told(known.Unnamed, child.Alias),
            (_, { Count: > 0 }, _) => $"Perhaps: {possible[0].TextsIn(wording).FindingOf(child.Alias)}",
            (_, _, { Count: > 0 }) => $"Left behind: {cleared[0].TextsIn(wording).Reads}.",
            _ when known.Unnamed != Unnamed.None => Standing.Told(known.Unnamed, child.Alias),
            _ => child.Sittings == 0 ? "" : "Answers come right, or go wrong in no one way.",
        };
    }

    /// <summary>Where the work stands: what waits for a decision, who waits for a place, what is looked at again.</summary>
    private static string WhereOf(CaseloadChild known, bool active)
    {
        if (known.Work.Offers.FirstOrDefault() is { Offer: { } offer }) return DecisionTexts.Of(offer).Question;
        if (known.ToPractise.Count > 0 || known.Child.OpenSet is not null)
            return active ? "in active work" : $"waits: {Wording.Number(ActiveWork.Most)} others are in active work";
        var courses = known.Work.Courses.Values.Where(course => course.Phase != PatternPhase.Practising).ToList();
        return courses.Count == 0 ? "" : DecisionTexts.Told(courses.Min(course => course.Phase));
    }

    private static bool IsRight(AskedItem item, AnswerRow given, CaseloadRow child) =>
        Scoring.IsRight(item.Item, given.ReadFor(item.Item), given.AnswerMode, child.Stage, child.Preferences.Nearness);
}
