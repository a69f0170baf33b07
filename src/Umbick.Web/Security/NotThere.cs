namespace Umbick.Web.Security;

/// <summary>
/// An address that is nobody's is told as that to whoever is signed in. To all others it is told as any other page is: they are led to sign
/// in.
/// </summary>
public static class NotThere
{
    public static void UseNotThere(this WebApplication app) => app.Use((context, next) =>
    {
        if (context.GetEndpoint() is not null || !context.User.IsSignedIn()) return next(context);
        context.Response.StatusCode = StatusCodes.Status404NotFound;
        return Task.CompletedTask;
    });
}
