using System.Globalization;
using System.Net;
using System.Text;

namespace Umbick.Drawing;

/// <summary>Writes shapes as SVG.</summary>
internal static class SvgShapes
{
    /// <summary>Writes shapes.</summary>
    /// <param name="svg">Where they are written.</param>
    /// <param name="shapes">The shapes.</param>
    /// <param name="look">The attributes by which a shape looks like its style.</param>
    public static void Write(StringBuilder svg, IEnumerable<Shape> shapes, Func<Shape, string> look)
    {
        foreach (var shape in shapes) Write(svg, shape, look);
    }

    /// <summary>The corners of an outline as the data of a path.</summary>
    public static string Path(IEnumerable<(double X, double Y)> corners) =>
        $"M{string.Join(" L", corners.Select(corner => Invariant($"{corner.X:0.##},{corner.Y:0.##}")))} Z";

    private static void Write(StringBuilder svg, Shape shape, Func<Shape, string> look)
    {
        switch (shape)
        {
            case Disc disc:
                var middle = disc is { X: 0, Y: 0 } ? "" : Invariant($" cx=\"{disc.X:0.##}\" cy=\"{disc.Y:0.##}\"");
                svg.Append(Invariant($"<circle {look(disc)}{middle} r=\"{disc.Radius:0.##}\"/>"));
                break;
            case Line line:
                svg.Append(Invariant($"<line {look(line)} x1=\"{line.FromX:0.##}\" y1=\"{line.FromY:0.##}\" x2=\"{line.ToX:0.##}\" y2=\"{line.ToY:0.##}\"/>"));
                break;
            case Outline outline:
                svg.Append(Invariant($"<path {look(outline)} d=\"{Path(outline.Corners)}\" transform=\"rotate({outline.Turned:0.##})\"/>"));
                break;
            case Sector sector:
                var ((x1, y1), (x2, y2)) = (Round.At(sector.From, sector.Radius), Round.At(sector.From + sector.Sweep, sector.Radius));
                svg.Append(Invariant($"<path {look(sector)} d=\"M0,0 L{x1:0.##},{y1:0.##} A{sector.Radius:0.##},{sector.Radius:0.##} 0 0 1 {x2:0.##},{y2:0.##} Z\"/>"));
                break;
            case Box box:
                svg.Append(Invariant($"<rect {look(box)} x=\"{box.X:0.##}\" y=\"{box.Y:0.##}\" width=\"{box.Width:0.##}\" height=\"{box.Height:0.##}\"/>"));
                break;
            case Text text:
                svg.Append(Invariant($"<text {look(text)} x=\"{text.X:0.##}\" y=\"{text.Y:0.##}\">{WebUtility.HtmlEncode(text.Words)}</text>"));
                break;
            case Group group:
                svg.Append(Invariant($"<g transform=\"translate({group.X:0.##} {group.Y:0.##}) rotate({group.Turned:0.##}) scale({group.Scale:0.####})\">"));
                Write(svg, group.Shapes, look);
                svg.Append("</g>");
                break;
        }
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
