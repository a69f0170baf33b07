using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

/// <summary>What every practice set keeps to, whatever it is for; and the six that teachers gave, in kind.</summary>
public sealed class SetMakerTests
{
    /// <summary>How many sets each law is tried on: some thousands in all.</summary>
    private const int Sets = 300;

    private static readonly ReadingModel Model = new();

    private static readonly Gen<SetRequest> Orders = Gen.Select(
        OneOf.These([.. Model.Patterns]), OneOf.These([.. Stages.OfReading]), Gen.Int[0, 1000],
        Gen.Int[SetRequest.Shortest, SetRequest.Longest],
        (pattern, stage, seed, length) => new SetRequest(HeldPattern.Plain(Model, pattern), stage, Support.Full, seed) { Length = length });

    private static PracticeSet Made(SetRequest order) => new SetMaker().Make(order);

    [Fact]
    public void A_set_has_its_length_and_asks_nothing_twice() => Orders.Sample(order =>
    {
        var items = Made(order).Items;
        return items.Count == order.Length && items.Select(item => (item.Item.Task, item.Item.Time)).Distinct().Count() == order.Length;
    }, iter: Sets);

    [Fact]
    public void The_last_two_are_bare_and_tell_and_help_never_grows() => Orders.Sample(order =>
    {
        var items = Made(order).Items;
        return items.TakeLast(2).All(item => item.Support == Support.Bare && order.Held.IsTelling(item.Item) == item.Part.IsTelling())
            && order.Held.IsTelling(items[^1].Item)
            && items.Select(item => item.Support).Pairwise().All(pair => pair.Later <= pair.Earlier);
    }, iter: Sets);

    [Fact]
    public void A_pair_parts_the_pattern_from_the_right_reading_on_two_clocks_as_near_as_it_allows() => Orders.Sample(order =>
    {
        var items = Made(order).Items;
        return items.Pairwise().Where(pair => pair.Earlier.Part == SetPart.Agree).All(pair =>
            pair.Later.Part == SetPart.Differ && Parts(order, pair.Earlier.Item, pair.Later.Item)
                && IsMinimal(order, pair.Earlier.Item, pair.Later.Item));
    }, iter: Sets);

    private static bool Parts(SetRequest order, Item agree, Item differ) => !order.Held.IsTelling(agree) && order.Held.IsTelling(differ);

    /// <summary>
    /// The same task, and no nearer pair is left; another task only where no time of the same would do, or for halves and quarters, to
    /// begin on a face.
    /// </summary>
    private static bool IsMinimal(SetRequest order, Item agree, Item differ) => agree.Task == differ.Task
        ? PairDistance.Between(agree, differ) <= LeftToPair(order, differ.Task).DefaultIfEmpty(360).Min() + 0.001
        : agree.Time == differ.Time
        && (order.Held.Pattern.Step == Step.Fractions ? agree.Task.ShowsClock : !LeftToPair(order, differ.Task).Any());

    /// <summary>How far apart the pairs of a task are that could be made of what the set has not used.</summary>
    private static IEnumerable<double> LeftToPair(SetRequest order, ClockTask task)
    {
        var used = Made(order).Items.Select(item => (item.Item.Task, item.Item.Time)).ToHashSet();
        var open = ItemBank.ForSitting(SetMaker.StageFor(order), [task]).Where(item => !used.Contains((item.Task, item.Time))).ToList();
        return from differ in open.Where(order.Held.IsTelling)
               from agree in open.Where(order.Held.ComesRight)
               where PairDistance.CanPair(agree.Time, differ.Time)
               select PairDistance.Between(agree, differ);
    }

    [Theory]
    [InlineData("read-digital", "9:25", "9:27", 13)]
    [InlineData("read-digital", "1:25", "1:35", 65)]
    [InlineData("read-digital", "10:55", "11:00", 32.5)]
    [InlineData("read-digital", "6:30", "10:30", 120)]
    [InlineData("minutes-only", "3:10", "3:47", 138)]
    [InlineData("hour-only", "8:00", "8:20", 10)]
    public void A_pair_lies_as_far_apart_as_its_hands(string task, string one, string other, double degrees) => Assert.Equal(degrees,
        PairDistance.Between(new Item(ClockTasks.Find(task)!, ClockTime.TryParse(one)!.Value),
            new Item(ClockTasks.Find(task)!, ClockTime.TryParse(other)!.Value)), 0.01);

