namespace Umbick.Rows;

/// <summary>
/// What a sitting's answers are known by: none is ever changed, and one that puts another right has a higher number. What a teacher said
/// after it belongs to it.
/// </summary>
public sealed record SittingKnownBy
{
    public ChildId Child { get; init; }

    public SittingId Sitting { get; init; }

    /// <summary>The number of the latest answer in it.</summary>
    public long LatestAnswer { get; init; }

    /// <summary>The ids of what a teacher confirmed or ruled out after it; null where there is nothing.</summary>
    public string? Words { get; init; }
}
