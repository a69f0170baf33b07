using System.Net;
using Umbick.Store;

namespace Umbick.Web;

/// <summary>Whether somebody may look round without an account: only on demonstration data, and only from this machine.</summary>
public sealed class Demo(Database database)
{
    private bool? _marked;

    public async Task<bool> IsOpenTo(HttpContext context)
    {
        _marked ??= await database.IsDemo(context.RequestAborted);
        return _marked.Value && context.Connection.RemoteIpAddress is { } address && IPAddress.IsLoopback(address);
    }
}