    [Fact]
    public void Claims_are_true_about_half_the_time_and_false_ones_are_the_pattern_s_own()
    {
        var claims = Model.Patterns.SelectMany(pattern =>
            Enumerable.Range(0, 40).Select(seed =>
                new SetRequest(HeldPattern.Plain(Model, pattern), Stage.FiveMinutesTo, Support.Most, seed)))
            .SelectMany(order => Made(order).Items.Where(item => item.Item.Task == ClockTasks.Judge)
            .Select(item => (order.Held, item.Item))).ToList();
        Assert.InRange(claims.Average(claim => claim.Item.ClaimIsRight ? 1.0 : 0), 0.4, 0.6);
        Assert.All(claims.GroupBy(claim => claim.Held.Pattern.Id),
            each => Assert.InRange(each.Average(claim => claim.Item.ClaimIsRight ? 1.0 : 0), 0.2, 0.8));
        Assert.All(claims.Where(claim => !claim.Item.ClaimIsRight),
            claim => Assert.Equal(claim.Held.AnswerTo(ReadFor(claim.Item)), claim.Item.Claim));
        var several = Made(new SetRequest(HeldPattern.Plain(Model, Catalogue.Find("next-hour")!), Stage.FiveMinutesTo, Support.Most, 1)
        { Length = 9 }).Items.Where(item => item.Item.Task == ClockTasks.Judge);
        Assert.Equal([false, true], several.Select(item => item.Item.ClaimIsRight).Order());
    }

    private static Item ReadFor(Item claim) => new(claim.Claim is WordsAnswer ? ClockTasks.ReadWords : ClockTasks.ReadDigital, claim.Time);

    [Fact]
    public void Hours_and_parts_of_the_face_are_spread() =>
        Orders.Where(order => order.Stage >= Stage.FiveMinutesTo && !order.Held.Pattern.ShowsOnlyAtTwelve).Sample(order =>
    {
        var times = Made(order).Items.Select(item => item.Item.Time).ToList();
        var pairs = Made(order).Items.Count(item => item.Part == SetPart.Agree);
        // Whoever says the minutes first comes right at 10:10 and 12:12, and hardly elsewhere: its pairs have no hours to choose from.
        var fewer = order.Held.Pattern.Id == "minutes-first" ? 2 : 1;
        return times.Select(time => time.Hour).Distinct().Count() >= Math.Min(11, order.Length - pairs - fewer)
            && (order.Held.Pattern.ShowsAtOnePlace || order.Length < 8 || times.Select(time => time.Minute / 15).Distinct().Count() >= 2);
    }, iter: Sets);

    [Fact]
    public void Nothing_is_asked_that_was_not_taught_unless_the_pattern_shows_only_there() => Orders.Sample(order =>
    {
        var stage = SetMaker.StageFor(order);
        var raised = stage > order.Stage
            && ItemBank.ForSitting(order.Stage, [PracticeTasks.For(order.Held.Pattern)]).Any(order.Held.IsTelling);
        return !raised && Made(order).Items.All(item => stage.Has(item.Item.Time.Minute) && item.Item.Task.From <= stage);
    }, iter: Sets);

    [Fact]
    public void A_set_asks_only_what_the_child_has_met_beside_the_task_of_its_pattern() => Orders.Sample(order =>
    {
        ClockTask[] met = [ClockTasks.ReadDigital, ClockTasks.HourOnly, ClockTasks.Describe, PracticeTasks.For(order.Held.Pattern)];
        var set = new SetMaker(inUse: met.Contains).Make(order);
        return set.Items.Count == order.Length && set.Items.All(item => met.Contains(item.Item.Task) || item.Part == SetPart.Secure);
    }, iter: Sets);

    [Fact]
    public void The_same_order_makes_the_same_set() =>
        Orders.Sample(order => Made(order).Items.SequenceEqual(Made(order).Items), iter: Sets);

    [Fact]
    public void Why_an_item_is_there_names_what_is_right_and_what_the_pattern_would_answer() =>
        Orders.Sample(order => Made(order).Items.All(item =>
    {
        var asked = item.Item.Task == ClockTasks.Judge ? ReadFor(item.Item)
            : item.Item.Task == ClockTasks.RepairClock ? new Item(ClockTasks.SetFromDigital, item.Item.Time) : item.Item;
        var (right, its) = (asked.Right, order.Held.AnswerTo(asked));
        return item.Why.EndsWith('.')
            && (right is PlacedAnswer or PlacesAnswer or HourPlaceAnswer || item.Why.Contains(Said(right), StringComparison.Ordinal))
            && (!item.Part.IsTelling() || its is PlacedAnswer
            || item.Why.Contains($"not {Said(its)}", StringComparison.Ordinal) == order.Held.IsTelling(asked));
    }), iter: Sets);

