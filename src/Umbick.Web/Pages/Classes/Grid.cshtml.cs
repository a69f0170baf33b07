using Microsoft.AspNetCore.Authorization;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Classes;

/// <summary>What a teacher is told of an answer that was typed from paper and kept; null of both where there is nothing to tell.</summary>
/// <param name="Alias">The child.</param>
/// <param name="Place">The question's place.</param>
/// <param name="Raw">What was typed.</param>
/// <param name="Half">What a half may mean.</param>
public sealed record CellNote(string Alias, int Place, string Raw, AmbiguousHalf? Half);

/// <summary>Answers typed from paper, a row a child.</summary>
[Authorize(Who.Sittings)]
public sealed class GridModel(Database database, ClassScreening screen, RequestPreferences preferences) : PageModel
{
    public ScreenedClass Class { get; private set; } = null!;

    public string? Message { get; private set; }

    /// <summary>How many answers are kept.</summary>
    public int Kept => Class.Children.Sum(child => child.Sitting.Answered.Count());

    private Guid School => User.Person().School;

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Tells the day on which the sheets were done.</summary>
    public async Task<IActionResult> OnPostDay(Guid id, string? day, string? other)
    {
        var text = string.IsNullOrEmpty(day) ? other : day;
        if (!DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date) || date > preferences.Today)
        {
            Message = "Choose the day on which they were done: today, or before.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return await OnGet(id);
        }
        return await database.InSchool(School, connection => screen.TellDay(connection, id, date), HttpContext.RequestAborted) ? Redirect($"/classes/{id}/grid") : NotFound();
    }

    /// <summary>Keeps one answer as its box is left. The page makes its id: sent twice, it is one.</summary>
    public async Task<IActionResult> OnPostCell(Guid id, SittingId sitting, AnswerSent sent, string? raw)
    {
        var text = AnswerSent.Text(raw);
        if (sent.Id is not { } answer) return BadRequest();
        return await database.InSchool<IActionResult>(
            School,
            async connection =>
            {
                var screening = await Screenings.Find(connection, id);
                var child = await Sittings.Find(connection, sitting) is { } found && found.Screening == id ? await Store.Children.Find(connection, found.Child) : null;
                if (screening is null) return NotFound();
                if (child is null || text.Length is 0 or > AnswerParser.LongestAnswer || screening.PaperDay is null) return Refused(answer, Why(child, text), StatusCodes.Status400BadRequest);
                var kept = await screen.Enter(connection, sitting, sent.Submission(answer, text, AnswerMode.Written, timed: false), User.Person().Id);
                if (kept is not (Submitted.Kept or Submitted.KeptBefore))
                    return Refused(answer, $"{child.Alias}, question {sent.At}, has another answer by now. Open the page again to see it.", StatusCodes.Status409Conflict);
                Response.Kept(answer);
                return (await Sittings.At(connection, sitting, sent.At))!.Item!.Read(text) is var read and (AmbiguousHalf or Unread)
                    ? Partial("_CellNote", new CellNote(child.Alias, sent.At, text, read as AmbiguousHalf))
                    : Content("");
            },
            HttpContext.RequestAborted);
    }

    /// <summary>Keeps whatever the boxes hold that is not kept yet, where a page has no script.</summary>
    public async Task<IActionResult> OnPost(Guid id)
    {
        if (!await Load(id)) return NotFound();
        foreach (var sitting in Class.Children.Select(child => child.Sitting))
        {
            for (var place = 1; place <= Class.Items.Count; place++)
            {
                var raw = AnswerSent.Text(Request.Form[$"a-{sitting.Sitting.Id}-{place}"].ToString());
                var stands = sitting.Questions.FirstOrDefault(question => question.Asked.Place == place)?.Given;
                if (raw.Length is 0 or > AnswerParser.LongestAnswer || raw == stands?.Raw || Class.Screening.PaperDay is null) continue;
                var corrects = Guid.TryParse(Request.Form[$"s-{sitting.Sitting.Id}-{place}"], out var seen) ? seen : default(Guid?);
                await Enter(sitting.Sitting.Id, new Submission(Guid.CreateVersion7(), place, raw, AnswerMode.Written, null) { Corrects = corrects });
            }
        }
        return Redirect(User.SeesRecords() ? $"/classes/{id}" : $"/classes/{id}/grid");
    }

    private static string Why(CaseloadRow? child, string text) =>
        child is null ? "This child is not in the class."
        : text.Length > AnswerParser.LongestAnswer ? $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {text.Length:N0}."
        : "Tell first on which day the sheets were done.";

    private PartialViewResult Refused(Guid answer, string message, int status)
    {
        Response.Refused(answer);
        Response.StatusCode = status;
        return Partial("_Told", message);
    }

    private Task<Submitted> Enter(SittingId sitting, Submission submission) =>
        database.InSchool(School, connection => screen.Enter(connection, sitting, submission, User.Person().Id), HttpContext.RequestAborted);

    private async Task<bool> Load(Guid id)
    {
        if (await database.InSchool(School, connection => screen.Load(connection, id), HttpContext.RequestAborted) is not { } found) return false;
        Class = found;
        return true;
    }
}
