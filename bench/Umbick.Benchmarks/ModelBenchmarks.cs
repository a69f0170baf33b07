using BenchmarkDotNet.Attributes;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Benchmarks;

/// <summary>What a teacher waits for: an answer folded in, the next item, a year replayed, a model made.</summary>
[MemoryDiagnoser]
public class ModelBenchmarks
{
    private readonly ReadingModel _model = new();
    private IReadOnlyList<Item> _bank = [];
    private Belief _atFirst = null!;
    private Belief _afterFive = null!;
    private ItemAnswer _answer = null!;
    private List<Item> _asked = [];
    private IReadOnlyList<SittingAnswers> _year = [];

    [GlobalSetup]
    public void Prepare()
    {
        _bank = ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain);
        foreach (var item in _bank) _ = _model.Predict(item, item.Task.Taken);
        _atFirst = new Belief(_model);
        var sitting = new AdaptiveSitting(_model, new Belief(_model), new SittingItems(_bank), seed: 1);
        var child = DrawnChild.With(2, new Random(1));
        for (var i = 0; i < 5; i++)
        {
            var item = sitting.Next()!.Item;
            sitting.Add(new ItemAnswer(item, item.Read(child.Answer(item)), item.Task.Taken));
        }
        _afterFive = sitting.Belief;
        _asked = [.. sitting.Answers.Select(answer => answer.Given.Item)];
        _answer = new ItemAnswer(new Item(ClockTasks.ReadWords, new ClockTime(6, 40)), AnswerParser.Parse("20 to 6"), AnswerMode.Said);
        var random = new Random(2);
        _year = [.. Enumerable.Range(0, 60).Select(week => new SittingAnswers(
            new DateOnly(2026, 1, 5).AddDays(6 * week),
            [.. Enumerable.Range(0, 10).Select(_ => _bank[random.Next(_bank.Count)])
                .Select(item => new ItemAnswer(item, item.Read(child.Answer(item)), item.Task.Taken))],
            []))];
    }

    [Benchmark(Description = "an answer folded in")]
    public void Fold() => _afterFive.Copy().Update(_answer);

    [Benchmark(Description = "the first item of a sitting's bank")]
    public NextItem? First() => new ItemChooser(_model).Choose(_atFirst, new SittingItems(_bank), [], 0);

    [Benchmark(Description = "the sixth item of a sitting's bank")]
    public NextItem? Sixth() => new ItemChooser(_model).Choose(_afterFive, new SittingItems(_bank), _asked, 3);

    [Benchmark(Description = "a year: 600 answers, 60 sittings")]
    public Replay Year() => Replay.Run(_model, _year);

    [Benchmark(Description = "a model made")]
    public ReadingModel Start() => new([.. _model.Patterns]);

    [Benchmark(Description = "all predictions of a bank, kept from then on")]
    public ReadingModel Predict()
    {
        var model = new ReadingModel();
        foreach (var item in _bank) _ = model.Predict(item, item.Task.Taken);
        return model;
    }
}

/// <summary>How the next item's cost grows with the number of items.</summary>
public class GrowthByItems
{
    private readonly ReadingModel _model = new();
    private IReadOnlyList<Item> _bank = [];
    private Belief _belief = null!;

    /// <summary>How many items there are to choose from.</summary>
    [Params(500, 2000, 8000)]
    public int Items { get; set; }

    [GlobalSetup]
    public void Prepare()
    {
        var random = new Random(1);
        _bank = [.. ItemBank.Upto(Stage.EveryMinute, ClockTasks.OnOneTime).OrderBy(_ => random.Next()).Take(Items)];
        _belief = new Belief(_model);
        _belief.Update(new ItemAnswer(new Item(ClockTasks.ReadDigital, new ClockTime(6, 20)), AnswerParser.Parse("7:20"), AnswerMode.Said));
        foreach (var item in _bank) _ = _model.Predict(item, item.Task.Taken);
    }

    [Benchmark(Description = "the next item")]
    public NextItem? Next() => new ItemChooser(_model).Choose(_belief, new SittingItems(_bank), [], 0);
}

/// <summary>How the next item's cost grows with the number of patterns.</summary>
public class GrowthByPatterns
{
    private ReadingModel _model = null!;
    private IReadOnlyList<Item> _bank = [];
    private Belief _belief = null!;

    /// <summary>How many patterns the model knows.</summary>
    [Params(8, 16, 33)]
    public int Patterns { get; set; }

    [GlobalSetup]
    public void Prepare()
    {
        var all = new ReadingModel().Patterns;
        _model = new ReadingModel([.. all.Where((_, i) => i * Patterns / all.Count != (i - 1) * Patterns / all.Count || i == 0)]);
        _bank = ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain);
        _belief = new Belief(_model);
        foreach (var item in _bank) _ = _model.Predict(item, item.Task.Taken);
    }

    [Benchmark(Description = "the next item")]
    public NextItem? Next() => new ItemChooser(_model).Choose(_belief, new SittingItems(_bank), [], 0);
}
