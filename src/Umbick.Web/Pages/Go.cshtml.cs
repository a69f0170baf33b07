using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

/// <summary>Opens the one sitting of a code on this device, once.</summary>
[AllowAnonymous]
public sealed class EnterCodeModel(CodeDoor codes) : PageModel
{
    public string? Message { get; private set; }

    public string Typed { get; private set; } = "";

    /// <summary>Which press this is: a second one, sent before the first was answered, opens what the first did.</summary>
    public PressId Press { get; private set; } = Guid.NewGuid();

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPost(string? code, PressId? press)
    {
        Typed = code is { Length: > 24 } ? code[..24] : code ?? "";
        Press = press ?? Press;
        var opened = await codes.Open(HttpContext, Typed, Press);
        if (opened.Outcome == CodeOutcome.Opened)
        {
            await HttpContext.EnterChildMode(opened.School, opened.Sitting);
            return Redirect("/turn");
        }
        Message = opened.Outcome switch
        {
            CodeOutcome.Wait => "Too many codes were tried. Wait ten minutes, then ask for a new one.",
            CodeOutcome.Mistyped => "A letter or a figure is not right. Look at the code again.",
            _ => "That code does not open anything. Ask for a new one.",
        };
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
