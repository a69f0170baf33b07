
namespace Umbick.Rows;

/// <summary>A school.</summary>
public sealed record School(SchoolId Id, string Name);
