using UglyToad.PdfPig;
using UglyToad.PdfPig.Content;
using UglyToad.PdfPig.Graphics;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using ZXing;
using ZXing.Common;
using ZXing.QrCode;

namespace Umbick.Drawing.Tests;

/// <summary>What is printed, read back from the file: true to size, with its own clocks and code, on both papers.</summary>
public sealed class PaperTests
{
    private const double Millimetre = 72 / 25.4;
    private const string Code = "BCD KLMNP";

    private static readonly ReadingModel Model = new();

    public static TheoryData<string> Papers => [.. PaperSize.All.Select(size => size.Id)];

    public static TheoryData<string> Things => [.. ThingsToMake.All.Select(thing => thing.Id)];

    private static PaperSheet Sheet(IReadOnlyList<Item> items) =>
        new([.. items.Select(item => (item, Support.Bare))], TeachingPreferences.Usual) { Code = Code, Alias = "Kestrel" };

    private static PaperSheet PracticeSheet(string pattern) => Sheet([.. new SetMaker()
        .Make(new SetRequest(HeldPattern.Plain(Model, Core.Patterns.Catalogue.Find(pattern)!), Stage.FiveMinutesTo, Support.Bare, 7))
        .Items.Select(item => item.Item)]);

    private static PdfDocument Read(IEnumerable<PaperPage> pages) => PdfDocument.Open(PdfWriter.Write(pages, PaperSheet.Title));

    private static string TextOf(Page page) => string.Join(' ', page.GetWords().Select(word => word.Text));

    private static IEnumerable<(double Width, double Height, PdfPath Path)> Drawn(Page page) => page.Paths
        .Select(path => (Path: path, Bounds: path.GetBoundingRectangle())).Where(path => path.Bounds is not null)
        .Select(path => (path.Bounds!.Value.Width / Millimetre, path.Bounds.Value.Height / Millimetre, path.Path));

    private static IReadOnlyList<double> Rounds(Page page) =>
        [.. Drawn(page).Where(path => path.Width > 20 && Math.Abs(path.Width - path.Height) < 0.1).Select(path => path.Width)];

