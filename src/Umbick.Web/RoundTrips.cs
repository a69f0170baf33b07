using System.Diagnostics;
using System.Globalization;
using System.Runtime.CompilerServices;

namespace Umbick.Web;

/// <summary>
/// Tells with each answer how many round trips to the database it took: for tests, and for whoever looks for what makes a page slow. Off
/// unless <c>UMBICK_ROUND_TRIPS</c> is set, for to be told of each costs the database's driver time.
/// </summary>
public static class RoundTrips
{
    /// <summary>The variable that switches it on.</summary>
    public const string Variable = "UMBICK_ROUND_TRIPS";

    /// <summary>The header that tells it.</summary>
    public const string Header = "X-Round-Trips";

    private static readonly AsyncLocal<StrongBox<int>?> OfRequest = new();

    /// <summary>Counts and tells, where that is switched on.</summary>
    public static void UseRoundTrips(this WebApplication app)
    {
        if (app.Configuration[Variable] is null) return;
        ActivitySource.AddActivityListener(new ActivityListener
        {
            ShouldListenTo = source => source.Name == "Npgsql",
            Sample = (ref _) => ActivitySamplingResult.PropagationData,
            ActivityStarted = _ =>
            {
                if (OfRequest.Value is { } count) Interlocked.Increment(ref count.Value);
            },
        });
        app.Use(next => context =>
        {
            var count = OfRequest.Value = new StrongBox<int>();
            context.Response.OnStarting(() =>
            {
                context.Response.Headers[Header] = count.Value.ToString(CultureInfo.InvariantCulture);
                return Task.CompletedTask;
            });
            return next(context);
        });
    }
}
