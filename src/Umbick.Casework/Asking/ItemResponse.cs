using Umbick.Core.Clocks;

namespace Umbick.Casework;

/// <summary>One question of a sitting with the answer that stands.</summary>
/// <param name="Asked">What was asked.</param>
/// <param name="Given">The first answer that stands; null where none has been given.</param>
/// <param name="Answer">What was read in it; null where none has been given.</param>
/// <param name="IsRight">Whether it is right.</param>
public sealed record ItemResponse(AskedItem Asked, AnswerRow? Given, Answer? Answer, bool IsRight)
{
    /// <summary>What was read in the child's first answer, where the child then put it right; else null.</summary>
    public Answer? First { get; init; }

    /// <summary>Whether it was asked beyond what was taught: then it calls no pattern, and says nothing of a stage.</summary>
    public bool IsBeyond { get; init; }

    /// <summary>Whether it is right or wrong: not where nothing has been given, or what was given cannot be read.</summary>
    public bool IsScored => Answer is { IsScored: true };

    /// <summary>Whether it is wrong.</summary>
    public bool IsWrong => IsScored && !IsRight;
}
