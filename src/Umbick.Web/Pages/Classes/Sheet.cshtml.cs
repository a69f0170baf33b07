using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Pages.Classes;

/// <summary>A class's form on paper, to be copied for everyone.</summary>
[Authorize(Who.Sittings)]
public sealed class SheetModel(IDatabase database, ClassScreening screen) : SchoolPage(database)
{
    public SheetView View { get; private set; } = null!;

    public async Task<IActionResult> OnGet(ScreeningId id)
    {
        if (await InSchool(connection => screen.Load(connection, id)) is not { } found) return NotFound();
        View = new SheetView(found.Screening.Title, null, null, [.. found.Items.Select(item => new SheetItem(item, Support.Bare))]);
        return Page();
    }
}
