using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>
/// Lays sheets out: three to a row, three rows to a page, or two where a question needs more height. Faces are 45 mm across; what has
/// several clocks takes a row of its own.
/// </summary>
/// <param name="size">The paper.</param>
public sealed class SheetLayout(PaperSize size)
{
    private const double Top = 25, Gap = 3, RowsOf = 3;
    private const int Columns = 3;

    private readonly double _wide = size.Width - (2 * PaperSize.Margin);

    private double Column => (_wide - ((Columns - 1) * Gap)) / Columns;

    private double Bottom => size.Height - PaperSize.Margin;

    /// <summary>The pages of a sheet.</summary>
    public IReadOnlyList<PaperPage> Pages(PaperSheet sheet)
    {
        var rows = Rows(sheet).ToList();
        List<List<SheetRow>> pages = [[]];
        foreach (var row in rows)
        {
            if (pages[^1].Count > 0 && pages[^1].Sum(before => before.Height + Gap) + row.Height > Bottom - Top) pages.Add([]);
            pages[^1].Add(row);
        }
        return [.. pages.Select((page, i) => Page(sheet, page, i + 1, pages.Count))];
    }

    /// <summary>A page for the grown-up: every question with its answer.</summary>
    public PaperPage Answers(PaperSheet sheet)
    {
        List<Shape> shapes = [.. Heading(sheet, $"{PaperSheet.Title}: the answers")];
        var (half, perColumn) = (_wide / 2, (sheet.Items.Count + 1) / 2);
        var height = Math.Min(24, (Bottom - Top) / perColumn);
        foreach (var ((item, _), i) in sheet.Items.Select((item, i) => (item, i)))
        {
            var (x, y) = (PaperSize.Margin + (i / perColumn * half), Top + (i % perColumn * height));
            shapes.Add(new Text("number", x, y + 6, $"{i + 1}."));
            if (FaceOf(item) is { } face)
                shapes.Add(new Group(x + 20, y + (height / 2), (height - 3) / 2 / 101, FaceDrawing.Shapes(face, sheet.Preferences)));
            var lines = TextWidth.Lines(FaceInWords.Right(item, sheet.Preferences.Wording), "answer", half - 36);
            foreach (var (line, below) in lines.Take(3).Select((line, below) => (line, below)))
                shapes.Add(new Text("answer", x + 34, y + 6 + (below * 5), line));
        }
        return new PaperPage(size, shapes, "The answers, for the grown-up");
    }

    private static Face? FaceOf(Item item) => item is { OtherSkill: null, Clocks.Count: 0 } && item.Task.Form != AnswerForm.Several
        ? new Face(FaceSize.Middle) { Hands = Core.Clocks.HandPositions.Showing(item.Time) } : null;

    private PaperPage Page(PaperSheet sheet, List<SheetRow> rows, int number, int count)
    {
        List<Shape> shapes = [.. Heading(sheet, PaperSheet.Title)];
        var y = Top;
        foreach (var row in rows)
        {
            foreach (var (cell, x) in row.Cells) shapes.Add(new Group(x, y, 1, cell.Draw(row.Height)));
            y += row.Height + Gap;
        }
        if (count > 1) shapes.Add(new Text("small-middle", size.Width / 2, size.Height - (PaperSize.Margin / 2), $"{number} of {count}"));
        return new PaperPage(size, shapes,
            $"{PaperSheet.Title}{(sheet.Alias is null ? "" : $" for {sheet.Alias}")}, page {number} of {count}");
    }

    private IEnumerable<Shape> Heading(PaperSheet sheet, string title)
    {
        var (left, right, line) = (PaperSize.Margin, size.Width - PaperSize.Margin, PaperSize.Margin + 9);
        yield return new Text("title", left, line - 1, sheet.Form is null ? title : $"{title} {sheet.Form}");
        var name = left + TextWidth.Of($"{title} {sheet.Form}", "title") + 6;
        yield return new Text("name", name, line - 1, sheet.Alias ?? "Name");
        if (sheet.Alias is null) yield return new Line("write", name + 13, line, name + 50, line);
        var date = name + (sheet.Alias is null ? 54 : TextWidth.Of(sheet.Alias, "name") + 8);
        yield return new Text("name", date, line - 1, "Date");
        yield return new Line("write", date + 11, line, Math.Min(date + 36, right - 52), line);
        if (sheet.Code is { } code)
        {
            yield return new Text("code", right - 18, line - 1, code);
            yield return QrShape.From(code, right - 16, PaperSize.Margin - 4, 16);
        }
        yield return new Line("rule", left, line + 3.5, right, line + 3.5);
    }

    private IEnumerable<SheetRow> Rows(PaperSheet sheet)
    {
        var cells = sheet.Items.Select((item, i) => new SheetCell(item.Item, item.Support, i + 1, sheet.Preferences, Column, Gap)).ToList();
        // Rows alike in height look made; a page's rows are as high as a third of it, where that is enough.
        var third = (Bottom - Top - ((RowsOf - 1) * Gap)) / RowsOf;
        List<(SheetCell, double)> row = [];
        var used = 0;
        foreach (var cell in cells)
        {
            if (used + cell.Columns > Columns)
            {
                yield return Row();
                (row, used) = ([], 0);
            }
            row.Add((cell, PaperSize.Margin + (used * (Column + Gap))));
            used += cell.Columns;
        }
        if (row.Count > 0) yield return Row();

        SheetRow Row() => new(row, Math.Max(third, row.Max(placed => placed.Item1.Height)));
    }

    private sealed record SheetRow(IReadOnlyList<(SheetCell Cell, double X)> Cells, double Height);
}
