namespace Umbick.Rows;

/// <summary>Something that an adult has trained with: a conversation, a visit, thirty answers marked. It is theirs alone.</summary>
public sealed class TrainingRow
{
    /// <summary>The most signs that what was done may have.</summary>
    public const int LongestMoves = 400;

    public TrainingId Id { get; init; }

    /// <summary>What it was: <c>child</c>, <c>visit</c> or <c>marking</c>.</summary>
    public string Kind { get; init; } = "";

    /// <summary>The level of a conversation; empty elsewhere.</summary>
    public string Level { get; init; } = "";

    /// <summary>The number that makes the same children, or the same thirty answers.</summary>
    public int Seed { get; init; }

    /// <summary>What was asked, done or marked, as it stands in an address.</summary>
    public string Moves { get; init; } = "";

    /// <summary>What was said of it.</summary>
    public string Verdict { get; init; } = "";

    /// <summary>How it came out, as it was told then.</summary>
    public string Told { get; init; } = "";

    /// <summary>Whether it came out well.</summary>
    public bool WentWell { get; init; }

    public DateTime At { get; init; }

    /// <summary>Whether a colleague who has marked the same and shares it too may be compared with.</summary>
    public bool Shared { get; init; }
}
