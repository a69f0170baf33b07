using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Web.Pages.Children;

/// <summary>One line of the caseload.</summary>
/// <param name="Known">The child, with what all answers say.</param>
/// <param name="Summary">What is known of the child today.</param>
/// <param name="Where">Where the work with them stands, in a few words.</param>
/// <param name="Answers">The latest answers.</param>
public sealed record CaseloadLine(CaseloadChild Known, CaseSummary Summary, string Where, IReadOnlyList<ItemResponse> Answers)
{
    public CaseloadRow Row => Known.Child;
}

/// <summary>The caseload, sorted by what needs doing.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    private const int Glance = 10;

    public IReadOnlyList<IGrouping<NextStep, CaseloadLine>> Groups { get; private set; } = [];

    public string Summary { get; private set; } = "";

    /// <summary>That what is said of some is of before; nothing where it is of nobody.</summary>
    public string Behind { get; private set; } = "";

    /// <summary>Which children are shown.</summary>
    public CaseloadFilter Filter { get; private set; } = new();

    /// <summary>What can be chosen from.</summary>
    public IReadOnlyList<Pattern> Patterns { get; private set; } = [];

    public IReadOnlyList<Stage> Stages { get; private set; } = [];

    public IReadOnlyList<string> Classes { get; private set; } = [];

    /// <summary>How many were found, for those who do not see it; nothing where nobody was looked for.</summary>
    public string Found => Filter.IsOff ? ""
        : Groups.Sum(group => group.Count()) is 1 ? "One child found" : $"{Groups.Sum(group => group.Count())} children found";

    /// <summary>Whether the caseload is too long to take in at a glance.</summary>
    public bool IsLong { get; private set; }

    public async Task OnGet(string? find, string? pattern, Stage? stage, string? @class, string? waiting)
    {
        var lines = await InSchool(Lines);
        IsLong = lines.Count > Glance;
        Behind = Caseload.BehindInWords(lines.Select(line => line.Known));
        Filter = CaseloadFilter.From(find, pattern, stage, @class, waiting);
        Patterns = [.. lines.SelectMany(line => line.Summary.ToPractise).Distinct().OrderBy(line => line.Step)];
        Stages = [.. lines.Select(line => line.Row.Stage).Distinct().Order()];
        Classes = [.. lines.Select(line => line.Row.ClassName).Where(name => name.Length > 0).Distinct().Order()];
        Groups = [.. lines.Where(line => Filter.Holds(line.Known, preferences.Today)).OrderBy(line => line.Summary.Next.Step)
            .GroupBy(line => line.Summary.Next.Step)];
        Summary = $"{lines.Count} on the caseload · {lines.Count(line => line.Summary.Next.IsWaiting)} waiting for something";
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
        var active = await DayWork.InActiveWork(connection, children, today);
        var latest = await LatestSittings.Load(connection, children.Select(child => child.Child));
        return
        [
            .. from child in children
               let summary = child.SummaryOn(today)
               select new CaseloadLine(child, summary, summary.WhereInWords(active.Contains(child.Child.Id)),
                   [.. latest.GetValueOrDefault(child.Child.Id)?.Answered ?? []]),
        ];
    }
}
