using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

/// <summary>Starts a sitting with a child, or opens the one that was left in the middle.</summary>
public sealed class StartModel(Database database, Asking asking) : PageModel
{
    public async Task<IActionResult> OnPost(Guid id)
    {
        var school = User.Teacher().School;
        var sitting = await database.InSchool(school, connection => asking.Start(connection, school, id), HttpContext.RequestAborted);
        return sitting is null ? NotFound() : Redirect($"/ask/{sitting}");
    }
}
