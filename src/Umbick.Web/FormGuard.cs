namespace Umbick.Web;

/// <summary>Refuses a form that cannot be read, or whose fields have names that no page gives: before a page takes it for its own fault.</summary>
public static class FormGuard
{
    /// <summary>Uses it: after a request has been let in, before a page has it.</summary>
    public static IApplicationBuilder UseFormGuard(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        if (!context.Request.HasFormContentType || await IsReadable(context.Request))
        {
            await next(context);
            return;
        }
        // What tells of it must not read it again.
        (context.Request.ContentType, context.Request.Body) = (null, Stream.Null);
        context.Response.StatusCode = StatusCodes.Status400BadRequest;
    });

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
