namespace Umbick.Casework;

/// <summary>How a cold start came out.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Right">How many of the telling items came right.</param>
/// <param name="Telling">How many there were.</param>
public sealed record ColdStartResult(DateOnly Day, int Right, int Telling);
