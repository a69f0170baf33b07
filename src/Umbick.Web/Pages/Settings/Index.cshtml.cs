using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Settings;

/// <summary>A school's settings.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(Database database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public bool Kept { get; private set; }

    public string? Message { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    /// <summary>The time zones to choose from.</summary>
    public IReadOnlyList<string> TimeZones { get; private set; } = [];

    public async Task OnGet(bool kept)
    {
        Kept = kept;
        TimeZones = await InSchool(Schools.TimeZones);
        Choices = SettingChoices.OfSchool(preferences.Teaching);
    }

    public async Task<IActionResult> OnPost(string? zone)
    {
        var kept = await InSchool(async connection =>
            {
                TimeZones = await Schools.TimeZones(connection);
                if (!string.IsNullOrEmpty(zone) && (!TimeZones.Contains(zone) || await Schools.MoveTo(connection, zone) == 0)) return false;
                await Schools.Choose(connection, SettingChoices.Read(Request.Form));
                await Audit.Note(connection, User.Person().Id, AuditKinds.SettingsChanged, clock.GetUtcNow().UtcDateTime);
                return true;
            });
        if (kept) return Redirect("/settings?kept=true");
        Message = "There is no time zone of that name. Choose one of the list; nothing was changed.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        Choices = SettingChoices.OfSchool(preferences.Teaching);
        return Page();
    }
}
