using CsCheck;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>The model at work: answers in, patterns out.</summary>
public sealed class ModelTests
{
    private static readonly ReadingModel Model = new();
    private static readonly DateOnly Today = new(2026, 3, 2);

    [Fact]
    public void Belief_sums_to_one_and_does_not_depend_on_the_order_of_answers()
    {
        var answers = new[]
        {
            Said("6:20", "7:20"), Said("4:00", "4:00"), Said("12:25", "1:25"), Said("8:35", "8:07"), Said("9:10", "ten to nine"),
            new ItemAnswer(Item(ClockTasks.SetFromDigital, "7:40"), AnswerParser.Parse("7|40"), AnswerMode.Placed),
            new ItemAnswer(Item(ClockTasks.WordsToDigital, "9:05"), AnswerParser.Parse("9:5"), AnswerMode.Written),
        };
        var straight = Folded(answers);
        Gen.Shuffle(answers).Sample(
            shuffled =>
            {
                var belief = Folded(shuffled);
                return Math.Abs(belief.Total - 1) < 1e-9
                    && Model.Patterns.All(pattern => Math.Abs(belief.ProbabilityOf(pattern) - straight.ProbabilityOf(pattern)) < 1e-9);
            },
            iter: 20);
    }

    [Fact]
    public void An_answer_that_says_nothing_changes_nothing()
    {
        var belief = Folded([Said("6:20", "7:20")]);
        var before = Model.Patterns.Select(belief.ProbabilityOf).ToList();
        foreach (var raw in new[] { "-", "?", "the big one", "half 8", "quarter past ?" }) belief.Update(Said("4:40", raw));
        Assert.Equal(before, Model.Patterns.Select(belief.ProbabilityOf));
    }

    [Fact]
    public void Hands_swapped_and_the_numeral_read_as_minutes_are_both_found_in_a_sitting()
    {
        var conclusion = Diagnosed([Said("4:00", "12:04"), Said("9:00", "12:09"), Said("7:30", "6:07"), Said("2:45", "9:02"),
            Said("8:15", "3:08"), Said("10:00", "12:10")]);
        Assert.Equal(["hands-swapped", "numeral-as-minutes"], conclusion.Likely.Select(finding => finding.Pattern.Id).Order());
    }

    [Fact]
    public void A_pattern_is_not_called_before_its_look_alikes_are_told_apart()
    {
        // Between 12 and 1 the coming hour is also the lower numeral.
        var between = Diagnosed([Said("12:20", "1:20"), Said("12:40", "1:40"), Said("12:25", "1:25"), Said("12:50", "1:50")]);
        Assert.Empty(between.Likely);
        var told = Diagnosed([Said("12:20", "1:20"), Said("12:40", "1:40"), Said("6:20", "7:20"), Said("3:10", "4:10"),
            Said("8:15", "9:15")]);
        Assert.Equal(["next-hour"], told.Likely.Select(finding => finding.Pattern.Id));
    }

    [Fact]
    public void A_look_alike_may_be_told_apart_where_the_pattern_comes_right()
    {
        // The lower numeral is wrong only between 12 and 1; at 6:20 the coming hour would be wrong and it is not.
        var conclusion = Diagnosed([Said("12:20", "1:20"), Said("12:40", "1:40"), Said("6:20", "6:20"), Said("3:10", "3:10"),
            Said("12:55", "1:55"), Said("8:50", "8:50")]);
        Assert.Equal(["lower-numeral"], conclusion.Likely.Select(finding => finding.Pattern.Id));
    }

    [Fact]
    public void One_wrong_answer_is_a_slip_and_not_a_pattern()
    {
        var conclusion = Diagnosed([Said("6:20", "7:20"), Said("3:10", "3:10"), Said("8:40", "8:40"), Said("10:25", "10:25"),
            Said("1:50", "1:50")]);
        Assert.DoesNotContain(conclusion.Findings, finding => finding.Label != Label.Unlikely);
    }

    [Fact]
    public void A_way_that_nobody_has_listed_is_not_fitted_to_one_that_somebody_has()
    {
        // They count the numerals in threes.
        var conclusion = Diagnosed([Said("6:20", "6:12"), Said("3:10", "3:06"), Said("8:40", "8:24"), Said("10:25", "10:15"),
            Said("1:50", "1:30"), Said("4:35", "4:21")]);
        Assert.Empty(conclusion.Likely);
        Assert.Contains(conclusion.OtherAt, other => other.Step == Step.Minutes && other.Answers.Count == 6);
    }

