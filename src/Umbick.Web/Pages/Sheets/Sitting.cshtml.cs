using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Teaching;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Sheets;

/// <summary>A list that was made before, on paper: a form, chosen tasks, or a practice set.</summary>
[Authorize(Who.Sittings)]
public sealed class SittingModel(Database database, RequestPreferences preferences) : SchoolPage(database)
{
    public SheetView View { get; private set; } = null!;

    public async Task<IActionResult> OnGet(SittingId id)
    {
        var found = await InSchool(async connection =>
            {
                if (await Sittings.Find(connection, id) is not { } sitting || sitting is { IsPractice: false, Plan: Plan.Adaptive }) return false;
                var child = (await Store.Children.Find(connection, sitting.Child))!;
                preferences.OfChild = child.Preferences;
                var asked = (await Sittings.AskedIn(connection, [id]))[id];
                var set = sitting.PracticeSet is { } practised ? await Sets.Find(connection, practised) : null;
                var title = set is null ? "Reading clocks" : set.HeadingIn(preferences.Wording);
                View = new SheetView(title, child.Alias, set is null ? null : ChildWords.Routine(preferences.Teaching, setting: false), [.. asked.Select(one => new SheetItem(one.Item, one.Support))]);
                return true;
            });
        return found ? Page() : NotFound();
    }
}
