using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Settings;

/// <summary>A school's settings.</summary>
public sealed class IndexModel(Database database, Here here) : PageModel
{
    public bool Kept { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    public void OnGet(bool kept)
    {
        Kept = kept;
        Choices = SettingChoices.OfSchool(here.Manner);
    }

    public async Task<IActionResult> OnPost()
    {
        await database.InSchool(User.Teacher().School, connection => Schools.Choose(connection, SettingChoices.Read(Request.Form)), HttpContext.RequestAborted);
        return Redirect("/settings?kept=true");
    }
}
