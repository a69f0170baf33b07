using System.Diagnostics.Metrics;

namespace Umbick.Web;

/// <summary>What the framework's own meters say of this process since it started.</summary>
public sealed class SiteMeters : IHostedService, IDisposable
{
    private const int Remembered = 1000;

    private readonly MeterListener _listener = new();
    private readonly Lock _lock = new();
    private readonly double[] _seconds = new double[Remembered];
    private readonly TimeProvider _clock;

    public SiteMeters(TimeProvider clock)
    {
        _clock = clock;
        StartedAt = clock.GetUtcNow().UtcDateTime;
        _listener.InstrumentPublished = (instrument, listener) =>
        {
            if (instrument.Name is "http.server.request.duration" or "http.server.active_requests" or "kestrel.queued_connections"
                or "kestrel.queued_requests" or "dotnet.thread_pool.queue.length" or "dotnet.process.memory.working_set")
                listener.EnableMeasurementEvents(instrument);
        };
        _listener.SetMeasurementEventCallback<double>(OnSeconds);
        _listener.SetMeasurementEventCallback<long>(OnCount);
    }

    public DateTime StartedAt { get; }

    /// <summary>How many requests were answered.</summary>
    public long Answered { get; private set; }

    /// <summary>How many of them failed by a fault of the site's.</summary>
    public long Failed { get; private set; }

    /// <summary>When one last failed; null where none did.</summary>
    public DateTime? LastFailedAt { get; private set; }

    /// <summary>Requests that are being answered, and connections and requests that wait.</summary>
    public long Active { get; private set; }

    public long Queued { get; private set; }

    /// <summary>Work that waits for a thread.</summary>
    public long ThreadQueue { get; private set; }

    /// <summary>The memory that the process holds, in bytes.</summary>
    public long Memory { get; private set; }

    /// <summary>How long the latest thousand took: in the middle, and the slowest twentieth at least, in seconds.</summary>
    public (double Middle, double Slow) Seconds
    {
        get
        {
            double[] sorted;
            lock (_lock) sorted = [.. _seconds.Take((int)Math.Min(Answered, Remembered)).Order()];
            return sorted.Length == 0 ? (0, 0) : (sorted[sorted.Length / 2], sorted[sorted.Length * 19 / 20]);
        }
    }

    /// <summary>Asks the meters that tell only when they are asked.</summary>
    public void Refresh() => _listener.RecordObservableInstruments();

    public Task StartAsync(CancellationToken cancellationToken)
    {
        _listener.Start();
        return Task.CompletedTask;
    }

    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose() => _listener.Dispose();

    private void OnSeconds(Instrument instrument, double value, ReadOnlySpan<KeyValuePair<string, object?>> tags, object? state)
    {
        var failed = false;
        foreach (var tag in tags) failed |= tag is { Key: "http.response.status_code", Value: >= StatusCodes.Status500InternalServerError };
        lock (_lock)
        {
            _seconds[Answered % Remembered] = value;
            Answered++;
            if (!failed) return;
            Failed++;
            LastFailedAt = _clock.GetUtcNow().UtcDateTime;
        }
    }

    private void OnCount(Instrument instrument, long value, ReadOnlySpan<KeyValuePair<string, object?>> tags, object? state)
    {
        lock (_lock)
        {
            switch (instrument.Name)
            {
                case "http.server.active_requests": Active += value; break;
                case "dotnet.thread_pool.queue.length": ThreadQueue = value; break;
                case "dotnet.process.memory.working_set": Memory = value; break;
                default: Queued += value; break;
            }
        }
    }
}
