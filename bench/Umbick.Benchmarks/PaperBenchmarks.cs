using BenchmarkDotNet.Attributes;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Drawing;

namespace Umbick.Benchmarks;

/// <summary>Thirty sheets with thirty lists in one file, as a class's pile is printed.</summary>
[MemoryDiagnoser]
public class PaperBenchmarks
{
    private const int Children = 30;

    private IReadOnlyList<PaperSheet> _sheets = [];

    [GlobalSetup]
    public void Prepare()
    {
        var model = new ReadingModel();
        var patterns = model.Patterns.Where(pattern => Steps.OfReading.Contains(pattern.Step)).ToList();
        _sheets = [.. Enumerable.Range(0, Children).Select(child =>
        {
            var held = HeldPattern.Plain(model, patterns[child % patterns.Count]);
            var items = new SetMaker().Make(
                new SetRequest(held, Stage.FiveMinutesTo, Support.Bare, child) { OnPaper = true }).Items;
            return new PaperSheet([.. items.Select(item => (item.Item, item.Support))], TeachingPreferences.Usual)
            {
                Code = "BCD KLMNP",
                Alias = $"Child {child + 1}",
            };
        })];
    }

    [Benchmark(Description = "thirty sheets in one PDF")]
    public byte[] Write() => PdfWriter.Write(
        _sheets.SelectMany(sheet => new SheetLayout(PaperSize.A4).Pages(sheet).Append(new SheetLayout(PaperSize.A4).Answers(sheet))),
        PaperSheet.Title);
}
