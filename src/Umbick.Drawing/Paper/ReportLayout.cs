using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>A line of a report on paper.</summary>
/// <param name="Heading">Its heading.</param>
/// <param name="Text">Its text.</param>
/// <param name="Clock">The clock beside it; null for none.</param>
/// <param name="Colds">Cold starts under it: the day, how many came right, of how many, and whether it is a recheck.</param>
public sealed record PaperReportLine(
    string Heading, string Text, ClockTime? Clock, IReadOnlyList<(DateOnly Day, int Right, int Asked, bool IsRecheck)> Colds);

/// <summary>A report on paper: a heading, and line under line; a clock stands beside what it shows.</summary>
/// <param name="size">The paper.</param>
/// <param name="drawn">How clocks are drawn.</param>
public sealed class ReportLayout(PaperSize size, TeachingPreferences drawn)
{
    private const double LineHeight = 5.6, HeadingHeight = 7, Gap = 5, ClockRadius = 17, Square = 4.2;

    /// <summary>Lays it out.</summary>
    /// <param name="title">What stands above it.</param>
    /// <param name="about">Whom it is about, and when it was written.</param>
    /// <param name="lines">Its lines.</param>
    public IReadOnlyList<PaperPage> Pages(string title, string about, IReadOnlyList<PaperReportLine> lines)
    {
        List<PaperPage> pages = [];
        List<Shape> shapes =
            [new Text("title", PaperSize.Margin, 20, title), new Text("name", PaperSize.Margin, 29, about)];
        var y = 40.0;
        foreach (var line in lines)
        {
            var width = size.Width - (2 * PaperSize.Margin) - (line.Clock is null ? 0 : (2 * ClockRadius) + 8);
            var text = line.Text.Split('\n').SelectMany(part => TextWidth.Lines(part, "answer", width)).ToList();
            var height = Math.Max(HeadingHeight + (text.Count * LineHeight) + (line.Colds.Count > 0 ? ColdsHeight(line) : 0),
                line.Clock is null ? 0 : (2 * ClockRadius) + 2) + Gap;
            if (y + height > size.Height - PaperSize.Margin)
            {
                pages.Add(new PaperPage(size, shapes, title));
                (shapes, y) = ([], 22);
            }
            if (line.Clock is { } time)
            {
                shapes.Add(new Group(size.Width - PaperSize.Margin - ClockRadius, y + ClockRadius - 4, ClockRadius / FaceDrawing.Rim,
                    FaceDrawing.Shapes(new Face(FaceSize.Large) { Hands = HandPositions.Showing(time) }, drawn)));
            }
            shapes.Add(new Text("heading", PaperSize.Margin, y, line.Heading));
            shapes.AddRange(text.Select((words, i) =>
                new Text("answer", PaperSize.Margin, y + HeadingHeight + (i * LineHeight), words)));
            shapes.AddRange(Colds(line, y + HeadingHeight + (text.Count * LineHeight)));
            y += height;
        }
        pages.Add(new PaperPage(size, shapes, title));
        return pages;
    }

    private static double ColdsHeight(PaperReportLine line) => 6 + (Square * line.Colds.Max(cold => cold.Asked));

    /// <summary>
    /// A column a cold start: a full square for each that came right, an empty one for each that did not; rechecks are underlined.
    /// </summary>
    private static IEnumerable<Shape> Colds(PaperReportLine line, double top)
    {
        foreach (var (cold, i) in line.Colds.Select((cold, i) => (cold, i)))
        {
            var (x, bottom) = (PaperSize.Margin + (i * 14.0), top + (Square * line.Colds.Max(each => each.Asked)) - 3);
            for (var place = 0; place < cold.Asked; place++)
            {
                yield return new Box(place < cold.Right ? "dot" : "tick-box", x, bottom - ((place + 1) * Square), Square - 0.6,
                    Square - 0.6);
            }
            if (cold.IsRecheck) yield return new Line("rule", x, bottom + 0.4, x + Square - 0.6, bottom + 0.4);
            yield return new Text("small", x, bottom + 5, cold.Day.ToString("d MMM", CultureInfo.InvariantCulture));
        }
    }
}
