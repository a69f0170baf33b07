using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

/// <summary>A set that was given: hand the device over, or see the outcome.</summary>
[Authorize(Who.Sittings)]
public sealed class SetModel(
    IDatabase database, ReadingModel model, Practising practising, BackDoor back, RequestPreferences preferences) : SchoolPage(database)
{
    public SetShown Shown { get; private set; } = null!;

    /// <summary>Whether this one was waiting when another was to be given.</summary>
    public bool Waited { get; private set; }

    /// <summary>The code that opens the set on the child's own device; null where none was just made.</summary>
    public string? Code { get; private set; }

    public Task<IActionResult> OnGet(SetId id, bool waited)
    {
        Waited = waited;
        return Show(id);
    }

    /// <summary>Makes a code for the child's own device; this one stays the adult's.</summary>
    public async Task<IActionResult> OnPostCode(SetId id)
    {
        Code = await InSchool(connection => practising.MakeCode(connection, id));
        return Code is null ? NotFound() : await Show(id);
    }

    public async Task<IActionResult> OnPostTakeBack(SetId id) =>
        await InSchool(connection => practising.TakeBack(connection, id)) ? Redirect($"/practise/{id}") : NotFound();

    private async Task<IActionResult> Show(SetId id)
    {
        if (await InSchool(connection => SetShown.Load(connection, model, id)) is not { } found) return NotFound();
        Shown = found;
        preferences.OfChild = found.Preferences;
        return Page();
    }

    /// <summary>Drops this device to the child's sitting: the teacher's own cookie goes.</summary>
    public async Task<IActionResult> OnPost(SetId id)
    {
        if (await InSchool(connection => SetShown.SittingToDo(connection, id)) is not { } sitting) return NotFound();
        await HttpContext.EnterChildMode(SchoolId, sitting, await back.From(HttpContext));
        return Redirect("/turn");
    }
}