    [Fact]
    public void A_new_pattern_is_one_entry_and_nothing_else()
    {
        var entry = new Pattern("two-hours-on", 0.03, new HourRule(pointer => [new(Hours.Named(HourRule.LastPassed(pointer) + 2), 1)]), new(
            "Two hours on are read", "{child} reads two hours on.", "two hours on", "Your child reads two hours on.", "Nobody knows.",
            "Touch the numeral.", "Touch the numeral.", "Practise: which hour?"));
        var model = new ReadingModel([.. Catalogue.All, entry]);
        ItemAnswer[] answers = [Said("6:20", "8:20"), Said("3:40", "5:40"), Said("9:00", "11:00"), Said("12:25", "2:25"),
            Said("8:10", "10 past 10")];
        var belief = new Belief(model);
        foreach (var answer in answers) belief.Update(answer);
        Assert.Equal([entry], Conclusion.From(model, belief, ObservedAnswer.All(model, answers)).Likely.Select(finding => finding.Pattern));
        Assert.Equal([entry], new Explainer(model).Explain(answers[0]).Explanations[0].Patterns);
        Assert.Contains(new FixedForms(model).CoverageOf([.. answers.Select(answer => answer.Item)]),
            coverage => coverage.Pattern == entry && coverage.Telling == 5);
        // Without it, the same answers are read some other way, and called nothing.
        Assert.Empty(Diagnosed(answers).Likely);
        Assert.Contains(Diagnosed(answers).OtherAt, other => other.Step == Step.Hour);
    }

    [Fact]
    public void Evidence_counts_telling_answers_only()
    {
        var finding = Diagnosed([Said("6:20", "7:20"), Said("4:00", "4:00"), Said("3:40", "4:40"), Said("9:10", "9:10"),
            Said("8:25", "9:25"), Said("2:15", "3:15")])
            .Findings.Single(finding => finding.Pattern.Id == "next-hour");
        Assert.Equal(5, finding.Evidence.Answers.Count);
        Assert.Equal(4, finding.Evidence.ItsWay);
        Assert.Equal(1, finding.Evidence.Right);
        Assert.Equal("7:20", finding.Evidence.Answers[0].Expected.Short(Wording.Usual));
    }

    [Fact]
    public void An_answer_that_nothing_explains_is_listed()
    {
        var conclusion = Diagnosed([Said("6:20", "6:20"), Said("4:00", "9:51"), Said("3:40", "3:40")]);
        Assert.Equal([1], conclusion.Unexplained);
    }

    [Theory]
    [InlineData("4:00", "12:20", "hands-swapped")]
    [InlineData("4:00", "12:04", "hands-swapped+numeral-as-minutes")]
    [InlineData("6:20", "7:20", "next-hour")]
    [InlineData("8:35", "8:07", "numeral-as-minutes")]
    [InlineData("6:40", "20 past 7", "to-as-past")]
    [InlineData("12:25", "1:25", "next-hour")]
    public void A_single_answer_is_explained(string shown, string answer, string first)
    {
        var explained = new Explainer(Model).Explain(Said(shown, answer));
        Assert.Equal(first, string.Join('+', explained.Explanations[0].Patterns.Select(pattern => pattern.Id)));
        Assert.InRange(explained.Explanations.Count, 1, Explainer.Most);
        Assert.All(explained.Explanations, explanation => Assert.NotNull(explanation.Next));
    }

    [Fact]
    public void What_no_pattern_gives_has_no_explanation()
    {
        var explained = new Explainer(Model).Explain(Said("4:00", "9:51"));
        Assert.Empty(explained.Explanations);
        Assert.False(explained.IsRight);
    }

