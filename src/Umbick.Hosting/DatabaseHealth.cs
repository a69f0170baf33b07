using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Umbick.Hosting;

/// <summary>Whether the site can keep anything: a row is written and rolled back.</summary>
public sealed class DatabaseHealth(Database database) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        await database.TryWriting(cancellationToken);
        return HealthCheckResult.Healthy();
    }
}
