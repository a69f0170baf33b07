using System.Globalization;
using System.Text;
using Umbick.Core.Clocks;

namespace Umbick.Drawing;

/// <summary>What can be laid over the big clock, each as a group of its own that is hidden until it is asked for.</summary>
public static class FaceOverlays
{
    private const double MinutesAt = 112;

    /// <summary>The overlays under the hands.</summary>
    public static string Draw(Wording wording)
    {
        var svg = new StringBuilder();
        svg.Append("<g data-overlay=\"space\"><path class=\"hour-space\" data-space d=\"M0,0 L0,-60 A60,60 0 0 1 30,-51.96 Z\"/></g>");
        svg.Append("<g data-overlay=\"halves\"><path class=\"half\" d=\"M0,-82 A82,82 0 0 1 0,82 Z\"/><path class=\"half\" d=\"M0,82 "
            + "A82,82 0 0 1 0,-82 Z\"/>");
        svg.Append(Invariant($"<text class=\"half-word\" x=\"38\" y=\"42\">{wording.Past}</text><text class=\"half-word\" x=\"-38\" y=\"42\">{wording.To}</text></g>"));
        svg.Append("<g data-overlay=\"quarters\"><path class=\"quarter\" d=\"M0,-94 L0,94 M-94,0 L94,0\"/>");
        foreach (var (words, x, y) in new[] { ("o’clock", 0, -46), ($"quarter {wording.Past}", 44, 4), ($"half {wording.Past}", 0, 52),
            ($"quarter {wording.To}", -44, 4) })
            svg.Append(Invariant($"<text class=\"half-word\" x=\"{x}\" y=\"{y}\">{words}</text>"));
        svg.Append("</g><g data-overlay=\"minutes\">");
        for (var minute = 0; minute < 60; minute += 5)
        {
            var (x, y) = (MinutesAt * Math.Sin(minute * Math.PI / 30), -MinutesAt * Math.Cos(minute * Math.PI / 30));
            svg.Append(Invariant($"<text class=\"minute-number\" data-minute=\"{minute}\" x=\"{x:0.##}\" y=\"{y:0.##}\">{minute}</text>"));
        }
        svg.Append("</g><g data-overlay=\"line\" aria-hidden=\"true\"><path class=\"number-line\" data-line/>");
        for (var minute = 0; minute <= 60; minute++)
        {
            svg.Append(Invariant($"<line class=\"tick\" data-line-tick=\"{minute}\"/>"));
            if (minute % 5 == 0) svg.Append(Invariant($"<text class=\"minute-number\" data-line-number=\"{minute}\">{minute}</text>"));
        }
        return svg.Append("</g>").ToString();
    }

    /// <summary>The day from midnight to midnight as a strip, with a marker that the hands move.</summary>
    public static string DayStrip()
    {
        var svg = new StringBuilder(
            "<svg class=\"day-strip\" viewBox=\"-6 0 252 26\" role=\"img\" aria-label=\"The day, from midnight to midnight\">");
        svg.Append("<rect class=\"day-night\" x=\"4\" y=\"4\" width=\"58\" height=\"10\"/><rect class=\"day-light\" x=\"62\" y=\"4\" "
            + "width=\"116\" height=\"10\"/><rect class=\"day-night\" x=\"178\" y=\"4\" width=\"58\" height=\"10\"/>");
        for (var hour = 0; hour <= 24; hour += 6)
            svg.Append(Invariant($"<text class=\"minute-number\" x=\"{4 + (hour * 232 / 24)}\" y=\"21\">{hour}</text>"));
        return svg.Append("<path class=\"day-marker\" data-day-marker d=\"M-4,0 L4,0 L0,9 Z\"/></svg>").ToString();
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
