namespace Umbick.Web.Security;

/// <summary>What every answer of the site carries: nothing from elsewhere, nothing inline, nothing kept by a cache.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
        + "form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    /// <summary>Set when the response starts, so that clearing a failed response does not remove them.</summary>
    public static IApplicationBuilder UseSecurityHeaders(this IApplicationBuilder app) => app.Use((context, next) =>
    {
        context.Response.OnStarting(() =>
        {
            Set(context);
            return Task.CompletedTask;
        });
        return next(context);
    });

    private static void Set(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        // The code on a sheet can be read with the camera, on that page alone.
        headers["Permissions-Policy"] =
            $"camera=({(context.Request.Path == "/paper" ? "self" : "")}), microphone=(), geolocation=()";
        // A page of the teacher's must not come back from a cache once the device is with a child.
        if (!context.Request.Path.StartsWithSegments("/built") && !context.Request.Path.StartsWithSegments("/js"))
            headers.CacheControl = "no-store";
    }
}