    private static string Said(Answer answer) => answer is DigitalAnswer { Hour: null, Minutes: { } minutes } ? $"{minutes} minutes"
        : answer.Short(Wording.Usual);

    [Fact]
    public void An_item_can_be_changed_for_another_that_keeps_the_rules() =>
        Gen.Select(Orders, Gen.Int[0, SetRequest.Longest - 1].Array[1, 4]).Sample((order, swaps) =>
    {
        var (before, changed) = (Made(order), order with { Swaps = swaps });
        var after = Made(changed);
        return after.Items.Select(item => item.Part).SequenceEqual(before.Items.Select(item => item.Part))
            && after.Items.Select(item => (item.Item.Task, item.Item.Time)).Distinct().Count() == order.Length
            && after.Items.Pairwise().Where(pair => pair.Earlier.Part == SetPart.Agree)
            .All(pair => Parts(order, pair.Earlier.Item, pair.Later.Item)
                && (pair.Earlier.Item.Time == pair.Later.Item.Time
                || PairDistance.CanPair(pair.Earlier.Item.Time, pair.Later.Item.Time)))
            && after.Items.Index().Where(item => !swaps.Contains(item.Index))
            .All(item => item.Item == before.Items[item.Index] || item.Item.Why != before.Items[item.Index].Why);
    }, iter: Sets);

    [Theory]
    [InlineData("next-hour")]
    [InlineData("numeral-as-minutes")]
    [InlineData("to-as-past")]
    [InlineData("hour-hand-on-numeral")]
    public void Two_children_s_sets_share_no_time_while_the_stage_has_enough(string pattern)
    {
        for (var seed = 0; seed < 40; seed++)
        {
            var order = new SetRequest(HeldPattern.Plain(Model, Catalogue.Find(pattern)!), Stage.FiveMinutesTo, Support.Most, seed);
            var first = Made(order).Items.Select(item => item.Item.Time).ToHashSet();
            var second = Made(order with { Seed = seed + 1, Taken = first }).Items.Select(item => item.Item.Time);
            Assert.DoesNotContain(second, first.Contains);
        }
    }

    [Fact]
    public void Where_a_stage_has_too_few_times_two_sets_share_no_more_than_they_must()
    {
        // Only 12:30 shows it at this stage: that one they share, and what comes right beside it they need not.
        var order = new SetRequest(HeldPattern.Plain(Model, Catalogue.Find("lower-numeral")!), Stage.HalfPast, Support.Most, 3);
        var first = Made(order).Items.Select(item => item.Item.Time).ToHashSet();
        var shared = Made(order with { Seed = 4, Taken = first }).Items.Select(item => item.Item.Time).Where(first.Contains).Distinct()
            .ToList();
        Assert.All(shared, time => Assert.Equal(12, time.Hour));
    }

    [Fact]
    public void What_is_read_as_a_whole_does_not_count_as_telling()
    {
        var pattern = Catalogue.Find("numeral-as-minutes")!;
        var belief = new Belief(Model);
        foreach (var (time, answer) in new[] { ("4:30", "4:30"), ("7:30", "7:30"), ("2:00", "2:00"), ("4:20", "4:04"), ("8:35", "8:07"),
            ("6:10", "6:02"), ("9:15", "9:15"), ("3:45", "3:45"), ("1:50", "1:10") })
            belief.Update(new ItemAnswer(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(answer),
                AnswerMode.Said));
        var held = HeldPattern.From(Model, pattern, belief);
        Assert.False(held.IsTelling(new Item(ClockTasks.ReadDigital, new ClockTime(5, 30))));
        Assert.True(held.IsTelling(new Item(ClockTasks.ReadDigital, new ClockTime(5, 20))));
        Assert.True(HeldPattern.Plain(Model, pattern).IsTelling(new Item(ClockTasks.ReadDigital, new ClockTime(5, 30))));
        var set = Made(new SetRequest(held, Stage.FiveMinutesTo, Support.Full, 2));
        Assert.Equal((ClockTasks.MinutesOnly, ClockTasks.MinutesOnly), (set.Items[1].Item.Task, set.Items[2].Item.Task));
        Assert.All(set.Items.Where(item => item.Part.IsTelling()), item => Assert.False(item.Item.Time.Minute is 0 or 30));
    }

