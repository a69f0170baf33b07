namespace Umbick.Web;

/// <summary>
/// Whether a balancer may send this site anybody, at <c>/in-service</c>: it says no from the moment it is told to end, ends what it has
/// begun, and takes what still comes for as long as the balancer needs to see it (<c>UMBICK_DRAIN</c>, in seconds; none where it stands
/// alone). A database that is away is away for every site: that takes none of them out.
/// </summary>
public sealed class InService(IConfiguration configuration, SiteVersion version, IHostApplicationLifetime life) : IHostedService
{
    /// <summary>The variable that says how long it takes what still comes.</summary>
    public const string Variable = "UMBICK_DRAIN";

    private readonly TimeSpan _drain = TimeSpan.FromSeconds(configuration.GetValue(Variable, 0));

    /// <summary>What a balancer is told.</summary>
    public IResult Answer() =>
        life.ApplicationStopping.IsCancellationRequested ? Results.Text("ending", statusCode: StatusCodes.Status503ServiceUnavailable)
        : version.IsOther ? Results.Text(version.InWords, statusCode: StatusCodes.Status503ServiceUnavailable)
        : Results.Text("in service");

    public Task StartAsync(CancellationToken cancellationToken)
    {
        // What listens is closed once this returns: until then it is heard that it ends.
        life.ApplicationStopping.Register(() => Thread.Sleep(_drain));
        return Task.CompletedTask;
    }

    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;
}
