
namespace Umbick.Rows;

/// <summary>The outcome of typing a code.</summary>
/// <param name="Outcome">Whether it opened a sitting.</param>
/// <param name="School">The school.</param>
/// <param name="Sitting">The sitting that it opens.</param>
public sealed record OpenedCode(CodeOutcome Outcome, SchoolId School, SittingId Sitting);
