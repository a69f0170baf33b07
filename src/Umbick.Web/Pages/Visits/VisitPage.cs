using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Visits;

/// <summary>
/// A page on which a visit is run: the same faces for all, a box a child, and what was done is kept wherever it is stopped.
/// </summary>
public abstract class VisitPage(IDatabase database, Visiting visiting, SecondDevices devices, RequestPreferences preferences)
    : SchoolPage(database)
{
    public VisitView View { get; private set; } = null!;

    /// <summary>The page's own address.</summary>
    protected abstract string Home { get; }

    /// <summary>Whether it is the first device, which lets another in.</summary>
    protected abstract bool LetsIn { get; }

    /// <summary>The visit, and who answers for what is done on the page; null where there is none.</summary>
    protected abstract Task<(VisitId Id, PersonId By)?> Found(SchoolConnection connection);

    /// <summary>The same for an answer that had waited: also when the visit is over it is heard what becomes of it.</summary>
    protected virtual Task<(VisitId Id, PersonId By)?> FoundForAnswer(SchoolConnection connection) => Found(connection);

    /// <summary>What a page that knows this state asks each second while another device is at the visit.</summary>
    public Task<IActionResult> OnGetState(string? key) => Within(async connection =>
    {
        if (await Found(connection) is not var (id, _) || !await Load(connection, id)) return NotFound();
        return key == View.Key ? StatusCode(StatusCodes.Status204NoContent) : Partial("_Visit", View);
    });

    /// <summary>Keeps one child's answer. The page makes its id: sent twice, it is one.</summary>
    public Task<IActionResult> OnPostAnswer(ChildId child, VisitPart? part, AnswerSent sent, string? raw) => Within(async connection =>
    {
        if (sent.Id is not { } answer || part is not { } at || !ModelState.IsValid) return BadRequest();
        if (await FoundForAnswer(connection) is not var (id, by)) return NotFound();
        var taken = await visiting.KeepTyped(connection, id, child, at,
            sent.Submission(answer, AnswerSent.Text(raw), AnswerMode.Said, timed: false), AnswerSent.Text(sent.Confirmed), by);
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
    public Task<IActionResult> OnPost(VisitPart? part, int place) => Within(async connection =>
    {
        if (part is not { } at || await Found(connection) is not var (id, by) || await VisitState.Load(connection, id) is not { } visit)
            return NotFound();
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
            if ((await visiting.KeepTyped(connection, id, child.Id, at, submission, confirmed: raw, by)).Message is { } why)
                refused.Add($"{child.Alias}: {why}");
        }
        if (refused.Count == 0) return Redirect(Home);
        await Load(connection, id, string.Join(" ", refused));
        return Page();
    });

    /// <summary>Goes on from the place that the page showed; <paramref name="shown"/> names the demonstration that was shown.</summary>
    public Task<IActionResult> OnPostOn(VisitPart? part, int place, string? shown) => Do(async (connection, id, by) =>
        part is { } at && await visiting.GoOn(connection, id, at, place, Demonstration.Find(shown), by));

    public Task<IActionResult> OnPostBack(VisitPart? part, int place) =>
        Do(async (connection, id, _) => part is { } at && await Visiting.Back(connection, id, at, place));

    public Task<IActionResult> OnPostGone(ChildId child, bool here) =>
        Do((connection, id, by) => visiting.Leave(connection, id, child, here, by));

    public Task<IActionResult> OnPostRung(ChildId child, int place, string? rung) => Do(async (connection, id, by) =>
        (string.IsNullOrEmpty(rung) || Rungs.Find(rung) is not null)
            && await visiting.NoteRung(connection, id, child, place, Rungs.Find(rung), by));

    public Task<IActionResult> OnPostRungOfAll(int place, string? rung) => Do(async (connection, id, by) =>
        Rungs.Find(rung) is { } said && await visiting.NoteRungOfAll(connection, id, place, said, by));

    public Task<IActionResult> OnPostNote(ChildId child, string? note, bool holds) => Do(async (connection, id, by) =>
        VisitNote.Find(note) is { } found && await visiting.Note(connection, id, child, found, holds, by));

    public Task<IActionResult> OnPostCopied(ChildId child, VisitPart? part, int place, bool copied) => Do(async (connection, id, by) =>
        part is { } at && await visiting.NoteCopied(connection, id, child, at, place, copied, by));

    /// <summary>Loads the visit as it is shown.</summary>
    /// <returns>Whether there is one.</returns>
    protected async Task<bool> Load(SchoolConnection connection, VisitId id, string? message = null)
    {
        if (await VisitState.Load(connection, id) is not { } at) return false;
        await Show(connection, at, message);
        return true;
    }

    /// <summary>Does something, and shows where the visit is then.</summary>
    protected Task<IActionResult> Do(Func<SchoolConnection, VisitId, PersonId, Task<bool>> act) => Within(async connection =>
    {
        if (!ModelState.IsValid) return BadRequest();
        if (await Found(connection) is not var (id, by) || !await act(connection, id, by)) return NotFound();
        if (!Request.IsScripted()) return Redirect(Home);
        return await Load(connection, id) ? Partial("_Visit", View) : NotFound();
    });

    private async Task Show(SchoolConnection connection, VisitState at, string? message = null)
    {
        preferences.OfChild = at.Preferences;
        var others = at.Visit.EndedAt is null ? await devices.At(connection, at.Visit.Id) : ([], false);
        View = new VisitView((await VisitShown.Load(connection, visiting, at)) with { Message = message }, Home, LetsIn, others);
    }

    private async Task<IActionResult> Shown(SchoolConnection connection, VisitState at)
    {
        if (!Request.IsScripted()) return Redirect(Home);
        await Show(connection, at);
        return Partial("_Visit", View);
    }
}
