
namespace Umbick.Rows;

/// <summary>A child in a visit.</summary>
/// <param name="Child">The child.</param>
/// <param name="LeftAt">When the child went, or was noted as not having come; null while they are there.</param>
public sealed record VisitChild(ChildId Child, DateTime? LeftAt);
