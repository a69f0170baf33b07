using Microsoft.Extensions.Diagnostics.HealthChecks;
using Umbick.Store;

namespace Umbick.Web;

/// <summary>Whether the site reaches its database.</summary>
public sealed class DatabaseHealth(Database database) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        await database.IsDemo(cancellationToken);
        return HealthCheckResult.Healthy();
    }
}
