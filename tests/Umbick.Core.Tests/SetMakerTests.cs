using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

public sealed class SetMakerTests
{
    private static readonly ReadingModel Model = new();
    private static readonly SetMaker Maker = new(Model);

    private static readonly Gen<(Pattern Pattern, Stage Stage, int Seed, int Length)> Orders = Gen.Select(
        OneOf.These([.. Catalogue.All.Where(pattern => Steps.OfReading.Contains(pattern.Step))]), OneOf.These([.. Stages.OfReading]), Gen.Int[0, 1000], Gen.Int[SetMaker.Shortest, SetMaker.Longest]);

    [Fact]
    public void A_set_has_its_length_repeats_no_task_and_time_and_ends_on_two_bare_ones() => Orders.Sample(order =>
    {
        var set = Maker.Make(order.Pattern, order.Stage, Support.Full, order.Seed, order.Length);
        var bare = set.Items.TakeLast(2).ToList();
        return set.Items.Count == order.Length
            && set.Items.Select(item => (item.Item.Task, item.Item.Time)).Distinct().Count() == order.Length
            && bare.TrueForAll(item => item.Support == Support.Bare && item.Part == SetPart.Bare && PatternItems.IsTelling(Model, order.Pattern, item.Item))
            && set.Items.All(item => item.Why.EndsWith('.') || item.Why.EndsWith('?'));
    });

    [Fact]
    public void In_a_contrast_pair_the_pattern_comes_right_first_and_then_does_not() => Orders.Sample(order =>
    {
        var set = Maker.Make(order.Pattern, order.Stage, Support.Full, order.Seed, order.Length);
        var task = PatternItems.TaskFor(order.Pattern);
        return set.Items.Where(item => item.Item.Task == task && item.Part is SetPart.Agree or SetPart.Differ)
            .All(item => item.Item.Task != task || PatternItems.IsTelling(Model, order.Pattern, item.Item) == (item.Part == SetPart.Differ));
    });

    [Fact]
    public void Support_never_grows_within_a_set() => Orders.Sample(order =>
        Maker.Make(order.Pattern, order.Stage, Support.Full, order.Seed, order.Length).Items
            .Select(item => item.Support).Pairwise().All(pair => pair.Later <= pair.Earlier));

    [Fact]
    public void A_set_asks_only_what_the_child_has_met_beside_the_task_of_its_pattern() => Orders.Sample(order =>
    {
        ClockTask[] met = [ClockTasks.ReadDigital, ClockTasks.HourOnly, PatternItems.TaskFor(order.Pattern)];
        var set = new SetMaker(Model, inUse: met.Contains).Make(order.Pattern, order.Stage, Support.Full, order.Seed, order.Length);
        return set.Items.Count == order.Length && set.Items.All(item => met.Contains(item.Item.Task));
    });

    [Theory]
    [InlineData(Stage.Parts, 12)]
    [InlineData(Stage.OClock, 12)]
    [InlineData(Stage.QuarterTo, 12)]
    [InlineData(Stage.EveryMinute, 12)]
    public void A_set_for_reading_at_ease_is_bare_and_has_only_what_is_taught(Stage stage, int length)
    {
        var set = new EaseSet(task => task == ClockTasks.ReadDigital).Make(stage, seed: 3);
        Assert.Null(set.Pattern);
        Assert.Equal(length, set.Items.Select(item => item.Item).Distinct().Count());
        Assert.All(set.Items, item => Assert.Equal((ClockTasks.ReadDigital, Support.Bare, SetPart.Ease), (item.Item.Task, item.Support, item.Part)));
        Assert.All(set.Items, item => Assert.True(item.Item.Time.Minute == 0 || stage.Has(item.Item.Time.Minute)));
        Assert.Equal(set.Items, new EaseSet(task => task == ClockTasks.ReadDigital).Make(stage, seed: 3).Items);
    }

    [Fact]
    public void The_same_seed_makes_the_same_set() => Orders.Sample(order =>
        Maker.Make(order.Pattern, order.Stage, Support.Most, order.Seed).Items
            .SequenceEqual(Maker.Make(order.Pattern, order.Stage, Support.Most, order.Seed).Items));

    [Fact]
    public void The_judge_shows_the_pattern_s_own_answer()
    {
        var set = Maker.Make(Catalogue.Find("next-hour")!, Stage.FiveMinutesTo, Support.Most, 1);
        var judge = set.Items.Single(item => item.Item.Task == ClockTasks.Judge).Item;
        Assert.Equal(new DigitalAnswer(Hours.After(judge.Time.Hour), judge.Time.Minute, 2), judge.Claim);
        Assert.False(Scoring.IsRight(judge, new SaidRight(), AnswerMode.Chosen, Stage.FiveMinutesTo));
        Assert.True(Scoring.IsRight(judge, judge.Right, AnswerMode.Written, Stage.FiveMinutesTo));
        Assert.Contains(set.Items, item => item.Item.Time.Hour == 12);
    }

    [Theory]
    [InlineData(Support.Most, 0.9, Support.Some)]
    [InlineData(Support.Most, 0.6, Support.Most)]
    [InlineData(Support.Most, 0.4, Support.Full)]
    [InlineData(Support.Full, 0.1, Support.Full)]
    [InlineData(Support.Bare, 1.0, Support.Bare)]
    public void The_next_set_starts_with(Support last, double right, Support next) => Assert.Equal(next, Fading.Next(last, right));

    [Theory]
    [InlineData("6:20", "6.33|20", true)]
    [InlineData("6:20", "6.5|20", true)]
    [InlineData("6:20", "6.6|20", false)]
    [InlineData("6:20", "6.33|22", false)]
    [InlineData("6:20", "|20", false)]
    [InlineData("6:20", "6.33|", false)]
    [InlineData("12:50", "0.83|50", true)]
    [InlineData("12:00", "11.95|0", true)]
    [InlineData("12:00", "11.8|0", false)]
    public void Hands_are_right_near_their_place(string time, string raw, bool right) =>
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.SetFromDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw), AnswerMode.Placed, Stage.FiveMinutesPast));

    [Theory]
    [InlineData("6:30", "6.85|30", true)]
    [InlineData("6:30", "6|30", false)]
    [InlineData("12:30", "0.05|30", false)]
    public void Before_five_minute_times_the_right_space_is_enough(string time, string raw, bool right) =>
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.SetFromDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw), AnswerMode.Placed, Stage.HalfPast));

    [Theory]
    [InlineData("read-digital", "9:05", "9:05", AnswerMode.Written, true)]
    [InlineData("read-digital", "9:05", "9:5", AnswerMode.Written, false)]
    [InlineData("read-digital", "9:05", "9:5", AnswerMode.Said, true)]
    [InlineData("read-digital", "6:40", "twenty to seven", AnswerMode.Said, true)]
    [InlineData("read-words", "6:40", "6:40", AnswerMode.Said, true)]
    [InlineData("read-words", "6:40", "40 to 7", AnswerMode.Said, false)]
    [InlineData("words-to-digital", "6:40", "twenty to seven", AnswerMode.Written, false)]
    [InlineData("words-to-digital", "6:40", "ok", AnswerMode.Said, true)]
    [InlineData("read-digital", "6:40", "?", AnswerMode.Said, false)]
    public void Figures_and_words_are_right(string task, string time, string raw, AnswerMode mode, bool right) =>
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw), mode, Stage.EveryMinute));
}

internal static class Neighbours
{
    public static IEnumerable<(T Earlier, T Later)> Pairwise<T>(this IEnumerable<T> items) => items.Zip(items.Skip(1));
}
