using System.Globalization;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Pages;

/// <summary>The second step of signing in: a code from a device, or one of those on paper.</summary>
[AllowAnonymous]
public sealed class SecondStepModel(SignInManager<Person> signIn, SignInDoor door, PersonSchools works) : PageModel
{
    public string? Message { get; private set; }

    /// <summary>The page that was asked for before signing in; nothing beyond this site.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    public async Task<IActionResult> OnGet() => await signIn.GetTwoFactorAuthenticationUserAsync() is null ? Redirect("/") : Page();

    public async Task<IActionResult> OnPost(string? code)
    {
        if (await signIn.GetTwoFactorAuthenticationUserAsync() is not { } person) return Redirect("/");
        using var knock = await door.AtSecondStep(HttpContext, person.UserName);
        if (knock.Refusal is { } refusal)
        {
            Response.StatusCode = StatusCodes.Status429TooManyRequests;
            Message = refusal;
            return Page();
        }
        var typed = Plain(code ?? "");
        var result = typed.Length == 6 ? await signIn.TwoFactorAuthenticatorSignInAsync(typed, isPersistent: false, rememberClient: false)
            : await signIn.TwoFactorRecoveryCodeSignInAsync(typed);
        if (result.Succeeded)
        {
            await knock.Right();
            await HttpContext.SignOutAsync(Who.ChildScheme);
            return Redirect(await works.FirstPage(person, AskedPage.In(Url, ReturnUrl), HttpContext.RequestAborted));
        }
        await door.NoteWrong(knock, person.UserName, HttpContext.RequestAborted);
        Message = "That code does not open it, was used before, or has run out. Type the one that is shown now.";
        return Page();
    }

    /// <summary>A code without spaces and dashes; digits of other scripts are digits too.</summary>
    internal static string Plain(string code) => string.Concat(code.Where(char.IsLetterOrDigit)
        .Select(sign => char.IsDigit(sign) ? ((int)char.GetNumericValue(sign)).ToString(CultureInfo.InvariantCulture) : sign.ToString()));
}
