using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>A thing to print and make.</summary>
/// <param name="Id">What it is called in addresses.</param>
/// <param name="Name">What it is.</param>
/// <param name="About">What it is for, and how it is made.</param>
/// <param name="Pages">Its pages, on some paper, as clocks are drawn and said here.</param>
public sealed record ThingToMake(
    string Id, string Name, string About, Func<PaperSize, TeachingPreferences, IReadOnlyList<PaperPage>> Pages);

/// <summary>What can be printed beside sheets. To add a thing, add an entry.</summary>
public static class ThingsToMake
{
    /// <summary>How wide the clock to cut out is, in millimetres.</summary>
    public const double CutOutAcross = 160;

    /// <summary>What is left at the end of a strip for glue, in millimetres.</summary>
    public const double Tab = 8;

    private const double Scale = CutOutAcross / 2 / FaceDrawing.Rim;

    private static readonly ClockTime Example = new(7, 40);

    /// <summary>All of them.</summary>
    public static IReadOnlyList<ThingToMake> All { get; } =
    [
        new("face", "One large blank face", "To draw hands on.", (size, drawn) => [Blank(size, drawn, 1, 1)]),
        new("faces-4", "Four blank faces", "To draw hands on, with a line for the time.", (size, drawn) => [Blank(size, drawn, 2, 2)]),
        new("faces-9", "Nine blank faces", "To draw hands on, with a line for the time.", (size, drawn) => [Blank(size, drawn, 3, 3)]),
        new("cut-out", "A clock to cut out", "16 cm across. Print at 100 %. Cut out the face, both hands and the hour’s space; a paper "
            + "fastener goes through the marks.", (size, drawn) => [Dial(size, drawn), Hands(size, drawn)]),
        new("strip", "The strip 0 to 60", "It bends round the clock to cut out: twelve numbers become sixty minutes. Print at 100 %, cut "
            + "out both halves and glue them together.", (size, _) => [Strip(size)]),
        new("mat", "A wipe mat", "Put it in a clear sleeve: hands and times are wiped off again.", (size, drawn) => [Mat(size, drawn)]),
        new("floor", "Numbers for a clock on the floor", "Twelve numerals and twelve cards with the minutes.", (size, _) => Floor(size)),
        new("chart", "A chart to look back at", "One clock, read step by step in your own words.", (size, drawn) => [Chart(size, drawn)]),
    ];

    /// <summary>The thing with this id; null where there is none.</summary>
    public static ThingToMake? Find(string? id) => All.FirstOrDefault(thing => thing.Id == id);

    private static PaperPage Blank(PaperSize size, TeachingPreferences drawn, int columns, int rows)
    {
        List<Shape> shapes = [];
        var (wide, high) = ((size.Width - (2 * PaperSize.Margin)) / columns, (size.Height - (2 * PaperSize.Margin)) / rows);
        var radius = (Math.Min(wide, high - (columns == 1 ? 0 : 16)) / 2) - 4;
        for (var i = 0; i < columns * rows; i++)
        {
            var x = PaperSize.Margin + ((i % columns + 0.5) * wide);
            var y = PaperSize.Margin + ((i / columns + 0.5) * high) - (columns == 1 ? 0 : 6);
            shapes.Add(Face(x, y, radius, drawn));
            if (columns > 1) shapes.Add(new Line("write", x - (radius * 0.7), y + radius + 11, x + (radius * 0.7), y + radius + 11));
        }
        return new PaperPage(size, shapes, columns == 1 ? "One blank face" : $"{columns * rows} blank faces");
    }

    private static Group Face(double x, double y, double radius, TeachingPreferences drawn) =>
        new(x, y, radius / FaceDrawing.Rim, FaceDrawing.Shapes(new Face(FaceSize.Large), drawn));

    private static PaperPage Dial(PaperSize size, TeachingPreferences drawn)
    {
        var (x, y) = (size.Width / 2, 30 + (CutOutAcross / 2));
        return new PaperPage(size,
        [
            new Text("heading", PaperSize.Margin, 18, "A clock to cut out: the face"),
            Face(x, y, CutOutAcross / 2, drawn),
            new Disc("cut", x, y, (CutOutAcross / 2) + 2),
            new Disc("pin", x, y, 1.5),
            new Text("small-middle", x, y + (CutOutAcross / 2) + 12, "Cut along the dashes. A paper fastener goes through the middle."),
        ], "The face to cut out, 16 cm across");
    }

    private static PaperPage Hands(PaperSize size, TeachingPreferences drawn)
    {
        List<Shape> shapes = [new Text("heading", PaperSize.Margin, 18, "A clock to cut out: the hands and the hour’s space")];
        // The hands lie on their sides; cut out, they are as long as those of the face.
        Hand(FaceDrawing.HourHand(FaceSize.Middle), 45, "The short hand: the hour");
        Hand(FaceDrawing.MinuteHand(FaceSize.Middle), 85, "The long hand: the minutes");
        var (x, y) = (PaperSize.Margin + 50, 195.0);
        shapes.Add(new Group(x, y, 1, [new Sector("overlay", CutOutAcross / 2 * 0.62, 0, 30), new Disc("pin", 0, 0, 1.5)]));
        shapes.Add(new Text("name", x + 36, y - 40, "The hour’s space: while the short hand is in it,"));
        shapes.Add(new Text("name", x + 36, y - 34, "it is still the hour that it has passed."));
        return new PaperPage(size, shapes, "The hands to cut out, and the hour’s space");

        void Hand(IReadOnlyList<(double X, double Y)> corners, double at, string name)
        {
            // Broader than drawn, so that it can be cut.
            var broad = corners.Select(corner => (corner.X * 1.6 * Scale, corner.Y * Scale)).ToList();
            shapes.Add(new Text("name", PaperSize.Margin, at - 14, name));
            shapes.Add(new Group(PaperSize.Margin + 20, at, 1, [new Outline("hand hand-cut", broad, 90), new Disc("pin", 0, 0, 1.5)]));
        }
    }

