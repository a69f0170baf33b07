using Microsoft.AspNetCore.Mvc;

namespace Umbick.Web.Pages;

/// <summary>The page that somebody had asked for when they were led to sign in.</summary>
public static class AskedPage
{
    private const string Handler = "handler=";

    /// <summary>
    /// It, where it lies within this site; null else. What was being sent then is not sent again: its page is shown.
    /// </summary>
    public static string? In(IUrlHelper url, string? asked) => asked is null or "/" || !url.IsLocalUrl(asked) ? null
        : asked.Contains(Handler, StringComparison.OrdinalIgnoreCase) ? asked.Split('?')[0] : asked;
}
