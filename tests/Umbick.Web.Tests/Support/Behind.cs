namespace Umbick.Web.Tests;

/// <summary>A clock that runs behind.</summary>
public sealed class Behind(TimeSpan by) : TimeProvider
{
    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() - by;
}