    [Theory]
    [InlineData("3:20", "3:25", Fit.Common, true)]
    [InlineData("6:20", "7:20", Fit.Common, true)]
    [InlineData("8:35", "8:07", Fit.Common, false)]
    [InlineData("4:00", "12:04", Fit.Rare, false)]
    [InlineData("4:00", "9:51", Fit.Nothing, false)]
    [InlineData("2:35", "11:18", Fit.Nothing, false)]
    public void An_explanation_says_how_well_it_fits_and_how_often_it_is_a_slip(string shown, string answer, Fit fit, bool slip)
    {
        var explained = new Explainer(Model).Explain(Said(shown, answer));
        Assert.Equal(fit, explained.Fit);
        Assert.Equal(slip, explained.SlipShare is > 0.02 and < 0.8);
        // A numeral too many is miscounted more often than every count is begun at the 12.
        Assert.Equal((shown, answer) == ("3:20", "3:25"), explained.IsSlipFirst);
        Assert.Equal(fit == Fit.Nothing, explained.Explanations.Count == 0);
        Assert.InRange(explained.SlipShare + explained.Explanations.Sum(explanation => explanation.Share), 0, 1.000001);
    }

    [Fact]
    public void Three_patterns_never_explain_what_a_slip_would() => Assert.All(
        from time in ClockTime.All()
        where time.Minute % 20 == 5
        from off in ModelParameters.NearSlips
        select new Explainer(Model).Explain(Said($"{time}", $"{time.Plus(off)}")),
        explained => Assert.DoesNotContain(explained.Explanations, explanation => explanation.Patterns.Count > 2));

    [Fact]
    public void A_slip_of_one_minute_may_be_a_slip() => Assert.True(new Explainer(Model).Explain(Said("4:18", "4:19")).SlipShare > 0);

    [Fact]
    public void The_next_item_says_why_and_is_not_asked_twice()
    {
        var chooser = new ItemChooser(Model);
        var bank = ItemBank.Upto(Stage.FiveMinutesTo, ItemBank.AskedAloud);
        var belief = Folded([Said("6:20", "7:20"), Said("3:40", "4:40")]);
        var asked = new List<Item>();
        for (var i = 0; i < 12; i++)
        {
            var next = chooser.Choose(belief, new SittingItems(bank), asked, right: asked.Count)!;
            Assert.DoesNotContain(next.Item, asked);
            Assert.Matches("[.?]$", next.Why);
            asked.Add(next.Item);
        }
        var figures = ItemBank.Upto(Stage.FiveMinutesTo, [ClockTasks.ReadDigital]);
        Assert.Matches("^Tells the (coming|nearest) hour from the (coming|nearest) hour\\.$",
            chooser.Choose(Folded([Said("6:40", "7:40"), Said("3:40", "4:40")]), new SittingItems(figures),
                [.. figures.Where(item => item.Time.Minute == 0).Take(4)], 4)!.Why);
    }

    [Fact]
    public void When_too_many_came_out_wrong_an_easier_one_is_asked()
    {
        var chooser = new ItemChooser(Model);
        var bank = ItemBank.Upto(Stage.FiveMinutesTo, ItemBank.AskedAloud);
        var belief = Folded([.. Enumerable.Range(1, 6).Select(hour => Said($"{hour}:20", $"{hour + 1}:20"))]);
        var asked = bank.Take(6).ToList();
        Assert.InRange(chooser.Choose(belief, new SittingItems(bank), asked, right: 0)!.RightChance, ModelParameters.EasierFrom, 1);
    }

    [Fact]
    public void What_was_unlearned_is_believed_less_and_at_last_cleared()
    {
        var wrong = new SittingAnswers(Today, [Said("6:20", "7:20"), Said("3:40", "4:40"), Said("8:25", "9:25"), Said("2:15", "3:15")],
            [Step.Hour]);
        var right = new[] { "5:20", "10:40", "7:25", "1:15" };
        var replay = Replay.Run(Model,
        [
            wrong,
            new SittingAnswers(Today.AddDays(7), [.. right.Select(time => Said(time, time))], [Step.Hour]),
            new SittingAnswers(Today.AddDays(14), [.. right.Select(time => Said(time, time))], []),
        ]);
        Assert.Equal(Label.Likely, LabelIn(replay, 0));
        Assert.NotEqual(Label.Likely, LabelIn(replay, 1));
        Assert.Equal(Label.Cleared, LabelIn(replay, 2));

        static Label LabelIn(Replay replay, int sitting) =>
            replay.Sittings[sitting].Conclusion.Findings.FirstOrDefault(finding => finding.Pattern.Id == "next-hour")?.Label
                ?? Label.Unlikely;
    }

