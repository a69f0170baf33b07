namespace Umbick.Tests;

/// <summary>A clock that stands.</summary>
public sealed class StartChecks(DateTimeOffset at) : TimeProvider
{
    public override DateTimeOffset GetUtcNow() => at;
}
