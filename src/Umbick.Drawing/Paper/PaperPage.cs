namespace Umbick.Drawing;

/// <summary>A page, in millimetres from its upper left corner. The same shapes are shown on the screen and written as PDF.</summary>
/// <param name="Size">The paper.</param>
/// <param name="Shapes">What stands on it, what lies under others first.</param>
/// <param name="About">What a screen reader says of it.</param>
public sealed record PaperPage(PaperSize Size, IReadOnlyList<Shape> Shapes, string About);