    [Fact]
    public void Three_right_answers_however_little_is_believed_after_them_do_not_clear_a_pattern()
    {
        string[] wrong = ["6:20", "3:40", "8:25", "2:15"];
        var replay = Replay.Run(Model,
        [
            new SittingAnswers(
                Today, [.. wrong.Select(time => Said(time, ClockTime.TryParse(time)!.Value.Plus(60).ToString()))], [Step.Hour]),
            new SittingAnswers(Today.AddDays(7), [Said("5:50", "5:50"), Said("10:40", "10:40")], [Step.Hour]),
            new SittingAnswers(Today.AddDays(14), [Said("7:55", "7:55")], [Step.Hour]),
        ]);
        Assert.InRange(replay.Belief.ProbabilityOf(Catalogue.Find("next-hour")!), 0, ModelParameters.ClearedBelow);
        Assert.DoesNotContain(replay.Now.Findings, finding => finding.Label == Label.Cleared);
    }

    [Fact]
    public void A_pattern_that_its_teacher_rules_out_is_cleared_by_four_right_answers_and_not_by_two()
    {
        var ruledOut = new TeacherWord(Catalogue.Find("next-hour")!, false, "It was a joke.");
        string[] wrong = ["6:20", "3:25", "8:10", "10:40", "1:35", "5:50"];
        var replay = Replay.Run(Model, [
            new SittingAnswers(Today, [.. wrong.Select(time => Said(time, ClockTime.TryParse(time)!.Value.Plus(60).ToString()))], []),
            new SittingAnswers(Today.AddDays(7), [Said("4:20", "4:20")], []) { Words = [ruledOut] },
            new SittingAnswers(Today.AddDays(14), [Said("7:40", "7:40")], []) { Words = [ruledOut] },
        ]);
        Assert.Contains(replay.Sittings[0].Conclusion.Likely, finding => finding.Pattern == ruledOut.Pattern);
        Assert.DoesNotContain(replay.Now.Findings, finding => finding.Label == Label.Cleared);
    }

    [Fact]
    public void Simulated_children_get_their_pattern_named()
    {
        var aloud = Model.Patterns.Where(pattern => pattern.Step != Step.Placing).ToList();
        const int Each = 3;
        var named = 0;
        foreach (var pattern in aloud)
        {
            for (var i = 0; i < Each; i++)
            {
                var likely = Assess([pattern], 100 + i).Likely.Select(finding => finding.Pattern).ToList();
                if (likely.Contains(pattern)) named++;
                Assert.True(likely.TrueForAll(found => found == pattern),
                    $"{pattern.Id}: {string.Join(", ", likely.Select(found => found.Id))}");
            }
        }
        TestContext.Current.TestOutputHelper?.WriteLine($"named {named} of {aloud.Count * Each}");
        Assert.InRange(named, aloud.Count * Each * 8 / 10, aloud.Count * Each);
    }

    private static Conclusion Assess(IReadOnlyList<Pattern> patterns, int seed)
    {
        var child = new SimulatedChild(Model, patterns, 0.9, new Random(seed));
        var items = new SittingItems(ItemBank.ForSitting(Stage.EveryMinute, ItemBank.AskedAloud), 16);
        var sitting = new AdaptiveSitting(Model, new Belief(Model), items, seed);
        for (var asked = 0; asked < 14; asked++)
        {
            var item = sitting.Next()!.Item;
            sitting.Add(new ItemAnswer(item, AnswerParser.Parse(child.Answer(item, item.Task.Aloud)), item.Task.Aloud));
        }
        return sitting.Conclude();
    }

    private static Item Item(ClockTask task, string time) => new(task, ClockTime.TryParse(time)!.Value);

    private static ItemAnswer Said(string shown, string answer) =>
        new(Item(ClockTasks.ReadDigital, shown), AnswerParser.Parse(answer), AnswerMode.Said);

    private static Belief Folded(IEnumerable<ItemAnswer> answers)
    {
        var belief = new Belief(Model);
        foreach (var answer in answers) belief.Update(answer);
        return belief;
    }

    private static Conclusion Diagnosed(IReadOnlyList<ItemAnswer> answers) =>
        Conclusion.From(Model, Folded(answers), ObservedAnswer.All(Model, answers));
}
