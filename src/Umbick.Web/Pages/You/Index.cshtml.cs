using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using QRCoder;
using Umbick.Casework.Accounts;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.You;

/// <summary>What somebody settles for themselves: their password, the second step, where they are signed in.</summary>
[Authorize(Who.SignedIn)]
public sealed class IndexModel(IDatabase database, SignInManager<Person> signIn, SignInDoor door, BackDoor back, TimeProvider clock)
    : SchoolPage(database)
{
    private const int RecoveryCodeCount = 10;

    public OwnAccount Own { get; private set; } = null!;

    public Person Person => Own.Person;

    public IReadOnlyList<OpenSession> Sessions => Own.Sessions;

    /// <summary>What codes are made of, while the second step is being turned on, in groups of four; null else.</summary>
    public string? Key { get; private set; }

    /// <summary>The same as a picture for a camera: the dark squares of a code, as the outline of an SVG, and how wide it is.</summary>
    public (string Outline, int Side)? Picture { get; private set; }

    /// <summary>The codes on paper that were just made; they are shown once.</summary>
    public IReadOnlyList<string> Codes { get; private set; } = [];

    public string? Message { get; private set; }

    public string? Done { get; private set; }

    public Task OnGet() => Load();

    public async Task<IActionResult> OnPostPassword(string? current, string? password)
    {
        await Load();
        if (!await IsTheirs(current)) return Page();
        var result = await signIn.UserManager.ChangePasswordAsync(Person, current!, password ?? "");
        if (!result.Succeeded) return Refuse(result.Errors.First().Description);
        await AfterChange(AuditKinds.NewPassword);
        Done = "You have a new password. Wherever else you were signed in, you no longer are.";
        return Page();
    }

    public async Task<IActionResult> OnPostBeginSecondStep(string? current)
    {
        await Load();
        if (!await IsTheirs(current)) return Page();
        if (!Person.TwoFactor)
        {
            await signIn.UserManager.ResetAuthenticatorKeyAsync(Person);
            await AfterChange(null);
            await ShowKey();
        }
        return Page();
    }

    public async Task<IActionResult> OnPostTurnOn(string? code)
    {
        await Load();
        if (Person.TwoFactor) return Redirect("/you");
        using var knock = await door.AtSecondStep(HttpContext, Person.UserName);
        if (knock.Refusal is not null
            || !await signIn.UserManager.VerifyTwoFactorTokenAsync(Person, TokenOptions.DefaultAuthenticatorProvider,
            SecondStepModel.Plain(code ?? "")))
        {
            await ShowKey();
            return Refuse(knock.Refusal
                ?? "That is not the code for this key, or it was used before. Look that the device’s clock is right, then type the code "
                + "that is shown now.");
        }
        await knock.Right();
        await signIn.UserManager.SetTwoFactorEnabledAsync(Person, true);
        Codes = [.. await signIn.UserManager.GenerateNewTwoFactorRecoveryCodesAsync(Person, RecoveryCodeCount) ?? []];
        await InSchool(connection => OwnAccount.ToldOfSecondStep(connection, Person.Id));
        (Person.SecondStepOffAt, Person.SecondStepOffBy) = (null, null);
        await AfterChange(AuditKinds.SecondFactorOn);
        Done = "From now on a code is asked for after your password.";
        return Page();
    }

    public async Task<IActionResult> OnPostTurnOff(string? current)
    {
        await Load();
        if (!await IsTheirs(current)) return Page();
        await signIn.UserManager.SetTwoFactorEnabledAsync(Person, false);
        await AfterChange(AuditKinds.SecondFactorOff);
        Done = "Your password alone is asked for now.";
        return Page();
    }

    /// <summary>Chooses the figures by which they come back to a device that a child had.</summary>
    public async Task<IActionResult> OnPostPin(string? current, string? figures)
    {
        await Load();
        if (!Own.PinAllowed) return NotFound();
        if (!await IsTheirs(current)) return Page();
        if (!BackDoor.IsUsable(figures))
            return Refuse("Choose six figures: of three kinds at least, and not one after the other. Nothing was changed.");
        await InSchool(connection => OwnAccount.SetPin(connection, Person.Id, back.Hash(Person, figures!), Now));
        await Load();
        Done = "From now on your six figures bring you back after a child’s turn.";
        return Page();
    }

    public async Task<IActionResult> OnPostPinOff()
    {
        await InSchool(connection => OwnAccount.RemovePin(connection, User.Person().Id, Now));
        return Redirect("/you");
    }

    /// <summary>They have read who turned their second step off.</summary>
    public async Task<IActionResult> OnPostTold()
    {
        await InSchool(connection => OwnAccount.ToldOfSecondStep(connection, User.Person().Id));
        return Redirect("/you");
    }

    public async Task<IActionResult> OnPostEnd(SessionId session)
    {
        await Load();
        if (Sessions.Any(each => each.Id == session)) await InSchool(connection => OwnAccount.EndSession(connection, session, Now));
        return Redirect(session == User.Session() ? "/" : "/you");
    }

    public async Task<IActionResult> OnPostEverywhere()
    {
        await Load();
        // At their other schools too: a session is worth nothing under another stamp.
        await signIn.UserManager.UpdateSecurityStampAsync(Person);
        await InSchool(connection => OwnAccount.EndSessions(connection, Person.Id, AuditKinds.SignedOutEverywhere, Now));
        await HttpContext.Leave();
        return Redirect("/");
    }

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Whether the password that was typed is theirs: a device that was left open changes nothing.</summary>
    private async Task<bool> IsTheirs(string? password)
    {
        using var knock = await door.AtPassword(HttpContext, Person.UserName);
        if (knock.Refusal is { } refusal)
        {
            Refuse(refusal);
            return false;
        }
        if (await signIn.UserManager.CheckPasswordAsync(Person, password ?? ""))
        {
            await knock.Right();
            return true;
        }
        Refuse("That is not your password now. Nothing was changed.");
        return false;
    }

    /// <summary>Ends every session under what stood before, and goes on in a new one here.</summary>
    private async Task AfterChange(string? what)
    {
        await InSchool(connection => OwnAccount.EndSessions(connection, Person.Id, what, Now));
        await signIn.SignInAsync(Person, isPersistent: false);
        await Load();
    }

    private async Task ShowKey()
    {
        if (await signIn.UserManager.GetAuthenticatorKeyAsync(Person) is not { } key) return;
        Key = string.Join(' ', key.Chunk(4).Select(four => new string(four)));
        using var code = new QRCodeGenerator().CreateQrCode(
            $"otpauth://totp/Umbick:{Uri.EscapeDataString(Person.UserName)}?secret={key}&issuer=Umbick&digits=6",
            QRCodeGenerator.ECCLevel.M);
        Picture = (string.Concat(
            code.ModuleMatrix.SelectMany((row, y) => Enumerable.Range(0, row.Count).Where(x => row[x]).Select(x => $"M{x} {y}h1v1h-1z"))),
                code.ModuleMatrix.Count);
    }

    private async Task Load() => Own = await InSchool(connection => OwnAccount.Load(connection, User.Person().Id, Now));

    private PageResult Refuse(string why)
    {
        Message = why;
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    }
}
