using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>An answer as it was given.</summary>
public sealed record AnswerRow
{
    public SittingId Sitting { get; init; }

    public AnswerId Id { get; init; }

    public int Place { get; init; }

    public int Try { get; init; }

    public string Raw { get; init; } = "";

    public string Mode { get; init; } = "";

    /// <summary>From the question's being shown to the answer, where it was measured.</summary>
    public float? Seconds { get; init; }

    /// <summary>From the question's being shown to the beginning of the answer, where it was measured.</summary>
    public float? BegunSeconds { get; init; }

    /// <summary>What the child said before putting it right; null where that did not happen.</summary>
    public string? FirstRaw { get; init; }

    /// <summary>Whether the child was helped by a word.</summary>
    public bool Prompted { get; init; }

    /// <summary>The id of how the child did it, where it was noted.</summary>
    public string? How { get; init; }

    /// <summary>Its number among all answers: a later one has a higher.</summary>
    public long Seq { get; init; }

    /// <summary>The answer that it puts right; null where it is the first.</summary>
    public AnswerId? Corrects { get; init; }

    /// <summary>When it was given, where it was read from the database.</summary>
    public DateTime GivenAt { get; init; }

    /// <summary>Who typed it; null where the child did.</summary>
    public PersonId? By { get; init; }

    public Typist Typist => By is null ? Typist.Child : Typist.Teacher;

    /// <summary>How it was given; null where that cannot be understood.</summary>
    public AnswerMode? KnownMode => Enum.TryParse<AnswerMode>(Mode, ignoreCase: true, out var mode) && Enum.IsDefined(mode) ? mode : null;

    public AnswerMode AnswerMode => KnownMode ?? AnswerMode.Said;
}
