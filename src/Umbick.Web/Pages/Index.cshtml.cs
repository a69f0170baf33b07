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
public sealed class IndexModel(SignInManager<Person> signIn, SignInLimit limit, Demo demo, Database database, TimeProvider clock) : PageModel
{
    public bool IsDemo { get; private set; }

    public string? Message { get; private set; }

    public string UserName { get; private set; } = "";

    public async Task<IActionResult> OnGet()
    {
        if (User.Identity?.IsAuthenticated == true) return Redirect(User.Home());
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPost(string? userName, string? password)
    {
        UserName = userName ?? "";
        if (limit.IsOpen(HttpContext, UserName))
        {
            var (result, person) = await Try(UserName, password ?? "");
            if (result.Succeeded) return await Enter(person!);
            if (result.RequiresTwoFactor) return Redirect("/second-step");
            limit.CountWrong(HttpContext, UserName);
            await NoteWrong();
            if (!result.IsLockedOut) Message = "That name and password do not go together. Try again.";
        }
        if (Message is null) Response.StatusCode = StatusCodes.Status429TooManyRequests;
        Message ??= "Too many tries. Wait a minute or two, then try again.";
        IsDemo = await demo.IsOpenTo(HttpContext);
        return Page();
    }

    public async Task<IActionResult> OnPostLookRound()
    {
        if (!await demo.IsOpenTo(HttpContext)) return NotFound();
        var teacher = await signIn.UserManager.FindByNameAsync(DemoSchool.UserName);
        if (teacher is null) return NotFound();
        await signIn.SignInAsync(teacher, isPersistent: false);
        return await Enter(teacher);
    }

    /// <summary>Tries a password. A name that nobody has costs the time of one that somebody has.</summary>
    private async Task<(Microsoft.AspNetCore.Identity.SignInResult Result, Person? Person)> Try(string userName, string password)
    {
        if (await signIn.UserManager.FindByNameAsync(userName.Trim()) is { } person) return (await signIn.PasswordSignInAsync(person, password, isPersistent: false, lockoutOnFailure: true), person);
        signIn.UserManager.PasswordHasher.HashPassword(new Person(), password);
        return (Microsoft.AspNetCore.Identity.SignInResult.Failed, null);
    }

    /// <summary>Each school of the name is told. A name that nobody has may be a password typed into the wrong field: it is kept nowhere.</summary>
    private async Task NoteWrong()
    {
        foreach (var (school, person) in await database.BeforeSchool(connection => Store.People.FindByName(connection, Store.People.Normalized(UserName)), HttpContext.RequestAborted))
            await database.InSchool(school, connection => Audit.Note(connection, null, AuditKinds.WrongPassword, clock.GetUtcNow().UtcDateTime, whom: person), HttpContext.RequestAborted);
    }

    private async Task<IActionResult> Enter(Person person)
    {
        await HttpContext.SignOutAsync(Who.ChildScheme);
        return Redirect(await this.AfterSignIn(database, person));
    }
}
