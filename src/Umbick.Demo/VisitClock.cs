namespace Umbick.Demo;

/// <summary>A clock that stands where a visit is.</summary>
internal sealed class VisitClock(DateTimeOffset now) : TimeProvider
{
    private DateTimeOffset _now = now;

    public override DateTimeOffset GetUtcNow() => _now;

    public void Advance(TimeSpan by) => _now += by;
}
