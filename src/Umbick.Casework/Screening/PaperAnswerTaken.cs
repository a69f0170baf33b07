namespace Umbick.Casework;

/// <summary>The outcome of an answer typed from paper.</summary>
/// <param name="Outcome">The outcome; null where the answer was not taken.</param>
/// <param name="Message">Why it was not kept, in a sentence; null where it was.</param>
public sealed record PaperAnswerTaken(AnswerOutcome? Outcome, string? Message)
{
    /// <summary>The child; null where it was not kept.</summary>
    public CaseloadRow? Child { get; init; }

    /// <summary>How it is read; null where it was not kept.</summary>
    public TypedAnswer? Read { get; init; }
}
