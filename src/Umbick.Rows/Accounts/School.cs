
namespace Umbick.Rows;

/// <summary>A school.</summary>
public sealed record School(Guid Id, string Name);
