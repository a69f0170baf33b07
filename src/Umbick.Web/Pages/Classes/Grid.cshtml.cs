using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Classes;

/// <summary>Answers typed from paper, a row a child.</summary>
public sealed class GridModel(Database database, Screen screen) : PageModel
{
    public ScreenedClass Class { get; private set; } = null!;

    /// <summary>How many answers are kept.</summary>
    public int Kept => Class.Children.Sum(child => child.Sitting.Answered.Count());

    private Guid School => User.Teacher().School;

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Keeps one answer as its box is left. The page makes its id: sent twice, it is one.</summary>
    public async Task<IActionResult> OnPostCell(Guid id, Guid sitting, int place, Guid answer, string? raw)
    {
        raw = (raw ?? "").Trim();
        if (answer == Guid.Empty || raw.Length is 0 or > AnswerParser.LongestAnswer || !ModelState.IsValid) return BadRequest();
        var kept = await Enter(sitting, new Submission(answer, place, raw, AnswerMode.Written, null));
        return kept switch
        {
            Submitted.Kept or Submitted.KeptBefore => StatusCode(StatusCodes.Status204NoContent),
            Submitted.NotFound => NotFound(),
            _ => StatusCode(StatusCodes.Status409Conflict),
        };
    }

    /// <summary>Keeps whatever the boxes hold that is not kept yet: a page without script, or one whose connection failed.</summary>
    public async Task<IActionResult> OnPost(Guid id)
    {
        if (!await Load(id)) return NotFound();
        foreach (var child in Class.Children)
        {
            foreach (var question in child.Sitting.Questions)
            {
                var raw = Request.Form[$"a-{child.Sitting.Sitting.Id}-{question.Asked.Place}"].ToString().Trim();
                if (raw.Length is 0 or > AnswerParser.LongestAnswer || raw == question.Given?.Raw) continue;
                await Enter(child.Sitting.Sitting.Id, new Submission(Guid.CreateVersion7(), question.Asked.Place, raw, AnswerMode.Written, null));
            }
        }
        return Redirect($"/classes/{id}");
    }

    private Task<Submitted> Enter(Guid sitting, Submission submission) =>
        database.InSchool(School, connection => screen.Enter(connection, School, sitting, submission, User.Teacher().Person), HttpContext.RequestAborted);

    private async Task<bool> Load(Guid id)
    {
        if (await database.InSchool(School, connection => screen.Load(connection, id), HttpContext.RequestAborted) is not { } found) return false;
        Class = found;
        return true;
    }
}
