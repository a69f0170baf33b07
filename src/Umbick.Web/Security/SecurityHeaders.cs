namespace Umbick.Web.Security;

/// <summary>What every answer of the site carries: nothing from elsewhere, nothing inline, nothing kept by a cache.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
        + "manifest-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

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

    /// <summary>Files of the site that are nobody's, beside its styles and scripts.</summary>
    private static bool IsOfTheSite(PathString path) => path.Value is { } name && name.LastIndexOf('/') == 0
        && (name.EndsWith(".svg", StringComparison.Ordinal) || name.EndsWith(".png", StringComparison.Ordinal)
            || name.EndsWith(".webmanifest", StringComparison.Ordinal));

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
        var path = context.Request.Path;
        if (path.Value!.EndsWith(".woff2", StringComparison.Ordinal)) headers.CacheControl = "max-age=31536000, immutable";
        else if (!path.StartsWithSegments("/built") && !path.StartsWithSegments("/js") && !IsOfTheSite(path))
            headers.CacheControl = "no-store";
    }
}
