using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Settings;

/// <summary>A school's settings.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(Database database, RequestPreferences preferences) : PageModel
{
    public bool Kept { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    /// <summary>The time zones to choose from.</summary>
    public IReadOnlyList<string> TimeZones { get; private set; } = [];

    public async Task OnGet(bool kept)
    {
        Kept = kept;
        TimeZones = await database.InSchool(User.Teacher().School, Schools.TimeZones, HttpContext.RequestAborted);
        Choices = SettingChoices.OfSchool(preferences.Teaching);
    }

    public async Task<IActionResult> OnPost(string? zone)
    {
        await database.InSchool(
            User.Teacher().School,
            async connection =>
            {
                await Schools.Choose(connection, SettingChoices.Read(Request.Form));
                if (!string.IsNullOrEmpty(zone)) await Schools.MoveTo(connection, zone);
            },
            HttpContext.RequestAborted);
        return Redirect("/settings?kept=true");
    }
}
