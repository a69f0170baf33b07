namespace Umbick.Drawing;

/// <summary>A size of paper, in millimetres.</summary>
/// <param name="Id">What it is called in addresses.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public sealed record PaperSize(string Id, double Width, double Height)
{
    /// <summary>How much at each side no printer is asked to print on, in millimetres.</summary>
    public const double Margin = 10;

    /// <summary>A4.</summary>
    public static PaperSize A4 { get; } = new("a4", 210, 297);

    /// <summary>Letter.</summary>
    public static PaperSize Letter { get; } = new("letter", 215.9, 279.4);

    /// <summary>Every size, the usual first.</summary>
    public static IReadOnlyList<PaperSize> All { get; } = [A4, Letter];

    /// <summary>What it is called.</summary>
    public string Name => Id == A4.Id ? "A4" : "Letter";

    /// <summary>The same lying on its side.</summary>
    public PaperSize Across => this with { Width = Height, Height = Width };

    /// <summary>The size with this id; A4 where there is none.</summary>
    public static PaperSize Find(string? id) => All.FirstOrDefault(size => size.Id == id) ?? A4;
}
