using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework.Accounts;

namespace Umbick.Web.Pages.Settings;

/// <summary>A school's settings.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public bool Kept { get; private set; }

    public string? Message { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    /// <summary>The time zones to choose from.</summary>
    public IReadOnlyList<string> TimeZones { get; private set; } = [];

    public async Task OnGet(bool kept)
    {
        Kept = kept;
        TimeZones = await InSchool(SchoolSettings.TimeZones);
        Choices = SettingChoices.OfSchool(preferences.Teaching);
    }

    public async Task<IActionResult> OnPost(string? zone)
    {
        var kept = await InSchool(async connection =>
            {
                TimeZones = await SchoolSettings.TimeZones(connection);
                return await SchoolSettings.Choose(connection, SettingChoices.Read(Request.Form), zone, User.Person().Id,
                    clock.GetUtcNow().UtcDateTime);
            });
        if (kept) return Redirect("/settings?kept=true");
        Message = "There is no time zone of that name. Choose one of the list; nothing was changed.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        Choices = SettingChoices.OfSchool(preferences.Teaching);
        return Page();
    }
}
