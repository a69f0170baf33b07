using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework.Demo;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

[AllowAnonymous]
public sealed class IndexModel(SignInManager<Person> signIn, Demo demo) : PageModel
{
    public bool IsDemo { get; private set; }

    public string? Message { get; private set; }

    public string UserName { get; private set; } = "";

    public async Task<IActionResult> OnGet()
    {
        if (User.Identity?.IsAuthenticated == true) return Redirect("/day");
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPost(string? userName, string? password)
    {
        var result = await signIn.PasswordSignInAsync(userName ?? "", password ?? "", isPersistent: false, lockoutOnFailure: true);
        if (result.Succeeded) return await Enter();
        UserName = userName ?? "";
        Message = result.IsLockedOut
            ? "Too many tries. Wait ten minutes, then try again."
            : "That name and password do not go together. Try again.";
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPostLookRound()
    {
        if (!await demo.IsOpenTo(HttpContext)) return NotFound();
        var teacher = await signIn.UserManager.FindByNameAsync(DemoSchool.UserName);
        if (teacher is null) return NotFound();
        await signIn.SignInAsync(teacher, isPersistent: false);
        return await Enter();
    }

    private async Task<IActionResult> Enter()
    {
        await HttpContext.SignOutAsync(Who.ChildScheme);
        return Redirect("/day");
    }
}
