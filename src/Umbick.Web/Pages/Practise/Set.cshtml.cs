using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

/// <summary>A set that was given: hand the device over, or see the outcome.</summary>
[Authorize(Who.Sittings)]
public sealed class SetModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public SetShown Shown { get; private set; } = null!;

    /// <summary>Whether this one was waiting when another was to be given.</summary>
    public bool Waited { get; private set; }

    public async Task<IActionResult> OnGet(SetId id, bool waited)
    {
        Waited = waited;
        if (await InSchool(connection => SetShown.Load(connection, model, id)) is not { } found) return NotFound();
        Shown = found;
        preferences.OfChild = found.Preferences;
        return Page();
    }

    /// <summary>Drops this device to the child's sitting: the teacher's own cookie goes.</summary>
    public async Task<IActionResult> OnPost(SetId id)
    {
        if (await InSchool(connection => SetShown.SittingToDo(connection, id)) is not { } sitting) return NotFound();
        await HttpContext.EnterChildMode(SchoolId, sitting);
        return Redirect("/turn");
    }
}
