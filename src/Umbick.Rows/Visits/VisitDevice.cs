namespace Umbick.Rows;

/// <summary>A device that was opened by a code at a visit: a screen for its children, or a second adult's.</summary>
/// <param name="Id">Its session.</param>
/// <param name="Asks">Whether it has asked to join as a second adult's.</param>
/// <param name="IsLetIn">Whether it was let in.</param>
public sealed record VisitDevice(SessionId Id, bool Asks, bool IsLetIn)
{
    /// <summary>Two figures that stand on it and beside <em>let in</em>, so that the right device is let in: 10 to 99.</summary>
    public int Number => 10 + Id.Value.ToByteArray()[15] % 90;

    /// <summary>Whether it waits to be let in.</summary>
    public bool IsWaiting => Asks && !IsLetIn;
}