    private static PaperPage Strip(PaperSize size)
    {
        var across = size.Across;
        var half = Math.PI * CutOutAcross / 2;
        List<Shape> shapes = [new Text("heading", PaperSize.Margin, 18, "The strip 0 to 60: it bends round the clock to cut out")];
        var left = (across.Width - half - Tab) / 2;
        for (var part = 0; part < 2; part++)
        {
            var top = 45.0 + (part * 60);
            shapes.Add(new Box("edge", left, top, half, 26));
            if (part == 0)
            {
                shapes.Add(new Box("cut", left + half, top, Tab, 26));
                shapes.Add(new Text("small-middle", left + half + (Tab / 2), top + 14, "glue"));
            }
            for (var minute = part * 30; minute <= (part * 30) + 30; minute++)
            {
                var x = left + ((minute - (part * 30)) * half / 30);
                shapes.Add(new Line("write", x, top, x, top + (minute % 5 == 0 ? 9 : 5)));
                if (minute % 5 != 0) continue;
                // The ends would be cut through.
                var inside = minute % 30 != 0 ? 0 : minute == part * 30 ? 5 : -5;
                shapes.Add(new Text("strip-number", x + inside, top + 18, minute.ToString(CultureInfo.InvariantCulture)));
            }
        }
        return new PaperPage(across, shapes, "A strip of sixty minutes in two halves");
    }

    private static PaperPage Mat(PaperSize size, TeachingPreferences drawn)
    {
        var (x, radius) = (size.Width / 2, 80.0);
        var y = PaperSize.Margin + radius + 8;
        var line = y + radius + 32;
        return new PaperPage(size,
        [
            Face(x, y, radius, drawn),
            new Line("write", x - 32, line, x - 6, line), new Text("large", x, line - 1, $"{drawn.Wording.Mark}"),
            new Line("write", x + 6, line, x + 32, line),
            new Line("write", 25, line + 28, x - 24, line + 28),
            new Text("large", x, line + 27, $"{drawn.Wording.Past} / {drawn.Wording.To}"),
            new Line("write", x + 24, line + 28, size.Width - 25, line + 28),
        ], "A wipe mat: a large face, and lines for the time in figures and in words");
    }

    private static IReadOnlyList<PaperPage> Floor(PaperSize size)
    {
        var numerals = Enumerable.Range(1, 12).Select(hour => $"{hour}").ToList();
        var minutes = Enumerable.Range(0, 12).Select(five => $"{five * 5}").ToList();
        return [.. numerals.Chunk(6).Select(six => Cards(six, "Numerals")), .. minutes.Chunk(6).Select(six => Cards(six, "Minutes"))];

        PaperPage Cards(IReadOnlyList<string> numbers, string name)
        {
            var (wide, high) = ((size.Width - (2 * PaperSize.Margin)) / 2, (size.Height - (2 * PaperSize.Margin)) / 3);
            return new PaperPage(size,
            [
                .. numbers.SelectMany((number, i) =>
                {
                    var (x, y) = (PaperSize.Margin + (i % 2 * wide), PaperSize.Margin + (i / 2 * high));
                    return new Shape[] { new Box("cut", x, y, wide, high), new Text("card", x + (wide / 2), y + (high / 2), number) };
                }),
            ], $"{name} for the floor: {string.Join(", ", numbers)}");
        }
    }

    private static PaperPage Chart(PaperSize size, TeachingPreferences drawn)
    {
        var (x, radius) = (size.Width / 2, 62.0);
        var item = new Item(ClockTasks.ReadWords, Example);
        List<Shape> shapes =
        [
            new Text("title", PaperSize.Margin, 20, "How to read a clock"),
            new Group(x, 32 + radius, radius / FaceDrawing.Rim, FaceDrawing.Shapes(
                new Face(FaceSize.Large) { Hands = HandPositions.Showing(Example), Support = Support.Some }, drawn)),
        ];
        var y = 32 + (2 * radius) + 16;
        var steps = FaceInWords.For(item, null, drawn).Append(drawn.Wording.Digital(Example));
        foreach (var (step, i) in steps.Select((step, i) => (step, i)))
        {
            shapes.Add(new Text("heading", PaperSize.Margin + 4, y, $"{i + 1}."));
            foreach (var line in TextWidth.Lines(step, "heading-plain", size.Width - (2 * PaperSize.Margin) - 16))
            {
                shapes.Add(new Text("heading-plain", PaperSize.Margin + 14, y, line));
                y += 8;
            }
            y += 5;
        }
        return new PaperPage(size, shapes, "A chart: one clock, read step by step");
    }
}