    [Theory]
    [MemberData(nameof(Papers))]
    public void A_practice_sheet_has_its_clocks_its_code_and_no_pattern(string paper)
    {
        var (size, sheet) = (PaperSize.Find(paper), PracticeSheet("next-hour"));
        using var file = Read(new SheetLayout(size).Pages(sheet));
        Assert.All(file.GetPages(), page =>
        {
            Assert.Equal(size.Width, page.Width / Millimetre, 0.1);
            Assert.Equal(size.Height, page.Height / Millimetre, 0.1);
            Assert.Contains(Code, TextOf(page), StringComparison.Ordinal);
            Assert.Contains("Kestrel", TextOf(page), StringComparison.Ordinal);
            Assert.Equal(Code, CodeOn(page));
            Assert.All(Rounds(page), across => Assert.True(across >= 45, $"{across} mm"));
        });
        var told = string.Join(' ', file.GetPages().Select(TextOf));
        foreach (var (item, _) in sheet.Items)
            Assert.Contains(item.AskOnPaper(Wording.Usual).Split(' ')[^1], told, StringComparison.Ordinal);
        var texts = Core.Patterns.Catalogue.Find("next-hour")!.TextsIn(Wording.Usual);
        Assert.DoesNotContain(texts.Reads, told, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain(texts.Practise, told, StringComparison.OrdinalIgnoreCase);
        Assert.Equal(sheet.Items.Count(item => AnswerBoxes.BoxFor(item.Item) == AnswerBox.Hands || item.Item.Task.ShowsClock),
            file.GetPages().Sum(page => Rounds(page).Count));
    }

    [Theory]
    [MemberData(nameof(Papers))]
    public void Eight_stand_on_one_page_and_fonts_are_embedded_as_subsets(string paper)
    {
        var bytes = PdfWriter.Write(new SheetLayout(PaperSize.Find(paper)).Pages(PracticeSheet("hands-swapped")), PaperSheet.Title);
        using var file = PdfDocument.Open(bytes);
        Assert.Equal(1, file.NumberOfPages);
        Assert.All(file.GetPage(1).Letters, letter => Assert.Matches("^[A-Z]{6}\\+Andika", letter.FontName));
        Assert.True(bytes.Length < 120_000, $"{bytes.Length} bytes");
    }

    /// <summary>Every way of asking fits its page on both papers, and nothing of it is cut off.</summary>
    [Theory]
    [MemberData(nameof(Papers))]
    public void Every_task_fits_on_paper(string paper)
    {
        var size = PaperSize.Find(paper);
        foreach (var task in ClockTasks.All)
        {
            var items = new OneOfEach(Model).Make([.. Enumerable.Repeat(task, 9)], Stage.FiveMinutesTo, seed: 3, onScreen: false)
                .Where(item => !item.IsOnlyAloud).ToList();
            using var file = Read(new SheetLayout(size).Pages(Sheet(items)));
            foreach (var page in file.GetPages())
            {
                Assert.All(page.Letters, letter =>
                {
                    Assert.True(letter.BoundingBox.Left >= 5 * Millimetre && letter.BoundingBox.Right <= page.Width - (5 * Millimetre),
                        $"{task.Id}: “{letter.Value}” of {TextOf(page)}");
                    Assert.True(letter.BoundingBox.Bottom >= 3 * Millimetre, $"{task.Id}: “{letter.Value}”");
                });
                Assert.All(Rounds(page), across => Assert.True(across >= 45, $"{task.Id}: {across} mm"));
            }
        }
    }

    [Fact]
    public void The_answers_stand_on_a_page_of_their_own()
    {
        var sheet = PracticeSheet("to-as-past");
        using var file = Read([new SheetLayout(PaperSize.A4).Answers(sheet)]);
        var told = TextOf(file.GetPage(1));
        Assert.All(sheet.Items, item => Assert.Contains(FaceInWords.Right(item.Item, Wording.Usual), told, StringComparison.Ordinal));
    }

    /// <summary>The strip bends round the face: its halves together are as long as the face is round.</summary>
    [Theory]
    [MemberData(nameof(Papers))]
    public void The_strip_is_as_long_as_the_clock_to_cut_out_is_round(string paper)
    {
        var size = PaperSize.Find(paper);
        using var strip = Read(ThingsToMake.Find("strip")!.Pages(size, TeachingPreferences.Usual));
        using var face = Read(ThingsToMake.Find("cut-out")!.Pages(size, TeachingPreferences.Usual));
        var across = Rounds(face.GetPage(1)).Where(round => round < ThingsToMake.CutOutAcross + 3).Min();
        var halves = Drawn(strip.GetPage(1)).Where(path => path.Width > 200 && path.Height is > 20 and < 30).ToList();
        Assert.Equal(2, halves.Count);
        Assert.Equal(across * Math.PI, halves.Sum(half => half.Width), 0.3);
        Assert.True(halves.Max(half => half.Width) + ThingsToMake.Tab < (strip.GetPage(1).Width / Millimetre) - 8);
    }

    [Theory]
    [MemberData(nameof(Things))]
    public void Each_thing_to_make_fits_both_papers(string id)
    {
        foreach (var size in PaperSize.All)
        {
            using var file = Read(ThingsToMake.Find(id)!.Pages(size, TeachingPreferences.Usual));
            foreach (var page in file.GetPages())
            {
                Assert.NotEmpty(page.Paths);
                Assert.All(page.Paths.Select(path => path.GetBoundingRectangle()).Where(bounds => bounds is not null), bounds =>
                {
                    Assert.True(bounds!.Value.Left >= 5 * Millimetre && bounds.Value.Right <= page.Width - (5 * Millimetre), id);
                    Assert.True(bounds.Value.Bottom >= 5 * Millimetre && bounds.Value.Top <= page.Height - (5 * Millimetre), id);
                });
            }
        }
    }

    /// <summary>However long its lines are, a report stays on its paper, and its cold starts are drawn square by square.</summary>
    [Theory]
    [MemberData(nameof(Papers))]
    public void A_report_stays_on_its_pages_with_its_clock_and_its_cold_starts(string paper)
    {
        var long_ = string.Join(' ', Enumerable.Repeat("Fennel takes the hour that is coming.", 30));
        var lines = Enumerable.Range(1, 8).Select(i => new PaperReportLine($"Line {i}", long_, i == 2 ? new ClockTime(4, 50) : null,
            i == 3 ? [.. Enumerable.Range(0, 7).Select(day => (new DateOnly(2026, 3, 2).AddDays(7 * day), day % 5, 4, day > 4))] : []))
            .ToList();
        using var file = Read(new ReportLayout(PaperSize.Find(paper), TeachingPreferences.Usual).Pages("Reading clocks", "Fennel", lines));
        Assert.True(file.NumberOfPages > 1);
        var told = string.Join(' ', file.GetPages().Select(TextOf));
        Assert.All(lines, line => Assert.Contains(line.Heading, told, StringComparison.Ordinal));
        Assert.Equal(8 * 30, told.Split("Fennel takes").Length - 1);
        Assert.Equal(34, Assert.Single(file.GetPages().SelectMany(Rounds)), 0.5);
        // 0, 1, 2, 3, 4, 0 and 1 right of four; the last two are rechecks.
        Assert.Equal(7 * 4, file.GetPages().SelectMany(Drawn).Count(path => path.Width is > 3 and < 4 && path.Height is > 3 and < 4));
        Assert.All(file.GetPages().SelectMany(page => page.Letters.Select(letter => (page, letter))), each =>
        {
            Assert.True(each.letter.BoundingBox.Right <= each.page.Width - (5 * Millimetre), each.letter.Value);
            Assert.True(each.letter.BoundingBox.Bottom >= 5 * Millimetre, each.letter.Value);
        });
    }

    /// <summary>The hands of the clock to cut out tell themselves apart by length and by form.</summary>
    [Fact]
    public void The_hands_to_cut_out_differ_in_length_and_in_form()
    {
        using var file = Read(ThingsToMake.Find("cut-out")!.Pages(PaperSize.A4, TeachingPreferences.Usual));
        var hands = Drawn(file.GetPage(2)).Where(path => path.Width > 40 && path.Height < 30).OrderBy(path => path.Width).ToList();
        Assert.Equal(2, hands.Count);
        Assert.True(hands[1].Width > hands[0].Width * 1.4, "the long hand is longer");
        Assert.True(hands[0].Height > hands[1].Height * 2, "the short hand is broader");
    }

    [Fact]
    public void What_is_seen_is_what_is_printed()
    {
        var page = new SheetLayout(PaperSize.A4).Pages(PracticeSheet("next-hour"))[0];
        var svg = SvgPage.Write(page);
        using var file = Read([page]);
        Assert.All(file.GetPage(1).GetWords().Where(word => word.Text.All(char.IsLetter)),
            word => Assert.Contains(word.Text, svg, StringComparison.Ordinal));
        Assert.DoesNotContain("style=", svg, StringComparison.Ordinal);
    }

    /// <summary>The code of a page, as a camera reads it: its squares are put on a grid again.</summary>
    private static string? CodeOn(Page page)
    {
        var squares = page.Paths.Where(path => path.IsFilled).Select(path => path.GetBoundingRectangle()!.Value)
            .Where(bounds => bounds.Height is > 0.5 and < 2 && bounds.Left > page.Width - (30 * Millimetre)).ToList();
        var side = squares.Min(square => square.Height);
        var (left, top) = (squares.Min(square => square.Left), squares.Max(square => square.Top));
        var count = (int)Math.Round((squares.Max(square => square.Right) - left) / side);
        const int Quiet = 4, Zoom = 4;
        var across = (count + (2 * Quiet)) * Zoom;
        var light = Enumerable.Repeat((byte)255, across * across).ToArray();
        foreach (var square in squares)
        {
            var (column, row) = ((int)Math.Round((square.Left - left) / side), (int)Math.Round((top - square.Top) / side));
            var length = (int)Math.Round(square.Width / side);
            for (var y = 0; y < Zoom; y++)
                Array.Fill(light, (byte)0, ((((row + Quiet) * Zoom) + y) * across) + ((column + Quiet) * Zoom), length * Zoom);
        }
        var source = new RGBLuminanceSource(light, across, across, RGBLuminanceSource.BitmapFormat.Gray8);
        return new QRCodeReader().decode(new BinaryBitmap(new HybridBinarizer(source)))?.Text;
    }
}
