using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;
using Umbick.Training;

namespace Umbick.Core.Tests;

/// <summary>The catalogue was read twice, by two hands: here the two are held against each other.</summary>
public sealed class SecondReadingTests
{
    private static readonly ReadingModel Model = new();

    public static TheoryData<string> Reading => new(Model.Patterns.Select(pattern => pattern.Id));

    [Theory]
    [MemberData(nameof(Reading))]
    public void Both_readings_answer_alike_at_every_time_and_task(string id)
    {
        var pattern = Catalogue.Find(id)!;
        var choices = Enumerable.Range(0, Model.Space.At(pattern.Step).Count)
            .Where(i => Model.Space.At(pattern.Step)[i].Patterns is [var only] && only == pattern).ToList();
        Assert.Equal((pattern.BenchmarksMayBeRight ? 2 : 1) + pattern.Variants.Count, choices.Count);
        foreach (var item in ItemBank.ForSitting(Stage.EveryMinute, TrainingPatterns.Tasks))
        {
            for (var variant = 0; variant < choices.Count - pattern.Variants.Count; variant++)
                AssertAlike(item, Model.Space.With(0, pattern.Step, choices[variant]), new HashSet<string> { id },
                    benchmarks: variant == 1);
        }
    }

    [Fact]
    public void Both_readings_answer_alike_to_two_and_three_patterns_together()
    {
        var items = ItemBank.ForSitting(Stage.EveryMinute, TrainingPatterns.Tasks);
        Gen.Select(Gen.Int[2, 3], Gen.Int[0, 100_000], Gen.Int[0, items.Count - 1]).Sample(
            (count, seed, place) =>
            {
                var ids = DrawnChild.With(count, new Random(seed)).Patterns;
                AssertAlike(items[place], Model.Space.PlaceOf(ids.Select(id => Catalogue.Find(id)!)), ids, benchmarks: false);
            },
            iter: 3000);
    }

    [Fact]
    public void A_child_without_patterns_is_right_everywhere()
    {
        foreach (var item in ItemBank.ForSitting(Stage.EveryMinute, TrainingPatterns.Tasks))
        {
            var (answer, share) = Assert.Single(
                SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, new HashSet<string>(), false));
            Assert.Equal(1, share, 9);
            Assert.True(Scoring.IsRight(item, item.Read(answer), item.Task.Taken, Stage.EveryMinute),
                $"{item.Task.Id} {item.Given}: {answer}");
        }
    }

    [Fact]
    public void No_odd_way_is_a_pattern_of_the_catalogue()
    {
        Assert.InRange(UnlistedReading.All.Count, 6, 20);
        var times = ClockTime.All().Where(time => time.Minute is 7 or 20 or 35 or 53).ToList();
        foreach (var odd in UnlistedReading.All)
        {
            foreach (var pattern in Model.Patterns)
            {
                Assert.Contains(times, time =>
                    !SecondReading.Answers("read-digital", time.Hour, time.Minute, new HashSet<string> { pattern.Id }, false)
                    .Any(outcome => outcome.Answer == Wording.Usual.Digital(odd.Reads(ClockTasks.ReadDigital, time))));
            }
        }
    }

    private static void AssertAlike(Item item, int procedure, IReadOnlySet<string> ids, bool benchmarks)
    {
        var prediction = Model.Predict(item, item.Task.Taken);
        var engine = prediction.AnswersOf(prediction.SubSpace.PartOf(procedure)).Where(answer => answer.Share > 1e-9)
            .ToDictionary(answer => answer.Answer, answer => answer.Share);
        // Hands that are near enough are right, whatever put them there.
        var second = SecondReading.Answers(item.Task.Id, item.Time.Hour, item.Time.Minute, ids, benchmarks)
            .GroupBy(outcome => prediction.AsPredicted(item.Read(outcome.Answer))).ToDictionary(same => same.Key,
            same => same.Sum(outcome => outcome.Share));
        var differ = engine.Keys.Union(second.Keys)
            .Where(answer => Math.Abs(engine.GetValueOrDefault(answer) - second.GetValueOrDefault(answer)) > 1e-6).ToList();
        Assert.True(differ.Count == 0,
            $"{string.Join("+", ids)} {(benchmarks ? "(benchmarks) " : "")}at {item.Task.Id} {item.Given}: engine {InWords(engine)}, "
                + $"second reading {InWords(second)}");
    }

    private static string InWords(Dictionary<Answer, double> answers) =>
        string.Join(", ", answers.Select(answer => $"{answer.Key.Short(Wording.Usual)} {answer.Value:0.###}"));
}
