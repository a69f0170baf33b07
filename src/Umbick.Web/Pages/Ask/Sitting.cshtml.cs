using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

/// <summary>A sitting as the asking page shows it.</summary>
/// <param name="Record">The child's record.</param>
/// <param name="Sitting">This sitting with its questions.</param>
/// <param name="Told">Something to tell the teacher; null where there is nothing.</param>
/// <param name="Typed">What stands in the field.</param>
public sealed record AskingView(ChildRecord Record, SittingRecord Sitting, string? Told, string Typed)
{
    /// <summary>The question being asked; null when the sitting is over.</summary>
    public Question? Current =>
        Sitting.Sitting.EndedAt is null ? Sitting.Questions.FirstOrDefault(question => question.Asked.Place == Sitting.Sitting.CurrentPlace) : null;

    /// <summary>The id of the answer that this page will send: sending the page twice is one answer.</summary>
    public Guid AnswerId { get; } = Guid.CreateVersion7();

    /// <summary>How many questions were answered.</summary>
    public int Answered => Sitting.Answered.Count();
}

/// <summary>Asking in conversation.</summary>
public sealed class SittingModel(Database database, ReadingModel model, Asking asking) : PageModel
{
    public AskingView View { get; private set; } = null!;

    private Guid School => User.Teacher().School;

    public async Task<IActionResult> OnGet(Guid id) => await Show(id) ? Page() : NotFound();

    public async Task<IActionResult> OnPostAnswer(Guid id, Guid answer, int place, string? raw, float? seconds)
    {
        raw = (raw ?? "").Trim();
        if (answer == Guid.Empty || !ModelState.IsValid) return await Refuse(id, raw, "This page was incomplete. Nothing was lost: type the answer again.");
        if (raw.Length == 0) return await Refuse(id, raw, "Type what the child said. For no answer type - and for “don’t know” type ?");
        if (raw.Length > AnswerParser.LongestAnswer)
            return await Refuse(id, raw, $"That is {raw.Length:N0} characters; an answer has {AnswerParser.LongestAnswer} at most. It was not taken, and everything before it is kept.");
        if (AnswerParser.Parse(raw) is AmbiguousHalf half)
            return await Refuse(id, raw, $"“{raw}” can be {Hours.Before(half.Hour)}:30 or {half.Hour}:30. Ask which she means, and type that.");

        var submitted = await database.InSchool(
            School,
            async connection =>
            {
                var item = (await Sittings.AskedIn(connection, [id]))[id].FirstOrDefault(asked => asked.Place == place)?.Item;
                var mode = item is null ? AnswerMode.Said : Asking.ModeOf(item, raw);
                return await asking.Answer(connection, School, id, new Submission(answer, place, raw, mode, seconds), User.Teacher().Person);
            },
            HttpContext.RequestAborted);
        return submitted switch
        {
            Submitted.Kept or Submitted.KeptBefore => await Shown(id),
            Submitted.NotFound => NotFound(),
            Submitted.OtherAnswerKept => await Conflict(id, "Another answer was already kept for this page. This is where the sitting stands."),
            Submitted.Over => await Conflict(id, "This sitting is over, so the last answer was not taken. All others are kept."),
            _ => await Conflict(id, $"The sitting has moved on, so “{raw}” was not taken. This is where it stands."),
        };
    }

    public async Task<IActionResult> OnPostBack(Guid id)
    {
        await database.InSchool(School, connection => Asking.Back(connection, id), HttpContext.RequestAborted);
        return await Shown(id);
    }

    public async Task<IActionResult> OnPostStop(Guid id)
    {
        var stopped = await database.InSchool(School, connection => asking.Stop(connection, School, id), HttpContext.RequestAborted);
        return stopped ? await Shown(id) : NotFound();
    }

    private async Task<bool> Show(Guid id, string? told = null, string? typed = null)
    {
        var view = await database.InSchool(
            School,
            async connection =>
            {
                if (await Sittings.Find(connection, id) is not { IsPractice: false } sitting) return null;
                var record = await ChildRecord.Load(connection, model, sitting.Child);
                var here = record!.Sittings.FirstOrDefault(other => other.Sitting.Id == id) ?? new SittingRecord(sitting, []);
                return new AskingView(record, here, told, typed ?? here.Questions.FirstOrDefault(question => question.Asked.Place == sitting.CurrentPlace)?.Given?.Raw ?? "");
            },
            HttpContext.RequestAborted);
        if (view is null) return false;
        View = view;
        return true;
    }

    /// <summary>The part that changes, to a script; the page's own address, to a browser without one.</summary>
    private async Task<IActionResult> Shown(Guid id)
    {
        if (Request.Headers["HX-Request"] != "true") return Redirect($"/ask/{id}");
        return await Show(id) ? Partial("_Asking", View) : NotFound();
    }

    private Task<IActionResult> Refuse(Guid id, string typed, string told) => Answered(id, StatusCodes.Status400BadRequest, typed, told);

    private Task<IActionResult> Conflict(Guid id, string told) => Answered(id, StatusCodes.Status409Conflict, null, told);

    private async Task<IActionResult> Answered(Guid id, int status, string? typed, string told)
    {
        var kept = typed is { Length: > AnswerParser.LongestAnswer } ? typed[..AnswerParser.LongestAnswer] : typed;
        if (!await Show(id, told, kept)) return NotFound();
        Response.StatusCode = status;
        return Request.Headers["HX-Request"] == "true" ? Partial("_Asking", View) : Page();
    }
}
