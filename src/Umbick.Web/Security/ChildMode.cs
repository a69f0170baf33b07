using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;

namespace Umbick.Web.Security;

/// <summary>A device that goes to a child: from then on it opens one sitting and nothing else.</summary>
public static class ChildMode
{
    /// <summary>Drops the signed-in person to one sitting, and has the browser forget every page it has kept.</summary>
    /// <param name="context">The request.</param>
    /// <param name="school">The school.</param>
    /// <param name="sitting">The sitting.</param>
    /// <param name="back">Who may come back to the device by their figures; null: nobody.</param>
    public static async Task EnterChildMode(this HttpContext context, SchoolId school, SittingId sitting, WayBack? back = null)
    {
        await context.Leave();
        var properties = new AuthenticationProperties();
        properties.SetParameter(SessionCookies.Back, back);
        await context.SignInAsync(Who.ChildScheme, Who.ChildAt(school, sitting, back is not null), properties);
    }

    /// <summary>Signs a teacher out, and has the browser forget every page it has kept.</summary>
    public static Task Leave(this HttpContext context)
    {
        if (context.User.IsSignedIn()) context.Response.Headers["Clear-Site-Data"] = "\"cache\"";
        return context.SignOutAsync(IdentityConstants.ApplicationScheme);
    }
}
