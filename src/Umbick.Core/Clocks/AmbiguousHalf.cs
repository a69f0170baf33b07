namespace Umbick.Core.Clocks;

/// <summary>'Half eight', which is half past eight to some and half past seven to others: the teacher says which.</summary>
/// <param name="Hour">The hour that was named, 1 to 12.</param>
public sealed record AmbiguousHalf(int Hour) : Answer
{
    /// <summary>The half hour before the hour that was named.</summary>
    public ClockTime Before => new(Hours.Before(Hour), 30);

    /// <summary>The half hour after it.</summary>
    public ClockTime After => new(Hour, 30);

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"half {Hour}?";
}
