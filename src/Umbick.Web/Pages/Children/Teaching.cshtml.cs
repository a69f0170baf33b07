using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Pages.Settings;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>A child's stage, the tasks she has met, and her own ways over the school's.</summary>
public sealed class TeachingModel(Database database, Here here) : PageModel
{
    public CaseloadRow Child { get; private set; } = null!;

    public bool Kept { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    private Guid School => User.Teacher().School;

    public async Task<IActionResult> OnGet(Guid id, bool kept)
    {
        if (await database.InSchool(School, connection => Store.Children.Find(connection, id), HttpContext.RequestAborted) is not { } child) return NotFound();
        (Child, Kept) = (child, kept);
        Choices = SettingChoices.OfChild(here.Manner, child.Manner);
        here.Manner = child.Manner;
        return Page();
    }

    public async Task<IActionResult> OnPost(Guid id, Stage stage, string[] met)
    {
        if (!Enum.IsDefined(stage)) return BadRequest();
        var known = ClockTasks.Plain.Select(task => task.Id).Intersect(met).ToList();
        var all = known.Count == 0 || known.Count == ClockTasks.Plain.Count;
        var taught = await database.InSchool(
            School, connection => Store.Children.Teach(connection, id, stage, all ? null : known, SettingChoices.Read(Request.Form)), HttpContext.RequestAborted);
        return taught == 0 ? NotFound() : Redirect($"/children/{id}/teaching?kept=true");
    }
}
