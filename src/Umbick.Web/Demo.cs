using System.Net;

namespace Umbick.Web;

/// <summary>Whether somebody may look round without an account: only on demonstration data, and only from this machine.</summary>
public sealed class Demo(IDatabase database)
{
    private bool? _marked;

    public async Task<bool> IsOpenTo(HttpContext context)
    {
        _marked ??= await database.IsDemo(context.RequestAborted);
        // What came through a proxy came from elsewhere, whoever it says it is.
        return _marked.Value && !context.Request.Headers.ContainsKey("X-Forwarded-For")
            && !context.Request.Headers.ContainsKey("X-Original-For") && !context.Request.Headers.ContainsKey("Forwarded")
            && context.Connection.RemoteIpAddress is { } address && IPAddress.IsLoopback(address);
    }
}
