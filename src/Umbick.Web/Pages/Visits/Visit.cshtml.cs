using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Visits;

/// <summary>A visit on one page: the same faces for all, a box a child, and what was done is kept wherever it is stopped.</summary>
[Authorize(Who.Sittings)]
public sealed class VisitModel(IDatabase database, Visiting visiting, RequestPreferences preferences) : SchoolPage(database)
{
    public VisitShown View { get; private set; } = null!;

    /// <summary>The code that opens a screen for the children; null where none was just made.</summary>
    public string? Code { get; private set; }

    private PersonId Teacher => User.Person().Id;

    public Task<IActionResult> OnGet(VisitId id) => Within(async connection => await Load(connection, id) ? Page() : NotFound());

    /// <summary>Keeps one child's answer. The page makes its id: sent twice, it is one.</summary>
    public Task<IActionResult> OnPostAnswer(VisitId id, ChildId child, VisitPart? part, AnswerSent sent, string? raw) =>
        Within(async connection =>
    {
        if (sent.Id is not { } answer || part is not { } at || !ModelState.IsValid) return BadRequest();
        var taken = await visiting.KeepTyped(connection, id, child, at,
            sent.Submission(answer, AnswerSent.Text(raw), AnswerMode.Said, timed: false), AnswerSent.Text(sent.Confirmed), Teacher);
        if (taken.At is not { } now) return NotFound();
        if (taken.Message is { } why)
        {
            Response.Refused(answer);
            Response.StatusCode = taken.Outcome is null ? StatusCodes.Status400BadRequest : StatusCodes.Status409Conflict;
            return Partial("_Told", taken.Outcome is null ? why : $"{why} Open the page again to see what stands there.");
        }
        Response.Kept(answer);
        // While others have still to answer the same face nothing on the page changes.
        return !now.IsAnswered && now.Visit.Part == at && now.Visit.Place == sent.At ? Content("") : await Shown(connection, now);
    });

    /// <summary>Keeps whatever the boxes hold, where a page has no script.</summary>
    public Task<IActionResult> OnPost(VisitId id, VisitPart? part, int place) => Within(async connection =>
    {
        if (part is not { } at || await VisitState.Load(connection, id) is not { } visit) return NotFound();
        List<string> refused = [];
        foreach (var (child, own) in visit.Children.Select(each => (each.Child, each)))
        {
            var raw = AnswerSent.Text(Request.Form[$"raw-{child.Id}"].ToString());
            // A box left as it was is no new answer.
            if (raw.Length == 0 || raw == own.Said(at, place)
                || !AnswerId.TryParse(Request.Form[$"answer-{child.Id}"], null, out var answer))
                continue;
            var corrects = AnswerId.TryParse(Request.Form[$"corrects-{child.Id}"], null, out var seen) ? seen : default(AnswerId?);
            var submission = new Submission(answer, place, raw, AnswerMode.Said, null) { Corrects = corrects };
            if ((await visiting.KeepTyped(connection, id, child.Id, at, submission, confirmed: raw, Teacher)).Message is { } why)
                refused.Add($"{child.Alias}: {why}");
        }
        if (refused.Count == 0) return Redirect($"/visits/{id}");
        await Load(connection, id, string.Join(" ", refused));
        return Page();
    });

    /// <summary>Goes on from the place that the page showed; <paramref name="shown"/> names the demonstration that was shown.</summary>
    public Task<IActionResult> OnPostOn(VisitId id, VisitPart? part, int place, string? shown) => Do(id, async connection =>
        part is { } at && await visiting.GoOn(connection, id, at, place, Demonstration.Find(shown), Teacher));

    public Task<IActionResult> OnPostBack(VisitId id, VisitPart? part, int place) =>
        Do(id, async connection => part is { } at && await Visiting.Back(connection, id, at, place));

    /// <summary>Makes a code for a screen that the children look at; this one stays the adult's.</summary>
    public Task<IActionResult> OnPostScreen(VisitId id) => Within(async connection =>
    {
        Code = await visiting.ScreenCode(connection, id);
        return Code is not null && await Load(connection, id) ? Page() : NotFound();
    });

    public Task<IActionResult> OnPostStop(VisitId id) => Do(id, connection => visiting.Stop(connection, id));

    public Task<IActionResult> OnPostGone(VisitId id, ChildId child, bool here) =>
        Do(id, connection => visiting.Leave(connection, id, child, here, Teacher));

    public Task<IActionResult> OnPostRung(VisitId id, ChildId child, int place, string? rung) => Do(id, async connection =>
        (string.IsNullOrEmpty(rung) || Rungs.Find(rung) is not null)
            && await visiting.NoteRung(connection, id, child, place, Rungs.Find(rung), Teacher));

    public Task<IActionResult> OnPostRungOfAll(VisitId id, int place, string? rung) => Do(id, async connection =>
        Rungs.Find(rung) is { } said && await visiting.NoteRungOfAll(connection, id, place, said, Teacher));

    public Task<IActionResult> OnPostNote(VisitId id, ChildId child, string? note, bool holds) => Do(id, async connection =>
        VisitNote.Find(note) is { } found && await visiting.Note(connection, id, child, found, holds, Teacher));

    public Task<IActionResult> OnPostCopied(VisitId id, ChildId child, VisitPart? part, int place, bool copied) =>
        Do(id, async connection =>
        part is { } at && await visiting.NoteCopied(connection, id, child, at, place, copied, Teacher));

    private async Task<bool> Load(SchoolConnection connection, VisitId id, string? message = null)
    {
        if (await VisitState.Load(connection, id) is not { } at) return false;
        await Show(connection, at, message);
        return true;
    }

    private async Task Show(SchoolConnection connection, VisitState at, string? message = null)
    {
        preferences.OfChild = at.Preferences;
        View = (await VisitShown.Load(connection, visiting, at)) with { Message = message };
    }

    /// <summary>Does something, and shows where the visit is then.</summary>
    private Task<IActionResult> Do(VisitId id, Func<SchoolConnection, Task<bool>> act) => Within(async connection =>
    {
        if (!ModelState.IsValid) return BadRequest();
        return await act(connection) ? await Shown(connection, id) : NotFound();
    });

    private async Task<IActionResult> Shown(SchoolConnection connection, VisitId id)
    {
        if (!Request.IsScripted()) return Redirect($"/visits/{id}");
        return await Load(connection, id) ? Partial("_Visit", View) : NotFound();
    }

    private async Task<IActionResult> Shown(SchoolConnection connection, VisitState at)
    {
        if (!Request.IsScripted()) return Redirect($"/visits/{at.Visit.Id}");
        await Show(connection, at);
        return Partial("_Visit", View);
    }
}
