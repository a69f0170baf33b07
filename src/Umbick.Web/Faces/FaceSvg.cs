using System.Globalization;
using System.Net;
using System.Text;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Web.Faces;

/// <summary>
/// Draws faces as SVG: the one place where a clock becomes a picture. The middle is at 0,0 and the rim at 100; colours come from the style
/// sheet by class, so that a face prints and follows the tokens.
/// </summary>
public static class FaceSvg
{
    private const double Rim = 97;
    private const double NumeralsAt = 72;
    private const double MinutesAt = 113;

    private static readonly string[] Roman = ["", "I", "II", "III", "IIII", "V", "VI", "VII", "VIII", "IX", "X", "XI", "XII"];

    /// <summary>A face as a whole svg element.</summary>
    /// <param name="face">The face.</param>
    /// <param name="preferences">How faces look and times are said here.</param>
    public static string Draw(Face face, TeachingPreferences preferences)
    {
        var dial = preferences.Dial;
        var svg = new StringBuilder();
        var edge = HasMinuteNumbers(face, dial) ? 124 : 101;
        var name = face.Size.ToString().ToLowerInvariant();
        svg.Append(CultureInfo.InvariantCulture,
            $"<svg class=\"face face-{name} hands-{dial.Colours}{(face.Wrong ? " face-wrong" : "")}\" viewBox=\"{-edge} {-edge} {2 * edge} {2 * edge}\" ");
        svg.Append(face.Label is null ? "aria-hidden=\"true\">" : $"role=\"img\" aria-label=\"{WebUtility.HtmlEncode(face.Label)}\">");
        svg.Append(Invariant($"<circle class=\"face-ground\" r=\"{(face.Size == FaceSize.Mini ? 94 : Rim)}\"/>"));
        DrawSupport(svg, face, preferences.Wording);
        if (HasMinuteNumbers(face, dial)) DrawMinuteNumbers(svg, countsBack: face is { InWords: true, Support: Support.Full });
        if (face.Size != FaceSize.Mini) DrawDial(svg, face.Size, face.Blank ? dial with { Numerals = Numerals.None } : dial);
        if (face.Shadow is { } shadow) DrawHands(svg, shadow, face.Size, "shadow", face.Only);
        if (face.Hands is { } hands) DrawHands(svg, hands, face.Size, "true", face.Only);
        if (dial.SecondHand && face.Hands is not null && face.Size == FaceSize.Large)
            svg.Append("<path class=\"hand-second\" d=\"M0,-90 L0,20\"/>");
        if (face.Hands is not null || face.Shadow is not null)
            svg.Append(Invariant($"<circle class=\"face-pin\" r=\"{(face.Size == FaceSize.Large ? 5 : 6)}\"/>"));
        return svg.Append("</svg>").ToString();
    }

    /// <summary>
    /// How far the hour hand of a large face reaches, on a face whose rim is 97: where a hand is taken hold of goes by it.
    /// </summary>
    public const int HourHandReach = 54;

    /// <summary>The outline of the hour hand pointing up: short, broad, like a leaf.</summary>
    public static string HourHand(FaceSize size) => size switch
    {
        FaceSize.Mini => "M0,-52 L14,-24 L7,14 L-7,14 L-14,-24 Z",
        FaceSize.Middle => "M0,-54 L9,-30 L5.5,12 L-5.5,12 L-9,-30 Z",
        _ => $"M0,-{HourHandReach} L7.5,-33 L4,12 L-4,12 L-7.5,-33 Z",
    };

    /// <summary>The outline of the minute hand pointing up: long, slim, straight, reaching the ticks.</summary>
    public static string MinuteHand(FaceSize size) => size switch
    {
        FaceSize.Mini => "M0,-86 L6,-78 L6,14 L-6,14 L-6,-78 Z",
        FaceSize.Middle => "M0,-88 L3,-80 L3,14 L-3,14 L-3,-80 Z",
        _ => "M0,-88 L2.2,-80 L2.2,14 L-2.2,14 L-2.2,-80 Z",
    };

    /// <summary>The numerals and the ticks of a large face.</summary>
    public static string Dial(Dial dial)
    {
        var svg = new StringBuilder();
        DrawDial(svg, FaceSize.Large, dial);
        return svg.ToString();
    }

    /// <summary>What stands at an hour's place; null where nothing does.</summary>
    public static string? Numeral(int hour, Numerals numerals) => numerals switch
    {
        Numerals.Roman => Roman[hour],
        Numerals.Quarters when hour % 3 != 0 => null,
        Numerals.None => null,
        _ => hour.ToString(CultureInfo.InvariantCulture),
    };