    [Fact]
    public void A_child_who_sets_a_clock_rightly_is_not_given_setting_as_the_other_form()
    {
        var belief = new Belief(Model);
        foreach (var (task, time, answer) in new[]
        {
            ("read-digital", "4:20", "5:20"), ("read-digital", "8:35", "9:35"), ("set-from-digital", "2:50", "2.83|50"),
            ("read-words", "6:40", "20 to 8"),
            ("set-from-digital", "7:10", "7.17|10"), ("read-digital", "1:05", "2:05"), ("set-from-words", "9:40", "9.67|40"),
        }) belief.Update(new ItemAnswer(new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(answer),
            ClockTasks.Find(task)!.Taken));
        var set = Made(new SetRequest(HeldPattern.From(Model, Catalogue.Find("next-hour")!, belief), Stage.FiveMinutesTo, Support.Full, 2));
        Assert.Equal(ClockTasks.ReadWords, set.Items[^2].Item.Task);
    }

    [Fact]
    public void A_form_that_was_practised_before_comes_after_one_that_was_not()
    {
        var order = new SetRequest(HeldPattern.Plain(Model, Catalogue.Find("next-hour")!), Stage.FiveMinutesTo, Support.Full, 2);
        Assert.Equal(ClockTasks.SetFromDigital, Made(order).Items[^2].Item.Task);
        Assert.Equal(ClockTasks.ReadWords, Made(order with { CarriedTo = [ClockTasks.SetFromDigital] }).Items[^2].Item.Task);
    }

    /// <summary>
    /// The six sets that teachers gave, in kind: where each place's item is asked, and whether the pattern comes right there.
    /// </summary>
    [Theory]
    [InlineData("hands-swapped", Stage.HalfPast, "hour-only=", "read-digital=", "read-digital→", "judge→", "read-digital=", "read-digital→",
        "set-from-digital→", "read-digital→")]
    [InlineData("next-hour", Stage.FiveMinutesTo, "read-digital=", "hour-only=", "hour-only→", "judge→", "read-digital=", "read-digital→",
        "set-from-digital→", "read-digital→ 12")]
    [InlineData("fives-from-twelve", Stage.FiveMinutesTo, "describe=", "hour-only=", "read-digital→", "judge→", "hour-only=",
        "read-digital→", "set-from-digital→", "read-digital→")]
    [InlineData("to-as-past", Stage.FiveMinutesTo, "read-words=", "read-words=", "read-words→", "judge→", "read-words=", "read-words→",
        "set-from-words→", "read-words→ 12")]
    [InlineData("hour-hand-on-numeral", Stage.FiveMinutesTo, "place-hour-hand=", "place-hour-hand=", "place-hour-hand→", "repair-clock→",
        "place-hour-hand=", "place-hour-hand→", "set-from-digital→", "place-hour-hand→ 12")]
    [InlineData("previous-hour", Stage.FiveMinutesTo, "describe=", "minutes-only=", "read-digital→", "judge→", "minutes-only=",
        "read-digital→", "set-from-digital→", "read-digital→ 12")]
    [InlineData("half-names-next", Stage.QuarterTo, "read-digital=", "read-words=", "read-words→", "judge→", "words-to-digital=",
        "words-to-digital→", "set-from-words→", "words-to-digital→")]
    public void A_set_is_of_the_kind_that_a_specialist_makes(string pattern, Stage stage, params string[] places)
    {
        var order = new SetRequest(HeldPattern.Plain(Model, Catalogue.Find(pattern)!), stage, Support.Full, 5);
        Assert.Equal(places, Made(order).Items.Select(item =>
            $"{item.Item.Task.Id}{(item.Part.IsTelling() ? '→' : '=')}{(item.Part == SetPart.Bare && item.Item.Time.Hour == 12 ? " 12" : "")}"));
    }

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
        Assert.All(set.Items, item =>
            Assert.Equal((ClockTasks.ReadDigital, Support.Bare, SetPart.Ease), (item.Item.Task, item.Support, item.Part)));
        Assert.All(set.Items, item => Assert.True(item.Item.Time.Minute == 0 || stage.Has(item.Item.Time.Minute)));
        Assert.Equal(set.Items, new EaseSet(task => task == ClockTasks.ReadDigital).Make(stage, seed: 3).Items);
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
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.SetFromDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw),
            AnswerMode.Placed, Stage.FiveMinutesPast));

    [Theory]
    [InlineData("6:30", "6.85|30", true)]
    [InlineData("6:30", "6|30", false)]
    [InlineData("12:30", "0.05|30", false)]
    public void Before_five_minute_times_the_right_space_is_enough(string time, string raw, bool right) =>
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.SetFromDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw),
            AnswerMode.Placed, Stage.HalfPast));

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
        Assert.Equal(right, Scoring.IsRight(new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(raw),
            mode, Stage.EveryMinute));
}

internal static class Neighbours
{
    public static IEnumerable<(T Earlier, T Later)> Pairwise<T>(this IEnumerable<T> items) => items.Zip(items.Skip(1));
}
