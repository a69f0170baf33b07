using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

/// <summary>Opens the one sitting of a code on this device, once.</summary>
[AllowAnonymous]
public sealed class GoModel(Database database) : PageModel
{
    public string? Message { get; private set; }

    public string Typed { get; private set; } = "";

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPost(string? code)
    {
        Typed = code is { Length: > 14 } ? code[..14] : code ?? "";
        var opened = await database.BeforeSchool(connection => Codes.Open(connection, Typed), HttpContext.RequestAborted);
        if (opened.Outcome == CodeOutcome.Opened)
        {
            await HttpContext.EnterChildMode(opened.School, opened.Sitting);
            return Redirect("/turn");
        }
        Message = opened.Outcome == CodeOutcome.Wait
            ? "Too many codes were tried. Wait ten minutes, then ask for a new one."
            : "That code does not open anything. Look again, or ask for a new one.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