    private static void DrawDial(StringBuilder svg, FaceSize size, Dial dial)
    {
        for (var minute = 0; minute < 60 && dial.Ticks != Ticks.None; minute++)
        {
            var numeral = minute % 5 == 0;
            if (!numeral && (size != FaceSize.Large || dial.Ticks == Ticks.Fives)) continue;
            var (x1, y1) = At(minute * 6, numeral ? 84 : 89);
            var (x2, y2) = At(minute * 6, 94);
            svg.Append(Invariant($"<line class=\"tick{(numeral ? " tick-numeral" : "")}\" x1=\"{x1:0.##}\" y1=\"{y1:0.##}\" x2=\"{x2:0.##}\" y2=\"{y2:0.##}\"/>"));
        }
        for (var hour = 1; hour <= 12; hour++)
        {
            if (Numeral(hour, dial.Numerals) is not { } text) continue;
            var (x, y) = At(hour * 30, NumeralsAt);
            svg.Append(Invariant($"<text class=\"numeral\" x=\"{x:0.##}\" y=\"{y:0.##}\">{text}</text>"));
        }
    }

    private static bool HasMinuteNumbers(Face face, Dial dial) => face.Size == FaceSize.Large && !face.Blank && dial.MinuteNumbers switch
    {
        MinuteNumbers.Always => true,
        MinuteNumbers.Never => false,
        _ => face.Support >= Support.Most,
    };

    /// <summary>
    /// The minutes at each numeral. Beside the halves for past and to the left side counts down where words are asked: 35 would be said as
    /// “35 past”. Where figures are asked 25 would be written as the minutes.
    /// </summary>
    private static void DrawMinuteNumbers(StringBuilder svg, bool countsBack)
    {
        for (var minute = 0; minute < 60; minute += 5)
        {
            var (x, y) = At(minute * 6, MinutesAt);
            var number = countsBack && minute > 30 ? 60 - minute : minute;
            svg.Append(Invariant($"<text class=\"minute-number\" x=\"{x:0.##}\" y=\"{y:0.##}\">{number}</text>"));
        }
    }

    private static void DrawSupport(StringBuilder svg, Face face, Wording wording)
    {
        if (face.Support == Support.Bare || face.Hands is not { } hands) return;
        if (face.Support == Support.Full)
        {
            svg.Append("<path class=\"half half-past\" d=\"M0,-82 A82,82 0 0 1 0,82 Z\"/><path class=\"half half-to\" d=\"M0,82 A82,82 0 "
                + "0 1 0,-82 Z\"/>");
            // Low in each half; where the short hand's space is there, high.
            var (past, to) = (IsIn(hands.Hour, 3, 6) ? -42 : 42, IsIn(hands.Hour, 6, 9) ? -42 : 42);
            svg.Append(Invariant($"<text class=\"half-word\" x=\"38\" y=\"{past}\">{wording.Past}</text><text class=\"half-word\" x=\"-38\" y=\"{to}\">{wording.To}</text>"));
        }
        // Without the short hand its space would be one more thing to wonder at.
        if (face.Only == OneHand.Minute) return;
        var passed = Math.Floor(hands.Hour + 1e-9);
        var (x1, y1) = At(passed * 30, 60);
        var (x2, y2) = At((passed + 1) * 30, 60);
        svg.Append(Invariant($"<path class=\"hour-space\" d=\"M0,0 L{x1:0.##},{y1:0.##} A60,60 0 0 1 {x2:0.##},{y2:0.##} Z\"/>"));
    }

    private static bool IsIn(double hour, int from, int to) => hour + 1e-9 >= from && hour + 1e-9 < to;

    private static void DrawHands(StringBuilder svg, HandPositions hands, FaceSize size, string whose, OneHand? only)
    {
        if (only != OneHand.Minute)
            svg.Append(Invariant($"<path class=\"hand hand-{whose} hand-hour\" d=\"{HourHand(size)}\" transform=\"rotate({hands.Hour * 30:0.##})\"/>"));
        if (only != OneHand.Hour)
            svg.Append(Invariant($"<path class=\"hand hand-{whose} hand-minute\" d=\"{MinuteHand(size)}\" transform=\"rotate({hands.Minute * 6:0.##})\"/>"));
    }

    private static (double X, double Y) At(double degrees, double radius)
    {
        var radians = degrees * Math.PI / 180;
        return (radius * Math.Sin(radians), -radius * Math.Cos(radians));
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
