using PdfSharp.Drawing;

namespace Umbick.Drawing;

/// <summary>How wide a text is on paper, and where it breaks.</summary>
internal static class TextWidth
{
    private static readonly Lock Once = new();
    private static readonly XGraphics Measure =
        XGraphics.CreateMeasureContext(new XSize(1000, 1000), XGraphicsUnit.Point, XPageDirection.Downwards);

    /// <summary>The width of a text in a style, in the unit of its size.</summary>
    public static double Of(string text, string style)
    {
        var ink = Ink.For(style);
        // Measured large, since widths are rounded.
        var font = Fonts.In(100, ink.Bold);
        lock (Once) return Measure.MeasureString(text, font).Width * ink.Size / 100;
    }

    /// <summary>A text in lines that are no wider than this; a word alone may be.</summary>
    public static IReadOnlyList<string> Lines(string text, string style, double width)
    {
        List<string> lines = [];
        var line = "";
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var longer = line.Length == 0 ? word : $"{line} {word}";
            if (line.Length > 0 && Of(longer, style) > width)
            {
                lines.Add(line);
                line = word;
            }
            else line = longer;
        }
        if (line.Length > 0) lines.Add(line);
        return lines;
    }
}
