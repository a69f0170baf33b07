using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Tests;

/// <summary>A sitting as a good teacher asks it: it rises, asks what every sitting asks, and differs from the next one.</summary>
public sealed class SittingTests
{
    private static readonly ReadingModel Model = new();

    /// <summary>A child who is always right, asked at three stages by twelve seeds.</summary>
    private static readonly IReadOnlyList<(Stage Stage, List<List<Item>> Sittings)> Right =
    [
        .. new[] { Stage.HalfPast, Stage.FiveMinutesPast, Stage.EveryMinute }.Select(stage =>
            (stage, Enumerable.Range(0, 12).Select(seed => Asked(stage, seed, item => item.Right)).ToList())),
    ];

    [Fact]
    public void It_rises_over_the_first_five_and_ends_on_what_comes_right()
    {
        Assert.All(Right.SelectMany(stage => stage.Sittings), items =>
        {
            Assert.DoesNotContain(items.Take(4), item => item.Time.Minute % 5 != 0);
            Assert.NotEqual(AnswerForm.Hands, items[1].Task.Form);
            Assert.InRange(items[^1].Time.Minute % 30, 0, 0);
        });
        var levels = Enumerable.Range(0, 5).Select(place => Right[2].Sittings.Average(items =>
            (int)Stages.FirstWith(items[place].Time.Minute))).ToList();
        Assert.True(levels[4] > levels[2] && levels[2] > levels[0], string.Join(", ", levels));
    }

    [Fact]
    public void What_every_sitting_asks_is_asked_where_the_stage_has_it() => Assert.All(Right[2].Sittings, items =>
    {
        Assert.True(items.Count(HandsLieClose) >= 2, "close hands");
        Assert.True(items.Count(IsSetting) >= 2, "settings");
        Assert.Contains(items, item => IsSetting(item) && item.Time.Minute <= 12);
        Assert.Contains(items, item => item.Task.ShowsClock && item.Time.Minute == 0);
        Assert.Contains(items, item => item.Time.Hour == 12);
        Assert.InRange(items.Count(item => !item.Task.ShowsClock && item.Task.Form != AnswerForm.Hands), 0, 2);
    });

    [Fact]
    public void Sittings_differ_in_tasks_and_minutes() => Assert.All(Right, stage => Assert.All(
        Enumerable.Range(1, 11),
        place => Assert.InRange(
            stage.Sittings.GroupBy(items => (items[place].Task, items[place].Time.Minute)).Max(same => same.Count()),
            1, stage.Stage == Stage.HalfPast ? 9 : 7)));

    /// <summary>All right so far: two clocks of the next stage, from the sixth on.</summary>
    [Fact]
    public void Who_has_all_right_is_asked_two_of_what_is_not_taught_yet()
    {
        Assert.All(Right[0].Sittings, items =>
        {
            Assert.Equal(2, items.Count(item => !Stage.HalfPast.Has(item.Time.Minute)));
            Assert.True(items.FindIndex(item => !Stage.HalfPast.Has(item.Time.Minute)) >= ModelParameters.BeyondFrom);
        });
        var wrong = Asked(Stage.HalfPast, 3, item => item.Time.Minute == 30 ? DigitalAnswer.Showing(item.Time.Plus(60)) : item.Right);
        Assert.All(wrong, item => Assert.True(Stage.HalfPast.Has(item.Time.Minute)));
    }

    /// <summary>Who errs only while the hands lie close is asked of more of those; who errs elsewhere too is not.</summary>
    [Fact]
    public void Where_only_close_hands_go_wrong_more_of_them_are_asked()
    {
        Answer Swapped(Item item) => DigitalAnswer.Showing(item.Time.Plus(65));
        var close = Enumerable.Range(0, 6).Select(seed =>
            Asked(Stage.EveryMinute, seed, item => HandsLieClose(item) ? Swapped(item) : item.Right)).ToList();
        var nowhere = Enumerable.Range(0, 6).Select(seed =>
            Asked(Stage.EveryMinute, seed, item => item.Task.ShowsClock ? Swapped(item) : item.Right)).ToList();
        Assert.All(close, items => Assert.InRange(items.Count(HandsLieClose), 4, 12));
        Assert.True(close.Average(items => items.Count(HandsLieClose)) > nowhere.Average(items => items.Count(HandsLieClose)) + 1);
    }

