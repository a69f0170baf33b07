using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

/// <summary>What a cold start asks.</summary>
public sealed class ColdStartTests
{
    private static readonly ReadingModel Model = new();

    [Fact]
    public void Four_tell_one_by_setting_where_the_pattern_shows_there_and_the_last_comes_right()
    {
        foreach (var (pattern, seed) in from pattern in Model.Patterns from seed in Enumerable.Range(0, 5) select (pattern, seed))
        {
            var held = HeldPattern.Plain(Model, pattern);
            var items = ColdStart.Make(held, Stage.FiveMinutesTo, _ => true, seed);
            Assert.Equal(ColdStart.Telling + 1, items.Count);
            Assert.Equal(items.Count, items.Select(item => (item.Task, item.Time)).Distinct().Count());
            Assert.Equal(items.Index().Select(item => held.IsTelling(item.Item)),
                items.Index().Select(item => ColdStart.IsTelling(item.Index + 1, items.Count)));
            Assert.All(items.Take(ColdStart.Telling),
                item => Assert.True(held.IsTelling(item), $"{pattern.Id} {item.Task.Id} {item.Time}"));
            Assert.False(held.IsTelling(items[^1]), pattern.Id);
            var canSet = ItemBank.ForSitting(SetMaker.StageFor(new SetRequest(held, Stage.FiveMinutesTo, Support.Bare, 1)),
                [ClockTasks.SetFromDigital]).Any(held.IsTelling);
            Assert.True(!canSet || pattern.Step is Step.Fractions or Step.PastOrTo or Step.Writing
                || items.Any(item => item.Task.Form == AnswerForm.Hands), pattern.Id);
        }
    }

    [Theory]
    [InlineData(4, "exactly on the 4")]
    [InlineData(4.04, "exactly on the 4")]
    [InlineData(4.33, "a little past the 4")]
    [InlineData(4.5, "halfway between the 4 and the 5")]
    [InlineData(4.75, "past the 4, nearly at the 5")]
    [InlineData(11.97, "exactly on the 12")]
    [InlineData(0.2, "a little past the 12")]
    public void A_short_hand_is_told_as_a_clock_is(double hour, string told) => Assert.Equal(told, HandsInWords.Short(hour));

    [Fact]
    public void Two_cold_starts_ask_other_times()
    {
        var held = HeldPattern.Plain(Model, Catalogue.Find("next-hour")!);
        var (each, two) = (ColdStart.Make(held, Stage.FiveMinutesTo, _ => true, 1),
            ColdStart.Make(held, Stage.FiveMinutesTo, _ => true, 2));
        Assert.NotEqual(each, two);
        Assert.Equal(each, ColdStart.Make(held, Stage.FiveMinutesTo, _ => true, 1));
    }
}
