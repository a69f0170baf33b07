namespace Umbick.Rows;

/// <summary>A list that was put on paper.</summary>
/// <param name="Letters">The letters of its code that were drawn.</param>
/// <param name="Sitting">The list.</param>
/// <param name="MadeAt">When its sheet was first made.</param>
public sealed record Sheet(string Letters, SittingId Sitting, DateTime MadeAt);

/// <summary>A sheet of which nothing, or not everything, has come back.</summary>
/// <param name="Letters">The letters of its code that were drawn.</param>
/// <param name="Alias">Whose it is.</param>
/// <param name="Day">The day on which it was made, where the school is.</param>
/// <param name="Items">How many questions it has.</param>
/// <param name="Answered">How many of them are answered.</param>
public sealed record SheetOut(string Letters, string Alias, DateOnly Day, int Items, int Answered);
