using PdfSharp.Drawing;
using PdfSharp.Fonts;

namespace Umbick.Drawing;

/// <summary>The font of paper, which ships with Umbick: a page takes with it the signs that stand on it.</summary>
internal sealed class Fonts : IFontResolver
{
    private const string Family = "Andika", Regular = "Andika-Regular", Bold = "Andika-Bold";

    private static readonly Lock Once = new();
    private static readonly Dictionary<(double, bool), XFont> Made = [];

    private Fonts()
    {
    }

    /// <summary>The font in a size, in the page's own unit.</summary>
    public static XFont In(double size, bool bold)
    {
        lock (Once)
        {
            GlobalFontSettings.FontResolver ??= new Fonts();
            if (!Made.TryGetValue((size, bold), out var font))
                Made[(size, bold)] = font = new XFont(Family, size, bold ? XFontStyleEx.Bold : XFontStyleEx.Regular);
            return font;
        }
    }

    public byte[]? GetFont(string faceName)
    {
        using var stream = typeof(Fonts).Assembly.GetManifestResourceStream($"{faceName}.ttf")!;
        var bytes = new byte[stream.Length];
        stream.ReadExactly(bytes);
        return bytes;
    }

    public FontResolverInfo? ResolveTypeface(string familyName, bool bold, bool italic) => new(bold ? Bold : Regular);
}
