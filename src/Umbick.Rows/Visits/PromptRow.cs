
namespace Umbick.Rows;

/// <summary>How much an answer took.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Place">The place of its item.</param>
/// <param name="Rung">The rung's id.</param>
public sealed record PromptRow(SittingId Sitting, int Place, string Rung);
