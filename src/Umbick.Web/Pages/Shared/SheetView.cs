namespace Umbick.Web.Pages;

/// <summary>A sheet to print.</summary>
/// <param name="Title">What stands at its top.</param>
/// <param name="Alias">Whose it is; null where a line is left for the name.</param>
/// <param name="Line">A line of what to do; null where nothing is said, because it is to find out.</param>
/// <param name="Items">The questions.</param>
public sealed record SheetView(string Title, string? Alias, string? Line, IReadOnlyList<SheetItem> Items);
