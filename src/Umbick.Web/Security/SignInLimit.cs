using System.Threading.RateLimiting;

namespace Umbick.Web.Security;

/// <summary>
/// How often a password may be tried: eight wrong ones in two minutes for a name from one address. Others at the address get in all the time, and
/// nobody elsewhere can lock somebody out for long.
/// </summary>
public sealed class SignInLimit : IDisposable
{
    /// <summary>So many wrong ones are heard in so long.</summary>
    public const int AtOnce = 8;

    private static readonly TimeSpan Window = TimeSpan.FromMinutes(2);

    private readonly PartitionedRateLimiter<(string Address, string Name)> _limiter = PartitionedRateLimiter.Create<(string Address, string Name), (string Address, string Name)>(
        who => RateLimitPartition.GetFixedWindowLimiter(who, _ => new FixedWindowRateLimiterOptions { PermitLimit = AtOnce, Window = Window, QueueLimit = 0 }));

    /// <summary>Whether another try is heard.</summary>
    public bool IsOpen(HttpContext context, string name) => _limiter.AttemptAcquire(Who(context, name), 0).IsAcquired;

    /// <summary>Counts a wrong one.</summary>
    public void CountWrong(HttpContext context, string name) => _limiter.AttemptAcquire(Who(context, name)).Dispose();

    public void Dispose() => _limiter.Dispose();

    private static (string Address, string Name) Who(HttpContext context, string name) => ($"{context.Connection.RemoteIpAddress}", name.Trim().ToUpperInvariant());
}
