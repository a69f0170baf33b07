using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Turn;

/// <summary>The child's side: one sitting and nothing else.</summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class IndexModel(Database database, Practising practising, Asking asking, Here here) : PageModel
{
    /// <summary>A turn of a practice set; null where the sitting is an asking.</summary>
    public TurnView? View { get; private set; }

    /// <summary>A question of an asking; null where the sitting is a practice set.</summary>
    public QuestionView? Question { get; private set; }

    public async Task<IActionResult> OnGet() => await Show() ? Page() : NotFound();

    /// <summary>What a page that knows this version asks each second: nothing, or where the sitting stands now.</summary>
    public async Task<IActionResult> OnGetState(int version)
    {
        var (school, id) = User.Child();
        var sitting = await database.InSchool(school, connection => Sittings.Find(connection, id), HttpContext.RequestAborted);
        if (sitting is null) return NotFound();
        if (sitting.IsPractice || sitting.Version == version) return StatusCode(StatusCodes.Status204NoContent);
        return await Show() ? Part() : NotFound();
    }

    /// <summary>The questions after this one of a list that was made before, so that it can go on without a connection.</summary>
    public async Task<IActionResult> OnGetAhead()
    {
        if (!await Show()) return NotFound();
        var sitting = View?.Turn.Sitting ?? Question!.Sitting;
        if (sitting.EndedAt is not null || sitting is { IsPractice: false, Plan: Plans.Adaptive }) return StatusCode(StatusCodes.Status204NoContent);
        var (school, id) = User.Child();
        var rest = await database.InSchool(school, connection => Sittings.AskedIn(connection, [id]), HttpContext.RequestAborted);
        var done = View?.Turn.Done ?? Question!.Done;
        var ahead = rest[id].Where(asked => asked.Place > sitting.CurrentPlace).Select((asked, i) => new QuestionView(sitting, asked, done + i + 1, null));
        return Partial("_Ahead", ahead.Append(new QuestionView(sitting, null, sitting.Length, null)).ToList());
    }

    public async Task<IActionResult> OnPostAnswer(Guid answer, int place, string? instead, float? seconds, float? begun, bool later, AnswerParts parts)
    {
        if (answer == Guid.Empty || !ModelState.IsValid) return await Told("Something went missing on the way. Try once more.", StatusCodes.Status400BadRequest);
        if (!await Show()) return NotFound();
        var item = (View?.Turn.Asked ?? Question?.Asked)?.Item;
        var text = (instead ?? parts.AsText(item)).Trim();
        if (text.Length == 0) return await Told("Put in your answer first.", StatusCodes.Status400BadRequest);
        if (text.Length > AnswerParser.LongestAnswer) return await Told("That is too long for a time. Try once more.", StatusCodes.Status400BadRequest);
        var (school, sitting) = User.Child();
        var timed = here.Manner.Timed;
        var mode = View?.Turn.Geared == true ? AnswerMode.Geared : item?.Task.OnScreen ?? AnswerMode.Written;
        var submission = new Submission(answer, place, text, mode, timed ? seconds : null) { BegunSeconds = timed ? begun : null, Later = later };
        var submitted = await database.InSchool(
            school,
            connection => View is null ? asking.Answer(connection, school, sitting, submission, by: null) : practising.Answer(connection, school, sitting, submission),
            HttpContext.RequestAborted);
        return submitted is Submitted.Kept or Submitted.KeptBefore
            ? await Shown()
            : await Told("This one was answered already. Here is where you are.", StatusCodes.Status409Conflict);
    }

    public async Task<IActionResult> OnPostOn(int place)
    {
        var (school, sitting) = User.Child();
        await database.InSchool(school, connection => practising.GoOn(connection, school, sitting, place), HttpContext.RequestAborted);
        return await Shown();
    }

    private async Task<bool> Show(string? told = null)
    {
        var (school, id) = User.Child();
        return await database.InSchool(
            school,
            async connection =>
            {
                if (await Sittings.Find(connection, id) is not { } sitting) return false;
                if (sitting.IsPractice)
                {
                    var turn = (await Practising.Where(connection, id))!;
                    here.Manner = turn.Manner;
                    View = new TurnView(turn, ChildWords.LookAgain(turn.Set.Pattern?.Step ?? Step.Hour, here.Manner, sitting.Stage), here.Wording, told);
                    return true;
                }
                here.Manner = await Store.Children.MannerOf(connection, sitting.Child);
                var asked = sitting.EndedAt is null ? (await Sittings.AskedIn(connection, [id]))[id].FirstOrDefault(one => one.Place == sitting.CurrentPlace) : null;
                var done = (await Sittings.AnswersIn(connection, [id]))[id].Count(one => one.Place != sitting.CurrentPlace);
                Question = new QuestionView(sitting, asked, done, told);
                return true;
            },
            HttpContext.RequestAborted);
    }

    private PartialViewResult Part() => View is { } practice ? Partial("_Turn", practice) : Partial("_Question", Question);

    private async Task<IActionResult> Shown()
    {
        if (Request.Headers["HX-Request"] != "true") return Redirect("/turn");
        return await Show() ? Part() : NotFound();
    }

    private async Task<IActionResult> Told(string told, int status)
    {
        if (!await Show(told)) return NotFound();
        Response.StatusCode = status;
        return Request.Headers["HX-Request"] == "true" ? Part() : Page();
    }
}
