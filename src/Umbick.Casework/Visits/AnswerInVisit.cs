namespace Umbick.Casework;

/// <summary>The outcome of an answer typed in a visit.</summary>
/// <param name="Outcome">The outcome; null where the answer was not taken, for the reason told.</param>
/// <param name="Message">Why it was not kept; null where it was.</param>
/// <param name="At">Where the visit is then; null where there is no such visit, or the child is not in it.</param>
public sealed record AnswerInVisit(AnswerOutcome? Outcome, string? Message, VisitState? At);
