using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework;
using Umbick.Core.Reports;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Reports;

/// <summary>A report of a child as it is offered: each line leads to what it rests on, and is edited before it goes.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class NewModel(IDatabase database, ChildReports reports, RequestPreferences preferences) : SchoolPage(database)
{
    public ReportDraft Draft { get; private set; } = null!;

    /// <summary>What was typed for each line; as it is offered where nothing was.</summary>
    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    /// <summary>Why it was not kept; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(ChildId id, string kind) => Within(connection => Shown(connection, id, kind));

    public Task<IActionResult> OnPost(ChildId id, string kind, ReportId report) => Within(async connection =>
    {
        if (await Shown(connection, id, kind) is not PageResult page) return NotFound();
        Typed = Draft.Lines.ToDictionary(line => line.Id, line => AnswerSent.Text(Request.Form[$"line-{line.Id}"].ToString()));
        Message = await reports.Keep(connection, report, Draft, Typed, User.Person().Id, preferences.Today);
        if (Message is null) return Redirect($"/reports/{report}");
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return page;
    });

    private async Task<IActionResult> Shown(SchoolConnection connection, ChildId id, string kind)
    {
        if (ReportKind.Find(kind) is not { } known || await reports.Offer(connection, id, known, preferences.Today) is not { } draft)
            return NotFound();
        Draft = draft;
        preferences.OfChild = draft.Child.Preferences;
        return Page();
    }
}
