using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework.Accounts;

namespace Umbick.Web.Pages;

[AllowAnonymous]
public sealed class IndexModel(SignInManager<Person> signIn, SignInDoor door, Demo demo, PersonSchools works) : PageModel
{
    public bool IsDemo { get; private set; }

    public string? Message { get; private set; }

    public string UserName { get; private set; } = "";

    /// <summary>The page that was asked for before signing in; nothing beyond this site.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    public async Task<IActionResult> OnGet()
    {
        if (User.Identity?.IsAuthenticated == true) return Redirect(AskedPage.In(Url, ReturnUrl) ?? User.Home());
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPost(string? userName, string? password)
    {
        UserName = userName ?? "";
        using (var knock = await door.AtPassword(HttpContext, UserName))
        {
            if (knock.Refusal is { } refusal)
            {
                if (knock.HasToWait) Response.StatusCode = StatusCodes.Status429TooManyRequests;
                Message = refusal;
            }
            else
            {
                var (result, person) = await Try(UserName, password ?? "");
                if (result.Succeeded || result.RequiresTwoFactor)
                {
                    await knock.Right();
                    return result.Succeeded ? await Enter(person!)
                        : RedirectToPage("/SecondStep", new { ReturnUrl = AskedPage.In(Url, ReturnUrl) });
                }
                await door.NoteWrong(knock, UserName, HttpContext.RequestAborted);
                Message = "That name and password do not go together. Try again.";
            }
        }
        if (UserName.Length > Casework.Accounts.UserNames.Longest) UserName = "";
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPostLookRound()
    {
        if (!await demo.IsOpenTo(HttpContext)) return NotFound();
        var teacher = await signIn.UserManager.FindByNameAsync(DemoSignIn.UserName);
        if (teacher is null) return NotFound();
        await signIn.SignInAsync(teacher, isPersistent: false);
        return await Enter(teacher);
    }

    /// <summary>Tries a password. A name that nobody has costs the time of one that somebody has.</summary>
    private async Task<(Microsoft.AspNetCore.Identity.SignInResult Result, Person? Person)> Try(string userName, string password)
    {
        if (await signIn.UserManager.FindByNameAsync(userName.Trim()) is { } person)
            return (await signIn.PasswordSignInAsync(person, password, isPersistent: false, lockoutOnFailure: false), person);
        signIn.UserManager.PasswordHasher.HashPassword(new Person(), password);
        return (Microsoft.AspNetCore.Identity.SignInResult.Failed, null);
    }

    private async Task<IActionResult> Enter(Person person)
    {
        await HttpContext.SignOutAsync(Who.ChildScheme);
        return Redirect(await works.FirstPage(person, AskedPage.In(Url, ReturnUrl), HttpContext.RequestAborted));
    }
}
