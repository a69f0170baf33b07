using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

[Authorize(Who.SignedIn)]
public sealed class SignOutModel : PageModel
{
    public async Task<IActionResult> OnPost()
    {
        await HttpContext.Leave();
        return Redirect("/");
    }
}
