namespace Umbick.Rows;

/// <summary>What a second adult's device writes in, and for whom.</summary>
/// <param name="Visit">The visit.</param>
/// <param name="By">Who let it in, and answers for what it writes.</param>
/// <param name="IsOver">Whether the visit is over.</param>
public sealed record LetInTo(VisitId Visit, PersonId By, bool IsOver);
