using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Pages;

[AllowAnonymous]
[IgnoreAntiforgeryToken]
public sealed class ErrorModel : PageModel
{
    public string Heading { get; private set; } = "";

    public string Text { get; private set; } = "";

    /// <summary>The page that sent what could not be taken; null where there is none, or it lies elsewhere.</summary>
    public string? CameFrom { get; private set; }

    /// <summary>Where whoever reads this may begin again.</summary>
    public (string Address, string Name) Beginning => !User.IsSignedIn() ? ("/", "To the beginning")
        : User.SeesRecords() ? ("/children", "To the children") : ("/helping", "To the children you help");

    public void OnGet() => Tell();

    public void OnPost()
    {
        Tell();
        if (Uri.TryCreate(Request.Headers.Referer, UriKind.Absolute, out var page) && page.Authority == Request.Host.Value)
            CameFrom = AskedPage.In(Url, page.PathAndQuery);
    }

    /// <summary>The code stands in the address: a form that could not be read is not read again.</summary>
    private void Tell()
    {
        (Heading, Text) = int.TryParse($"{RouteData.Values["code"]}", out var code) ? ForCode(code) : ForCode(500);
    }

    private (string Heading, string Text) ForCode(int code) => code switch
    {
        404 => ("There is nothing here.", "The address may be old, or it belongs to another school. Nothing was changed."),
        400 => ("This page had grown old.",
            "It was sent after you signed in or out somewhere else. Nothing was changed."),
        401 => ("You are signed out.", "Nothing was changed. Sign in again, and go on where you were."),
        403 when User.CameByPin() => ("This page asks for your password.",
            "You came back by your six figures, which open neither people nor files nor erasing. Sign out, and in again with your "
            + "password. Nothing was changed."),
        403 => ("This page is not yours to open.", "Ask the teacher in charge, if you need it. Nothing was changed."),
        409 => ("This has moved on.", "It was changed elsewhere meanwhile. Open it again to see where it stands."),
        _ => ("Something went wrong here.",
            "Every answer that was taken is kept. Try again; if it happens twice, tell whoever runs Umbick."),
    };
}
