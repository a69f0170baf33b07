namespace Umbick.Rows;

/// <summary>A demonstration that was shown to a child.</summary>
/// <param name="Id">The id of the showing.</param>
/// <param name="Pattern">The id of the pattern that it was for.</param>
/// <param name="Demonstration">The demonstration's id.</param>
/// <param name="Day">The day, where the school is.</param>
public sealed record DemonstrationShown(ShowingId Id, string Pattern, string Demonstration, DateOnly Day);
