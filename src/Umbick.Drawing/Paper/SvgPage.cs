using System.Globalization;
using System.Net;
using System.Text;

namespace Umbick.Drawing;

/// <summary>Writes a page as SVG, to be seen before it is printed: what stands there stands in the PDF.</summary>
public static class SvgPage
{
    /// <summary>Writes a page.</summary>
    public static string Write(PaperPage page)
    {
        var svg = new StringBuilder();
        svg.Append(CultureInfo.InvariantCulture,
            $"<svg class=\"paper\" viewBox=\"0 0 {page.Size.Width} {page.Size.Height}\" role=\"img\" aria-label=\"{WebUtility.HtmlEncode(page.About)}\">");
        SvgShapes.Write(svg, page.Shapes, Look);
        return svg.Append("</svg>").ToString();
    }

    private static string Look(Shape shape)
    {
        var ink = Ink.For(shape.Style);
        var look = new StringBuilder();
        look.Append(CultureInfo.InvariantCulture, $"data-ink=\"{shape.Style}\" fill=\"{ink.Fill ?? "none"}\"");
        if (ink.Stroke is not null)
            look.Append(CultureInfo.InvariantCulture, $" stroke=\"{ink.Stroke}\" stroke-width=\"{ink.Width}\" stroke-linejoin=\"round\"");
        if (ink.Dash > 0) look.Append(CultureInfo.InvariantCulture, $" stroke-dasharray=\"{ink.Dash}\"");
        if (ink.StrokeUnder) look.Append(" paint-order=\"stroke\"");
        if (shape is Text)
        {
            look.Append(CultureInfo.InvariantCulture, $" font-size=\"{ink.Size}\"{(ink.Bold ? " font-weight=\"700\"" : "")}");
            look.Append(ink.At switch
            {
                TextAt.Start => "",
                TextAt.End => " text-anchor=\"end\"",
                TextAt.Middle => " text-anchor=\"middle\"",
                _ => " text-anchor=\"middle\" dominant-baseline=\"central\"",
            });
        }
        return look.ToString();
    }
}
