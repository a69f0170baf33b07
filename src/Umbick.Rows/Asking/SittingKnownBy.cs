using Umbick.Core.Items;

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

    /// <summary>Its day, where the school is.</summary>
    public DateOnly Day { get; init; }

    /// <summary>How far times were taught.</summary>
    public Stage Stage { get; init; }

    /// <summary>The id of the pattern that it practised; null where it practised none.</summary>
    public string? Practised { get; init; }

    /// <summary>The ids of what a teacher confirmed or ruled out after it; null where there is nothing.</summary>
    public string? Words { get; init; }
}
