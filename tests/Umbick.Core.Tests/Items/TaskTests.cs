using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Tests;

/// <summary>Every task: what is right, and what an answer says of how the child reads.</summary>
public sealed class TaskTests
{
    private static readonly ReadingModel Model = new();

    [Fact]
    public void Every_task_has_an_id_a_name_and_a_question()
    {
        Assert.Equal(32, ClockTasks.All.Count);
        Assert.Equal(ClockTasks.All.Count, ClockTasks.All.Select(task => task.Id).Distinct().Count());
        Assert.All(ClockTasks.All, task =>
        {
            Assert.Matches("^[a-z]+(-[a-z]+)*$", task.Id);
            Assert.True(task.Texts.Name.Length > 5 && task.Texts.Ask.Length > 5, task.Id);
            Assert.Same(task, ClockTasks.Find(task.Id));
        });
    }

    [Fact]
    public void The_bank_has_a_thousand_items_and_more_at_stage_ten_and_in_words_only_times_that_people_say()
    {
        Assert.InRange(ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain).Count, 1200, 2000);
        Assert.All(ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain)
            .Where(item => item.Task.Form == AnswerForm.Words || item.Task.Stimulus == Stimulus.Words),
            item => Assert.Equal(0, item.Time.Minute % 5));
        Assert.InRange(ItemBank.Upto(Stage.EveryMinute, ClockTasks.OnOneTime).Count, 10_000, 20_000);
        Assert.Empty(ItemBank.ForSitting(Stage.Parts, ClockTasks.Plain));
    }

    [Theory]
    [InlineData("hour-only", "6:20", "6 little past", true)]
    [InlineData("hour-only", "6:20", "6", true)]
    [InlineData("hour-only", "6:20", "6 nearly next", false)]
    [InlineData("hour-only", "6:00", "6 exactly on it", true)]
    [InlineData("hour-only", "6:30", "7 halfway", false)]
    [InlineData("hour-only", "6:20", "thirteen", false)]
    [InlineData("minutes-only", "6:20", "20", true)]
    [InlineData("minutes-only", "6:20", ":20", true)]
    [InlineData("minutes-only", "6:20", "4", false)]
    [InlineData("describe", "7:25", "between 7 and 8, 5", true)]
    [InlineData("describe", "7:00", "7, 12", true)]
    [InlineData("describe", "7:25", "between 8 and 9, 5", false)]
    [InlineData("place-hour-hand", "7:40", "7.67|", true)]
    [InlineData("place-hour-hand", "7:40", "7|", false)]
    [InlineData("place-minute-hand", "7:40", "|40", true)]
    [InlineData("place-minute-hand", "7:40", "|8", false)]
    [InlineData("set-minutes", "7:40", "|40.6", true)]
    [InlineData("set-from-words", "7:45", "7.75|45", true)]
    [InlineData("set-from-words", "7:45", "8.75|45", false)]
    [InlineData("copy-clock", "7:45", "7.75|45", true)]
    [InlineData("infer-minute-hand", "7:40", "7:40", true)]
    [InlineData("digital-to-words", "7:40", "20 to 8", true)]
    [InlineData("digital-to-words", "7:40", "7:40", false)]
    [InlineData("repair-clock", "7:40", "7.67|", true)]
    [InlineData("repair-clock", "7:40", "|35", false)]
    [InlineData("read-digital", "7:40", "-", false)]
    [InlineData("read-digital", "7:40", "20 to 8", true)]
    public void An_answer_is_right_or_not(string task, string time, string answer, bool right)
    {
        var item = new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value);
        Assert.Equal(right, Scoring.IsRight(item, item.Read(answer), item.Task.Taken, Stage.EveryMinute));
    }

    [Theory]
    [InlineData("6:20", "yes", true)]
    [InlineData("7:20", "yes", false)]
    [InlineData("7:20", "6:20", true)]
    [InlineData("7:20", "8:20", false)]
    public void A_claim_is_rightly_agreed_to_only_where_it_says_the_time(string claim, string answer, bool right)
    {
        var item = new Item(ClockTasks.Judge, new ClockTime(6, 20)) { Claim = DigitalAnswer.Showing(ClockTime.TryParse(claim)!.Value) };
        Assert.Equal(right, Scoring.IsRight(item, item.Read(answer), AnswerMode.Said, Stage.EveryMinute));
    }

    [Fact]
    public void Every_item_s_own_right_answer_is_right_and_says_so_to_the_model()
    {
        foreach (var task in ClockTasks.OnOneTime)
        {
            foreach (var minute in new[] { 0, 5, 30, 47, 55 })
            {
                var item = new Item(task, new ClockTime(12, minute));
                var given = new ItemAnswer(item, item.Right, task.Taken);
                Assert.True(Scoring.IsRight(item, item.Right, task.Taken, Stage.EveryMinute), $"{task.Id} {item.Given}");
                Assert.All(Model.Observe(given), seen => Assert.True(seen.IsRight, $"{task.Id} {item.Given}"));
                Assert.NotEmpty(Model.Observe(given));
            }
        }
    }

    [Theory]
    [InlineData("hour-only", "6:20", "7", "next-hour")]
    [InlineData("minutes-only", "6:20", "4", "numeral-as-minutes")]
    [InlineData("minutes-only", "6:20", "40", "anticlockwise")]
    [InlineData("place-hour-hand", "7:40", "7|", "hour-hand-on-numeral")]
    [InlineData("place-hour-hand", "7:40", "6.67|", "next-hour")]
    [InlineData("place-minute-hand", "2:10", "|50", "numeral-as-minutes")]
    [InlineData("set-minutes", "2:10", "|50", "numeral-as-minutes")]
    [InlineData("describe", "9:00", "on 12, 9", "hands-swapped")]
    [InlineData("set-from-words", "6:40", "7.33|20", "to-as-past")]
    [InlineData("set-from-words", "11:15", "11.42|25", "quarter-is-25")]
    [InlineData("digital-to-words", "6:40", "20 to 6", "to-this-hour")]
    [InlineData("digital-to-words", "6:50", "half past 6", "half-is-50")]
    [InlineData("choose-time", "8:35", "8:07", "numeral-as-minutes")]
    [InlineData("judge", "6:20", "7:20", "next-hour")]
    [InlineData("repair-clock", "7:40", "7|", "hour-hand-on-numeral")]
    [InlineData("full-turn", "6:20", "8:20", "next-hour")]
    [InlineData("choose-clock", "6:20", "5:20", "next-hour")]
    [InlineData("copy-clock", "7:40", "7|40", "hour-hand-on-numeral")]
    [InlineData("infer-minute-hand", "7:40", "8:40", "next-hour")]
    public void A_wrong_answer_of_every_task_is_explained(string task, string time, string answer, string pattern)
    {
        var item = new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value) { Move = 60 };
        var explained = new Explainer(Model).Explain(new ItemAnswer(item, item.Read(answer), item.Task.Taken));
        Assert.InRange(explained.Explanations.Count, 1, Explainer.Most);
        Assert.Contains(explained.Explanations, explanation => explanation.Patterns.Any(found => found.Id == pattern));
    }

    [Fact]
    public void Joined_pairs_are_a_reading_each_but_the_forced_last()
    {
        var item = new Item(ClockTasks.Match, new ClockTime(6, 20)) { Clocks = [new(6, 20), new(3, 0), new(9, 45)] };
        var answer = item.Read("6:20=7:20; 3:00=3:00; 9:45=9:45");
        Assert.False(Scoring.IsRight(item, answer, AnswerMode.Chosen, Stage.EveryMinute));
        Assert.Equal(2, Model.Observe(new ItemAnswer(item, answer, AnswerMode.Chosen)).Count);
        Assert.True(Scoring.IsRight(item, item.Read("3:00=3:00; 6:20=6:20; 9:45=quarter to 10"), AnswerMode.Chosen, Stage.EveryMinute));
        Assert.IsType<Unread>(item.Read("6:20 and 7:20"));
    }

    [Fact]
    public void Every_name_that_fits_has_to_be_chosen()
    {
        Answer[] names = [AnswerParser.Parse("quarter to 7"), AnswerParser.Parse("6:45"), AnswerParser.Parse("quarter to 6")];
        var item = new Item(ClockTasks.ChooseNames, new ClockTime(6, 45)) { Choices = names };
        Assert.True(Scoring.IsRight(item, item.Read("6:45; quarter to 7"), AnswerMode.Chosen, Stage.EveryMinute));
        Assert.False(Scoring.IsRight(item, item.Read("6:45"), AnswerMode.Chosen, Stage.EveryMinute));
        var belief = new Belief(Model);
        var before = belief.ProbabilityOf(Catalogue.Find("to-this-hour")!);
        belief.Update(new ItemAnswer(item, item.Read("quarter to 6"), AnswerMode.Chosen));
        Assert.True(belief.ProbabilityOf(Catalogue.Find("to-this-hour")!) > 2 * before);
    }

    [Fact]
    public void A_chosen_answer_says_less_than_a_free_one()
    {
        var pattern = Catalogue.Find("next-hour")!;
        var free = new Item(ClockTasks.ReadDigital, new ClockTime(6, 20));
        var chosen = new Distractors(Model).With(new Item(ClockTasks.ChooseTime, new ClockTime(6, 20)), 3, 1);
        double After(Item item, AnswerMode mode)
        {
            var belief = new Belief(Model);
            belief.Update(new ItemAnswer(item, AnswerParser.Parse("7:20"), mode));
            return belief.ProbabilityOf(pattern);
        }
        Assert.True(After(chosen, AnswerMode.Chosen) < After(free, AnswerMode.Said));
    }

    [Fact]
    public void Wrong_choices_are_what_patterns_answer_and_never_two_alike()
    {
        var distractors = new Distractors(Model);
        foreach (var task in new[] { ClockTasks.ChooseTime, ClockTasks.ChooseClock, ClockTasks.ChooseNames })
        {
            foreach (var time in new[] { new ClockTime(6, 40), new ClockTime(12, 25), new ClockTime(3, 15), new ClockTime(8, 5) })
            {
                var item = distractors.With(new Item(task, time), 4, seed: 3);
                Assert.Equal(4, item.Choices.Count);
                Assert.Equal(4, item.Choices.Select(choice => choice.Meaning).Distinct().Count());
                Assert.Single(item.Choices, choice => choice.Meaning == time);
                Assert.Equal(item.Choices, distractors.With(new Item(task, time), 4, seed: 3).Choices);
                foreach (var wrong in item.Choices.Where(choice => choice.Meaning != time))
                {
                    var explained = new Explainer(Model).Explain(
                        new ItemAnswer(new Item(task, time), task == ClockTasks.ChooseNames ? new SeveralAnswer([wrong]) : wrong,
                            AnswerMode.Chosen));
                    Assert.NotEmpty(explained.Explanations);
                }
            }
        }
    }

    [Theory]
    [InlineData("6:43")]
    [InlineData("8:27")]
    [InlineData("12:03")]
    [InlineData("3:38")]
    public void At_single_minutes_too_there_are_four_clocks_to_choose_from(string time)
    {
        var item = new Distractors(Model).With(new Item(ClockTasks.ChooseClock, ClockTime.TryParse(time)!.Value), 4, seed: 3);
        Assert.Equal(4, item.Choices.Select(choice => choice.Meaning).Distinct().Count());
    }

    [Fact]
    public void Every_task_about_a_time_can_be_made_whole()
    {
        var maker = new ItemMaker(Model);
        foreach (var task in ClockTasks.All.Where(task => task.Stimulus != Stimulus.Text || task.Order.Count > 0))
        {
            foreach (var seed in new[] { 1, 2 })
            {
                var item = maker.Make(task, new ClockTime(6, 40), Stage.EveryMinute, seed);
                Assert.Equal(item.Choices, maker.Make(task, new ClockTime(6, 40), Stage.EveryMinute, seed).Choices);
                Assert.DoesNotContain("{", item.Ask(Wording.Usual), StringComparison.Ordinal);
                Assert.Equal(task.Chosen, item.Choices.Count > 1);
                Assert.Equal(item.Choices.Count, item.Choices.Distinct().Count());
                // For a clock to be put right the right answer is one hand; for all others it stands in the item.
                if (task != ClockTasks.RepairClock) Assert.True(Scoring.IsRight(item, item.Right, task.Taken, Stage.EveryMinute), task.Id);
            }
        }
        Assert.Throws<ArgumentException>(() => maker.Make(ClockTasks.Prerequisite, new ClockTime(6, 40), Stage.EveryMinute, 1));
    }

    [Fact]
    public void Clocks_to_join_have_one_time_more_than_clocks()
    {
        var item = new ItemMaker(Model).Make(ClockTasks.Match, new ClockTime(6, 20), Stage.EveryMinute, seed: 1);
        Assert.Equal(item.Clocks.Count + 1, item.Choices.Count);
        Assert.All(item.Clocks, clock => Assert.Contains(item.Choices, choice => choice.Meaning == clock));
    }

    [Fact]
    public void Neither_place_nor_kind_tells_which_choice_is_right()
    {
        var maker = new ItemMaker(Model);
        foreach (var task in new[] { ClockTasks.ChooseTime, ClockTasks.ChooseClock, ClockTasks.ChooseNames })
        {
            var items = Enumerable.Range(1, 60)
                .Select(seed => maker.Make(task, new ClockTime(1 + (seed % 12), 5 * (1 + (seed % 11))), Stage.EveryMinute, seed)).ToList();
            foreach (var place in Enumerable.Range(0, 4))
            {
                var right = items.Count(item => item.Choices[place].Meaning == item.Time);
                Assert.True(right is >= 6 and <= 40, $"{task.Id}: place {place + 1} is right in {right} of 60");
            }
            if (task != ClockTasks.ChooseNames) continue;
            foreach (var inWords in new[] { false, true })
            {
                var some = items.Count(item => item.Choices.Any(choice => choice is WordsAnswer == inWords && choice.Meaning == item.Time));
                Assert.True(some is >= 25 and <= 55, $"{(inWords ? "words" : "figures")} fit in {some} of 60");
            }
            Assert.All(items, item => Assert.Contains(item.Choices, choice => choice.Meaning == item.Time));
            Assert.All(items, item => Assert.Equal(2, item.Choices.Count(choice => choice is WordsAnswer)));
        }
    }

    [Fact]
    public void Names_can_be_chosen_for_every_time()
    {
        var maker = new ItemMaker(Model);
        foreach (var time in ClockTime.All())
        {
            var names = maker.Make(ClockTasks.ChooseNames, time, Stage.EveryMinute, seed: time.Minute).Choices;
            Assert.Contains(names, name => name.Meaning != time);
            Assert.Equal(names.Count, names.Distinct().Count());
        }
    }

    [Theory]
    [MemberData(nameof(StagesOfReading))]
    public void Every_clock_of_a_task_and_its_right_answer_are_taught(Stage stage)
    {
        var maker = new OneOfEach(Model);
        foreach (var seed in Enumerable.Range(1, 12))
        {
            foreach (var item in maker.Make(ClockTasks.All.Where(task => !task.IsQuestion && task.From <= stage), stage, seed))
            {
                Assert.All(item.Clocks.Append(item.Time), clock => Assert.True(stage.Has(clock.Minute), $"{item.Task.Id} shows {clock}"));
                Assert.True(item.Right.Meaning is not { } right || stage.Has(right.Minute), $"{item.Task.Id} asks for {item.Right}");
                Assert.Equal(item.Clocks.Count, item.Clocks.Select(clock => clock.Hour).Distinct().Count());
            }
        }
    }

    public static TheoryData<Stage> StagesOfReading => [.. Stages.OfReading];

    [Theory]
    [InlineData("7:40")]
    [InlineData("12:10")]
    [InlineData("3:00")]
    public void A_clock_to_put_right_cannot_be(string time)
    {
        var at = ClockTime.TryParse(time)!.Value;
        var hands = Assert.IsType<PlacedAnswer>(
            new ItemMaker(Model).Make(ClockTasks.RepairClock, at, Stage.EveryMinute, seed: 1).Claim).Hands!.Value;
        Assert.True(HandPositions.HoursApart(hands.Hour, HandPositions.Showing(at).Hour) > ModelParameters.PlaceTolerance);
    }

    [Fact]
    public void A_story_tells_where_the_hands_are() => Assert.Equal(
        "The short hand is past the 6, nearly at the 7, and the long hand is two small ticks past the 8. What time is it?",
        new Item(ClockTasks.Story, new ClockTime(6, 42)).Ask(Wording.Usual));

    [Fact]
    public void Two_patterns_on_one_idea_come_together_more_often_than_by_chance()
    {
        var belief = new Belief(Model);
        belief.Update(new ItemAnswer(new Item(ClockTasks.WordsToDigital, new ClockTime(11, 15)), AnswerParser.Parse("11:25"),
            AnswerMode.Written));
        var half = Catalogue.Find("half-is-50")!;
        Assert.True(belief.ProbabilityOf(half) > 3 * new Belief(Model).ProbabilityOf(half));
    }
}
