using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Umbick.Drawing;

/// <summary>Writes pages as PDF: vectors, and of the font what is used.</summary>
public static class PdfWriter
{
    private const double PointsPerMillimetre = 72 / 25.4;

    /// <summary>Writes pages.</summary>
    /// <param name="pages">The pages.</param>
    /// <param name="title">What the file says of itself. It names no child.</param>
    public static byte[] Write(IEnumerable<PaperPage> pages, string title)
    {
        using var document = new PdfDocument();
        document.Info.Title = title;
        document.Info.Creator = "Umbick";
        foreach (var page in pages)
        {
            var sheet = document.AddPage();
            (sheet.Width, sheet.Height) = (XUnit.FromMillimeter(page.Size.Width), XUnit.FromMillimeter(page.Size.Height));
            using var graphics = XGraphics.FromPdfPage(sheet);
            graphics.ScaleTransform(PointsPerMillimetre);
            foreach (var shape in page.Shapes) Draw(graphics, shape);
        }
        using var file = new MemoryStream();
        document.Save(file, closeStream: false);
        return file.ToArray();
    }

    private static void Draw(XGraphics graphics, Shape shape)
    {
        if (shape is Group group)
        {
            var before = graphics.Save();
            graphics.TranslateTransform(group.X, group.Y);
            graphics.RotateTransform(group.Turned);
            graphics.ScaleTransform(group.Scale);
            foreach (var part in group.Shapes) Draw(graphics, part);
            graphics.Restore(before);
            return;
        }
        var ink = Ink.For(shape.Style);
        switch (shape)
        {
            case Line line:
                graphics.DrawLine(Pen(ink)!, line.FromX, line.FromY, line.ToX, line.ToY);
                break;
            case Disc disc:
                Both(ink, (pen, brush) => graphics.DrawEllipse(pen, brush, disc.X - disc.Radius, disc.Y - disc.Radius, 2 * disc.Radius,
                    2 * disc.Radius));
                break;
            case Box box:
                Both(ink, (pen, brush) => graphics.DrawRectangle(pen, brush, box.X, box.Y, box.Width, box.Height));
                break;
            case Sector sector:
                Both(ink, (pen, brush) => graphics.DrawPie(pen, brush, -sector.Radius, -sector.Radius, 2 * sector.Radius, 2 * sector.Radius,
                    sector.From - 90, sector.Sweep));
                break;
            case Outline outline:
                var before = graphics.Save();
                graphics.RotateTransform(outline.Turned);
                var corners = outline.Corners.Select(corner => new XPoint(corner.X, corner.Y)).ToArray();
                Both(ink, (pen, brush) => graphics.DrawPolygon(pen, brush, corners, XFillMode.Winding));
                graphics.Restore(before);
                break;
            case Text text:
                graphics.DrawString(text.Words, Fonts.In(ink.Size, ink.Bold), Brush(ink)!, text.X, text.Y, ink.At switch
                {
                    TextAt.Start => XStringFormats.BaseLineLeft,
                    TextAt.Middle => XStringFormats.BaseLineCenter,
                    TextAt.End => XStringFormats.BaseLineRight,
                    _ => XStringFormats.Center,
                });
                break;
        }
    }

    /// <summary>Draws a shape's line and its inside, the one that lies under the other first.</summary>
    private static void Both(Ink ink, Action<XPen?, XBrush?> draw)
    {
        var (pen, brush) = (Pen(ink), Brush(ink));
        if (ink.StrokeUnder)
        {
            draw(pen, null);
            draw(null, brush);
        }
        else draw(pen, brush);
    }

    private static XPen? Pen(Ink ink)
    {
        if (ink.Stroke is not { } colour) return null;
        var pen = new XPen(Colour(colour), ink.Width) { LineJoin = XLineJoin.Round };
        if (ink.Dash > 0) pen.DashPattern = [ink.Dash / ink.Width, ink.Dash / ink.Width];
        return pen;
    }

    private static XSolidBrush? Brush(Ink ink) => ink.Fill is { } colour ? new XSolidBrush(Colour(colour)) : null;

    private static XColor Colour(string colour) =>
        XColor.FromArgb(Convert.ToInt32(colour[1..3], 16), Convert.ToInt32(colour[3..5], 16), Convert.ToInt32(colour[5..7], 16));
}
