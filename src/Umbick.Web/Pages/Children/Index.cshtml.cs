using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Progress;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One line of the caseload.</summary>
public sealed record CaseloadLine(CaseloadRow Row, WhatNext Next, string Finding, string? Seen, IReadOnlyList<ItemResponse> Answers);

/// <summary>The caseload, sorted by what needs doing.</summary>
public sealed class IndexModel(Database database, ReadingModel model) : PageModel
{
    private const int Glance = 10;

    public IReadOnlyList<IGrouping<NextStep, CaseloadLine>> Groups { get; private set; } = [];

    public string Summary { get; private set; } = "";

    /// <summary>What was typed to find a child by.</summary>
    public string Find { get; private set; } = "";

    /// <summary>How many were found, for those who do not see it; nothing where nobody was looked for.</summary>
    public string Found => Find.Length == 0 ? "" : Groups.Sum(group => group.Count()) is 1 ? "One child found" : $"{Groups.Sum(group => group.Count())} children found";

    /// <summary>Whether the caseload is too long to take in at a glance.</summary>
    public bool IsLong { get; private set; }

    public async Task OnGet(string? find)
    {
        var lines = await database.InSchool(User.Teacher().School, Lines, HttpContext.RequestAborted);
        IsLong = lines.Count > Glance;
        Find = find is { Length: <= Alias.Longest } ? find.Trim() : "";
        Groups = [.. lines.Where(line => line.Row.Alias.Contains(Find, StringComparison.CurrentCultureIgnoreCase)).OrderBy(line => line.Next.Step).GroupBy(line => line.Next.Step)];
        Summary = $"{lines.Count} on the caseload · {lines.Count(line => line.Next.Step is NextStep.GoOnAsking or NextStep.DoTheSet or NextStep.Practise)} waiting for something";
    }

    public static string Heading(NextStep step) => step switch
    {
        NextStep.GoOnAsking => "Left in the middle",
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
        var children = await Caseload.Load(connection, model);
        var (asked, answers) = await Sittings.RowsIn(connection, children.Select(one => one.Child.LastSitting).OfType<SittingId>());
        return [.. children.Select(child => Line(child, asked, answers))];
    }

    private static CaseloadLine Line(CaseloadChild known, ILookup<SittingId, AskedItem> asked, ILookup<SittingId, AnswerRow> answers)
    {
        var child = known.Child;
        var sitting = child.LastSitting ?? default;
        var wording = child.Preferences.Wording;
        var (likely, possible, cleared) = (known.Labelled(Label.Likely), known.Labelled(Label.Possible), known.Labelled(Label.Cleared));
        var next = WhatNext.For(known.State, wording);
        var finding = (likely, possible, cleared) switch
        {
            ({ Count: > 0 }, _, _) => string.Join(" ", likely.Select(pattern => pattern.TextsIn(wording).FindingOf(child.Alias))),
            _ when known.Unnamed is Unnamed.Guessing or Unnamed.SameAnswer => Standing.Told(known.Unnamed, child.Alias),
            (_, { Count: > 0 }, _) => $"Perhaps: {possible[0].TextsIn(wording).FindingOf(child.Alias)}",
            (_, _, { Count: > 0 }) => $"Left behind: {cleared[0].TextsIn(wording).Reads}.",
            _ when known.Unnamed != Unnamed.None => Standing.Told(known.Unnamed, child.Alias),
            _ => child.Sittings == 0 ? "" : "Answers come right, or go wrong in no one way.",
        };
        var given = answers[sitting].Where(answer => answer.Try == 1).ToDictionary(answer => answer.Place);
        var questions = asked[sitting]
            .Where(item => given.ContainsKey(item.Place))
            .Select(item => new ItemResponse(item, given[item.Place], given[item.Place].ReadFor(item.Item), IsRight(item, given[item.Place], child)));
        return new CaseloadLine(child, next, finding, child.LastSeen?.ToString("d MMM"), [.. questions]);
    }

    private static bool IsRight(AskedItem item, AnswerRow given, CaseloadRow child) =>
        Scoring.IsRight(item.Item, given.ReadFor(item.Item), given.AnswerMode, child.Stage, child.Preferences.Nearness);
}
