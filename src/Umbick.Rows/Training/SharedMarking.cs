namespace Umbick.Rows;

/// <summary>What a colleague has marked and shares.</summary>
/// <param name="Name">The colleague.</param>
/// <param name="Marks">The marks.</param>
public sealed record SharedMarking(string Name, string Marks);
