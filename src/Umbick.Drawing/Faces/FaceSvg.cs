using System.Globalization;
using System.Net;
using System.Text;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>Draws faces as SVG. Colours come from the style sheet by class, so that a face follows the tokens.</summary>
public static class FaceSvg
{
    /// <summary>A face as a whole svg element.</summary>
    /// <param name="face">The face.</param>
    /// <param name="preferences">How faces look and times are said here.</param>
    public static string Draw(Face face, TeachingPreferences preferences)
    {
        var dial = preferences.Dial;
        var svg = new StringBuilder();
        var edge = FaceDrawing.Edge(face, dial);
        var name = face.Size.ToString().ToLowerInvariant();
        svg.Append(CultureInfo.InvariantCulture,
            $"<svg class=\"face face-{name} hands-{dial.Colours}{(face.Wrong ? " face-wrong" : "")}\" viewBox=\"{-edge} {-edge} {2 * edge} {2 * edge}\" ");
        svg.Append(face.Label is null ? "aria-hidden=\"true\">" : $"role=\"img\" aria-label=\"{WebUtility.HtmlEncode(face.Label)}\">");
        SvgShapes.Write(svg, FaceDrawing.Shapes(face, preferences), Look);
        return svg.Append("</svg>").ToString();
    }

    /// <summary>The outline of the hour hand pointing up, as the data of a path.</summary>
    public static string HourHand(FaceSize size) => SvgShapes.Path(FaceDrawing.HourHand(size));

    /// <summary>The outline of the minute hand pointing up, as the data of a path.</summary>
    public static string MinuteHand(FaceSize size) => SvgShapes.Path(FaceDrawing.MinuteHand(size));

    /// <summary>The numerals and the ticks of a large face.</summary>
    public static string Dial(Dial dial)
    {
        var svg = new StringBuilder();
        SvgShapes.Write(svg, FaceDrawing.DialShapes(FaceSize.Large, dial), Look);
        return svg.ToString();
    }

    private static string Look(Shape shape) => $"class=\"{shape.Style}\"";
}