    [Fact]
    public void After_three_wrong_ones_an_easy_one_comes()
    {
        var items = new SittingItems(ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain));
        var sitting = new AdaptiveSitting(Model, new Belief(Model), items, 1);
        for (var wrong = 0; wrong < ModelParameters.WrongRunningMuch; wrong++)
        {
            var item = sitting.Next()!.Item;
            sitting.Add(new ItemAnswer(item, DigitalAnswer.Showing(item.Time.Plus(155)), item.Task.Taken));
        }
        var next = sitting.Next()!;
        Assert.InRange(Stages.FirstWith(next.Item.Time.Minute), Stage.OClock, Stage.HalfPast);
        Assert.StartsWith("An easy one", next.Why, StringComparison.Ordinal);
    }

    /// <summary>What no clock of the stage parts is called as a pair; the first one that can parts it.</summary>
    [Fact]
    public void Look_alikes_that_nothing_taught_parts_are_called_as_a_pair_and_parted_later()
    {
        ItemAnswer[] halves =
        [
            .. new[] { 4, 9, 1, 8 }.Select(hour => Said($"{hour}:30", $"{hour + 1}:30")),
            // Heard, half past is understood rightly: it is the hand that is misread.
            new(new Item(ClockTasks.WordsToDigital, new ClockTime(6, 30)), AnswerParser.Parse("6:30"), AnswerMode.Written),
        ];
        var called = Assert.Single(Concluded(halves, Stage.HalfPast).Likely);
        Assert.Equal(["next-hour", "nearest-hour"], called.Pattern.Either);
        Assert.Equal("Pip reads half past with the coming hour: the coming one or the nearest.",
            called.Pattern.TextsIn(Wording.Usual).FindingOf("Pip"));
        // With quarters in reach it waits for one of them.
        Assert.Empty(Concluded(halves, Stage.QuarterPast).Likely);
        Assert.Equal("next-hour", Assert.Single(Concluded([.. halves, Said("7:15", "8:15"), Said("2:15", "3:15")], Stage.QuarterPast)
            .Likely).Pattern.Id);
        Assert.True(Reach.At(Model, Stage.QuarterPast).Parts(Catalogue.Find("next-hour")!, Catalogue.Find("nearest-hour")!));
    }

    [Fact]
    public void A_pair_is_practised_and_shown_as_its_first() => Assert.All(Catalogue.Pairs, pair =>
    {
        var held = Practice.HeldPattern.Plain(Model, pair);
        Assert.Contains(ItemBank.Upto(Stage.HalfPast, [Practice.PracticeTasks.For(pair)]), held.IsTelling);
        Assert.NotEmpty(Teaching.Demonstration.Offered(pair, []));
        Assert.All(pair.Either, id => Assert.NotNull(Catalogue.Find(id)));
        var set = new Practice.SetMaker().Make(new(held, Stage.HalfPast, Support.Most, 1));
        Assert.Equal(pair, set.Pattern);
    });

    [Theory]
    [InlineData("w w w r r r", "at first, and later no more")]
    [InlineData("r r r w w w", "not at first, only later")]
    [InlineData("w r w r w r", "about every second time")]
    [InlineData("w w w w", null)]
    [InlineData("w r r w w r w", null)]
    public void How_a_pattern_comes_and_goes_is_told_beside_it(string outcomes, string? told)
    {
        var answers = outcomes.Split(' ').Select((outcome, place) =>
        {
            var item = new Item(ClockTasks.ReadDigital, new ClockTime(place + 3, place % 2 == 0 ? 20 : 40));
            var given = new ItemAnswer(item, DigitalAnswer.Showing(outcome == "w" ? item.Time.Plus(60) : item.Time), AnswerMode.Said);
            return new TellingAnswer(place, given, given.Answer, outcome == "w" ? TellingOutcome.ItsWay : TellingOutcome.Right);
        }).ToList();
        Assert.Equal(told, Manner.InWords(new Evidence(Catalogue.Find("next-hour")!, answers, [])));
    }

    /// <summary>The coming hour is told from the nearest by early times, never by a half that may be either.</summary>
    [Fact]
    public void Coming_and_nearest_are_parted_by_early_times_wherever_that_is_advised()
    {
        var explained = new Explainer(Model).Explain(Said("6:40", "7:40"));
        Assert.Equal(2, explained.Explanations.Count);
        Assert.All(explained.Explanations, explanation => Assert.InRange(explanation.Next!.Time.Minute, 5, 20));
        var (coming, nearest) = (Catalogue.Find("next-hour")!, Catalogue.Find("nearest-hour")!);
        foreach (var (pattern, other) in new[] { (coming, nearest), (nearest, coming) })
            Assert.InRange(Practice.TellingApart.Find(Model, pattern, other)!.Item.Time.Minute, 5, 20);
    }

    [Theory]
    [InlineData("7 half 40", 7.5, 40.0)]
    [InlineData("half 7 40", 7.5, 40.0)]
    [InlineData("halfway 7 @8", 7.5, 40.0)]
    [InlineData("on 7 @6", 7.0, 30.0)]
    [InlineData("7 6", 7.0, 6.0)]
    [InlineData("7 @6", 7.0, 30.0)]
    [InlineData("nearly 8 40", 7.8, 40.0)]
    [InlineData("j7 40", 7.2, 40.0)]
    [InlineData("o12@11", 0.0, 55.0)]
    [InlineData("h7@6", 7.5, 30.0)]
    [InlineData("n8@8", 7.8, 40.0)]
    [InlineData("8 nearly 40", 7.8, 40.0)]
    [InlineData("Just past 7 10", 7.2, 10.0)]
    [InlineData("7 past @2", 7.2, 10.0)]
    [InlineData("nearly 1 @12", 0.8, 0.0)]
    [InlineData("half 12 @6+2", 0.5, 32.0)]
    [InlineData("7+ @2", 7.2, 10.0)]
    [InlineData("7-8 30", 7.5, 30.0)]
    [InlineData("8- 55", 7.8, 55.0)]
    [InlineData("7.5|40", 7.5, 40.0)]
    [InlineData("7-9 30", null, null)]
    [InlineData("13 6", null, null)]
    [InlineData("on 7 60", null, null)]
    [InlineData("on 7 @13", null, null)]
    [InlineData("half 7", null, null)]
    public void Both_hands_are_noted_as_they_are_said(string typed, double? hour, double? minute)
    {
        var read = new Item(ClockTasks.SetFromDigital, new ClockTime(7, 30)).Read(typed) as PlacedAnswer;
        Assert.Equal(hour, read?.Hour is { } at ? Math.Round(at, 3) : null);
        Assert.Equal(minute, read?.Minute);
    }

    /// <summary>Whoever picks the option that is most like the others is right in a third at most.</summary>
    [Fact]
    public void Choices_do_not_give_themselves_away()
    {
        var distractors = new Distractors(Model);
        var given = new List<double>();
        foreach (var task in new[] { ClockTasks.ChooseTime, ClockTasks.ChooseClock })
        {
            for (var seed = 0; seed < 60; seed++)
            {
                var time = new ClockTime((seed % 12) + 1, (seed * 5 % 60));
                var item = distractors.With(new Item(task, time), 4, seed);
                if (item.Choices.Count == 4)
                    given.Add(Distractors.RightByLikeness(time,
                        [.. item.Choices.Select(choice => choice.Meaning!.Value).Where(other => other != time)]));
            }
        }
        Assert.True(given.Count > 60, $"{given.Count}");
        Assert.InRange(given.Average(), 0, 0.35);
    }

    /// <summary>A little more than a numeral apart, at most, and no o'clock.</summary>
    private static bool HandsLieClose(Item item)
    {
        var apart = Math.Abs((item.Time.Hour * 5 % 60) + (item.Time.Minute / 12.0) - item.Time.Minute);
        return item.Task.ShowsClock && item.Time.Minute != 0 && Math.Min(apart, 60 - apart) <= 6;
    }

    private static bool IsSetting(Item item) => item.Task == ClockTasks.SetFromDigital || item.Task == ClockTasks.SetFromWords;

    private static List<Item> Asked(Stage stage, int seed, Func<Item, Answer> answer)
    {
        var items = new SittingItems(ItemBank.ForSitting(stage, ClockTasks.Plain)) { Beyond = ItemBank.Beyond(stage, ClockTasks.Plain) };
        var sitting = new AdaptiveSitting(Model, new Belief(Model), items, seed);
        while (sitting.Answers.Count < SittingItems.UsualLength)
        {
            var item = sitting.Next()!.Item;
            sitting.Add(new ItemAnswer(item, answer(item), item.Task.Taken, Helped: !stage.Has(item.Time.Minute)));
        }
        return [.. sitting.Answers.Select(given => given.Given.Item)];
    }

    private static ItemAnswer Said(string shown, string answer) =>
        new(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(shown)!.Value), AnswerParser.Parse(answer), AnswerMode.Said);

    private static Conclusion Concluded(IReadOnlyList<ItemAnswer> answers, Stage stage)
    {
        var belief = new Belief(Model);
        foreach (var answer in answers) belief.Update(answer);
        return Conclusion.From(Model, belief, ObservedAnswer.All(Model, answers), reach: Reach.At(Model, stage));
    }
}
