
namespace Umbick.Rows;

/// <summary>A note of a visit.</summary>
/// <param name="Child">The child.</param>
/// <param name="Note">The note's id.</param>
public sealed record VisitNoteRow(ChildId Child, string Note);
