using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;
using Umbick.Casework;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Visits;

/// <summary>Who comes to a visit, and what will be shown.</summary>
[Authorize(Who.Records)]
public sealed class BeginModel(Database database, ReadingModel model, Visiting visiting, RequestPreferences preferences) : PageModel
{
    public Pattern Pattern { get; private set; } = null!;

    /// <summary>The id of the visit that this page would begin: sending it twice begins one.</summary>
    public Guid Visit { get; private set; } = Guid.CreateVersion7();

    /// <summary>Those who show the pattern, and those whom the page was opened for.</summary>
    public IReadOnlyList<CaseloadRow> Candidates { get; private set; } = [];

    public IReadOnlyList<ChildId> Chosen { get; private set; } = [];

    /// <summary>Candidates who are in the middle of something else.</summary>
    public IReadOnlySet<ChildId> Busy { get; private set; } = new HashSet<ChildId>();

    /// <summary>Where to go on with what they are in the middle of.</summary>
    public IReadOnlyList<(CaseloadRow Child, string Address)> LeftOpen { get; private set; } = [];

    /// <summary>The demonstrations to choose from, with what is to be known of each.</summary>
    public IReadOnlyList<(Demonstration Demonstration, string Note)> Demonstrations { get; private set; } = [];

    /// <summary>The id of the demonstration that is proposed.</summary>
    public string? Show { get; private set; }

    /// <summary>Whether the cold starts of one of them say that it should be shown another way.</summary>
    public bool ChangesApproach { get; private set; }

    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(string? pattern, ChildId[] child) => Within(async connection =>
    {
        if (!TryFind(pattern, out var found)) return NotFound();
        Pattern = found;
        await Load(connection, child, chosen: null);
        return Page();
    });

    public Task<IActionResult> OnPost(string? pattern, Guid? visit, ChildId[] child, string? show) => Within(async connection =>
    {
        if (!TryFind(pattern, out var found) || visit is not { } id || id == Guid.Empty) return BadRequest();
        (Pattern, Visit, Chosen) = (found, id, [.. child.Distinct()]);
        if (await Store.Visits.Find(connection, id) is not null) return Redirect($"/visits/{id}");
        if ((await Store.Children.Of(connection, Chosen)).Count() != Chosen.Count) return NotFound();
        Message = Chosen.Count == 0 ? "Choose one child at least."
            : Chosen.Count > Visiting.Most ? $"{Visiting.Most} children at most can be seen together. Untick some."
            : null;
        if (Message is null)
        {
            var demonstration = Demonstration.Find(show) is { } one && one.For.Contains(found.Id) ? one.Id : null;
            if (await visiting.Begin(connection, id, found, Chosen, demonstration, User.Person().Id) is not [var busy, ..]) return Redirect($"/visits/{id}");
            Message = $"{busy.Alias} has something unfinished. Finish or stop that first, or leave {busy.Alias} out.";
        }
        await Load(connection, child, Chosen);
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    });

    private async Task Load(SchoolConnection connection, ChildId[] asked, IReadOnlyList<ChildId>? chosen)
    {
        var caseload = await Caseload.Load(connection, model);
        Candidates = [.. caseload.Where(one => one.SummaryOn(preferences.Today).ToPractise.Contains(Pattern) || asked.Contains(one.Child.Id)).Select(one => one.Child).OrderBy(one => asked.Contains(one.Id) ? 0 : 1)];
        var busy = await Visiting.Busy(connection, Candidates.Select(one => one.Id));
        Busy = busy.Select(one => one.Id).ToHashSet();
        var open = await Store.Visits.Open(connection);
        var inVisits = new Dictionary<ChildId, Guid>();
        foreach (var visit in open)
        {
            foreach (var one in await Store.Visits.Children(connection, visit.Id)) inVisits.TryAdd(one.Child, visit.Id);
        }
        LeftOpen = [.. busy.Select(one => (one, inVisits.TryGetValue(one.Id, out var visit) ? $"/visits/{visit}" : $"/ask/{one.OpenAsking}"))];
        var free = Candidates.Where(one => !Busy.Contains(one.Id)).Select(one => one.Id).ToList();
        Chosen = chosen ?? [.. (asked.Length > 0 ? free.Where(asked.Contains) : free).Take(Visiting.Most)];
        await Propose(connection, caseload);
    }

    /// <summary>What helped is shown once more, shortly; what did not is not said over again in the same words.</summary>
    private async Task Propose(SchoolConnection connection, IReadOnlyList<CaseloadChild> caseload)
    {
        var shown = new List<DemonstrationShown>();
        foreach (var child in Chosen.Take(Visiting.Most))
        {
            shown.AddRange((await Demonstrated.To(connection, child)).Where(one => one.Pattern == Pattern.Id));
            ChangesApproach |= caseload.Any(one => one.Child.Id == child && one.Work.CourseOf(Pattern).ChangesApproach);
        }
        var latest = shown.OrderByDescending(one => one.Day).ToList();
        IReadOnlyList<string> ids = [.. latest.Select(one => one.Demonstration)];
        Demonstrations = [.. Demonstration.Offered(Pattern, ids).Select(one => (one, NoteOf(latest.FirstOrDefault(before => before.Demonstration == one.Id))))];
        Show = Demonstration.Proposed(Pattern, ids, ChangesApproach).Id;
    }

    private static string NoteOf(DemonstrationShown? shown) => shown is null ? "not shown yet" : $"shown on {shown.Day:d MMMM}; now only its contrast, as a reminder";

    private Task<IActionResult> Within(Func<SchoolConnection, Task<IActionResult>> act) => database.InSchool(User.Person().School, act, HttpContext.RequestAborted);

    private static bool TryFind(string? id, out Pattern pattern) => (pattern = Catalogue.Find(id)!) is { } found && Steps.OfReading.Contains(found.Step);
}
