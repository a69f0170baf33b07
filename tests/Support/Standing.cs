namespace Umbick.Tests;

/// <summary>A clock that stands.</summary>
public sealed class Standing(DateTimeOffset at) : TimeProvider
{
    public override DateTimeOffset GetUtcNow() => at;
}
