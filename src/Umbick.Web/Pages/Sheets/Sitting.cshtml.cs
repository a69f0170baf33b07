using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Sheets;

/// <summary>A list that was made before, on paper: a form, chosen tasks, or a practice set.</summary>
[Authorize(Who.Sittings)]
public sealed class SittingModel(IDatabase database, RequestPreferences preferences) : SchoolPage(database)
{
    public SheetView View { get; private set; } = null!;

    public async Task<IActionResult> OnGet(SittingId id)
    {
        if (await InSchool(connection => ListOnPaper.Load(connection, id)) is not { } list) return NotFound();
        preferences.OfChild = list.Child.Preferences;
        View = new SheetView(
            list.Set?.HeadingIn(preferences.Wording) ?? "Reading clocks",
            list.Child.Alias,
            list.Set is null ? null : ChildWords.Routine(preferences.Teaching, setting: false),
            [.. list.Asked.Select(asked => new SheetItem(asked.Item, asked.Support))]);
        return Page();
    }
}
