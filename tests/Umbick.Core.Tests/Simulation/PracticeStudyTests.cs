using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>Sets tried out on learners whose way of learning is stated.</summary>
public sealed class PracticeStudyTests
{
    private static readonly ReadingModel Model = new();

    [Theory]
    [InlineData("half-names-next")]
    [InlineData("nearest-hour")]
    [InlineData("to-as-past")]
    public void Who_learns_from_contrast_masters_a_pattern_in_fewer_items_by_the_maker_s_sets(string id)
    {
        var held = HeldPattern.Plain(Model, Catalogue.Find(id)!);
        double Mean(bool made) =>
            Enumerable.Range(0, 12).Average(seed =>
                PracticeStudy.ItemsToMastery(held, Stage.FiveMinutesTo, LearningRates.FromContrast, made, seed));
        var (made, random) = (Mean(made: true), Mean(made: false));
        Assert.True(made < 0.8 * random, $"{made} items by sets, {random} at random");
        Assert.InRange(made, 16, PracticeStudy.Most);
    }

    [Fact]
    public void A_pattern_grows_weaker_by_a_contrast_most_and_firmer_where_it_comes_right()
    {
        var held = HeldPattern.Plain(Model, Catalogue.Find("next-hour")!);
        Item At(int hour, int minute) => new(ClockTasks.ReadDigital, new ClockTime(hour, minute));
        double After(params Item[] items)
        {
            var learner = new Learner(held, LearningRates.FromContrast, new Random(1));
            foreach (var item in items) learner.Meets(item);
            return learner.Strength;
        }
        var (alone, contrast) = (After(At(3, 20)), After(At(8, 0), At(8, 20)));
        Assert.True(contrast < alone, $"{contrast} after a contrast, {alone} after one alone");
        Assert.Null(new Learner(held, LearningRates.FromEach, new Random(1)).Meets(At(8, 0)));
        Assert.True(After(At(3, 20), At(5, 0)) > alone, "what comes right by the pattern confirms it");
    }
}
