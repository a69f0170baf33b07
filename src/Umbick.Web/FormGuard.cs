using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.Metadata;

namespace Umbick.Web;

/// <summary>
/// Refuses a form that is too large, cannot be read, or whose fields have names that no page gives: before a page takes it for its own
/// fault. Every field has a length where it enters.
/// </summary>
public static class FormGuard
{
    /// <summary>
    /// The largest request from somebody who is not signed in, and from somebody who is, in bytes. A page that takes files says its own.
    /// </summary>
    public const int LargestUnsigned = 16 * 1024, Largest = 1024 * 1024;

    private const int LongestField = 20_000;
    private const int LongestName = 200;
    private const int MostFields = 5_000;

    /// <summary>Adds the lengths.</summary>
    public static void AddFormLimits(this WebApplicationBuilder builder)
    {
        builder.WebHost.ConfigureKestrel(server => server.Limits.MaxRequestBodySize = Largest);
        builder.Services.Configure<FormOptions>(form =>
            (form.ValueLengthLimit, form.KeyLengthLimit, form.ValueCountLimit, form.MultipartHeadersLengthLimit,
                form.MultipartHeadersCountLimit) = (LongestField, LongestName, MostFields, 4096, 8));
    }

    /// <summary>Uses it: after a request has been let in, before a page has it.</summary>
    public static IApplicationBuilder UseFormGuard(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        var most = context.GetEndpoint() switch
        {
            { Metadata: var about } when about.GetMetadata<IRequestSizeLimitMetadata>() is { MaxRequestBodySize: { } own } => own,
            { Metadata: var about } when about.GetMetadata<IAllowAnonymous>() is null => Largest,
            _ => LargestUnsigned,
        };
        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } body) body.MaxRequestBodySize = most;
        if (context.Request.ContentLength > most) Refuse(context, StatusCodes.Status413PayloadTooLarge);
        else if (!context.Request.HasFormContentType || await IsReadable(context.Request)) await next(context);
        else Refuse(context, StatusCodes.Status400BadRequest);
    });

    private static void Refuse(HttpContext context, int status)
    {
        // What tells of it must not read it again.
        (context.Request.ContentType, context.Request.Body) = (null, Stream.Null);
        context.Response.StatusCode = status;
    }

    private static async Task<bool> IsReadable(HttpRequest request)
    {
        try
        {
            return (await request.ReadFormAsync(request.HttpContext.RequestAborted)).Keys.All(IsName);
        }
        catch (Exception fault) when (fault is InvalidDataException or IOException)
        {
            return false;
        }
    }

    /// <summary>Whether each bracket of a name is closed.</summary>
    private static bool IsName(string key)
    {
        var open = 0;
        foreach (var sign in key)
        {
            open += sign switch { '[' => 1, ']' => -1, _ => 0 };
            if (open is < 0 or > 1) return false;
        }
        return open == 0;
    }
}
