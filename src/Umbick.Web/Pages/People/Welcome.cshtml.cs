using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework.Accounts;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.People;

/// <summary>
/// Where a link leads that was handed over: somebody new chooses a name and a password, somebody who could not get in a password.
/// </summary>
[AllowAnonymous]
public sealed class WelcomeModel(IDatabase database, InvitationDoor links, PersonSchools works, SignInManager<Person> signIn,
    SignInDoor door, PasswordTurns turns, TimeProvider clock) : PageModel
{
    /// <summary>The invitation; null where the link leads nowhere, or does no longer.</summary>
    public Invitation? Invitation { get; private set; }

    public string SchoolName { get; private set; } = "";

    /// <summary>The user name of whoever could not get in.</summary>
    public string? Known { get; private set; }

    public string UserName { get; private set; } = "";

    public string? Message { get; private set; }

    private SchoolId _school;

    public async Task OnGet(string link) => await Find(link);

    /// <summary>Somebody new, or a new password.</summary>
    public async Task<IActionResult> OnPost(string link, string? userName, string? password)
    {
        if (await Find(link) is not { } invitation) return Page();
        UserName = (userName ?? "").Trim();
        Message = (invitation.IsReset ? null : UserNames.Fault(UserName)) ?? PasswordRule.Fault(password ?? "");
        if (Message is not null) return Page();
        var hash = await Hash(password!);
        if (hash is null) return Refuse("Many are trying to sign in just now. Try again in a moment.");
        var joined = await database.InSchool(
            _school, connection => Joining.WithPassword(connection, invitation, UserName, hash, Now), HttpContext.RequestAborted);
        Message = joined.Why;
        if (joined.Person is { } person) return await Enter(person);
        return Message is null ? await Again(link) : Page();
    }

    /// <summary>Somebody who works at another school already, and comes in by all that they sign in with.</summary>
    public async Task<IActionResult> OnPostKnown(string link, string? userName, string? password, string? code)
    {
        if (await Find(link) is not { IsReset: false } invitation) return Page();
        UserName = (userName ?? "").Trim();
        if (await Proved(UserName, password ?? "", code ?? "") is not { } account) return Page();
        var joined = await database.InSchool(_school, connection => Joining.WithAccount(connection, invitation, account, Now),
            HttpContext.RequestAborted);
        Message = joined.Why;
        // They sign in as always, with their second step where they have one, and choose the school.
        if (joined.Person is not null) return Redirect("/");
        return Message is null ? await Again(link) : Page();
    }

    /// <summary>
    /// The account that a name, a password and, where it has a second step, a code open; null where they do not, which is told then.
    /// </summary>
    private async Task<Person?> Proved(string userName, string password, string code)
    {
        using var knock = await door.AtPassword(HttpContext, userName);
        if (knock.Refusal is not null)
        {
            Refuse(knock.Refusal);
            return null;
        }
        if (await signIn.UserManager.FindByNameAsync(userName) is not { } account
            || !await signIn.UserManager.CheckPasswordAsync(account, password))
        {
            await door.NoteWrong(knock, userName, HttpContext.RequestAborted);
            Refuse("That name and password do not go together. Try again.");
            return null;
        }
        await knock.Right();
        if (!await signIn.IsTwoFactorEnabledAsync(account)) return account;
        using var step = await door.AtSecondStep(HttpContext, userName);
        if (step.Refusal is not null)
        {
            Refuse(step.Refusal);
            return null;
        }
        var typed = SecondStepModel.Plain(code);
        if (typed.Length > 0 && await IsSecondStepOf(account, typed))
        {
            await step.Right();
            return account;
        }
        if (typed.Length > 0) await door.NoteWrong(step, userName, HttpContext.RequestAborted);
        else await step.Right();
        Refuse("You have a second step: type your password again, and the six figures that your device shows now.");
        return null;
    }

    /// <summary>Whether a code is one of now from their device, or one of theirs on paper.</summary>
    private async Task<bool> IsSecondStepOf(Person account, string code) => code.Length == 6
        ? await signIn.UserManager.VerifyTwoFactorTokenAsync(account, TokenOptions.DefaultAuthenticatorProvider, code)
        : (await signIn.UserManager.RedeemTwoFactorRecoveryCodeAsync(account, code)).Succeeded;

    private async Task<string?> Hash(string password)
    {
        using var turn = await turns.Wait(atHome: true, HttpContext.RequestAborted);
        return turn is null ? null : signIn.UserManager.PasswordHasher.HashPassword(new Person(), password);
    }

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private async Task<Invitation?> Find(string link)
    {
        if (await links.Find(link, HttpContext.RequestAborted) is not var (school, id)) return null;
        _school = school;
        (SchoolName, Invitation, Known) =
            await database.InSchool(school, connection => Joining.Load(connection, id, Now), HttpContext.RequestAborted);
        return Invitation;
    }

    private PageResult Refuse(string why)
    {
        Message = why;
        return Page();
    }

    private async Task<IActionResult> Again(string link)
    {
        Invitation = null;
        await Find(link);
        return Page();
    }

    private async Task<IActionResult> Enter(Person person)
    {
        await HttpContext.SignOutAsync(Who.ChildScheme);
        if (User.IsSignedIn()) await HttpContext.Leave();
        // With a second step they sign in as always, by the new password and a code.
        if (await signIn.IsTwoFactorEnabledAsync(person)) return Redirect("/");
        await signIn.SignInAsync(person, isPersistent: false);
        return Redirect(await works.FirstPage(person, asked: null, HttpContext.RequestAborted));
    }
}
