using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;

namespace Umbick.Core.Tests;

/// <summary>
/// How items are answered on a screen, prerequisite skills, answers that stand ready, and where a screened child belongs.
/// </summary>
public sealed class AssessingTests
{
    private static readonly ReadingModel Model = new();

    [Theory]
    [InlineData("read-digital", AnswerBox.Keys)]
    [InlineData("words-to-digital", AnswerBox.Keys)]
    [InlineData("story", AnswerBox.Keys)]
    [InlineData("full-turn", AnswerBox.Keys)]
    [InlineData("infer-minute-hand", AnswerBox.HandAndTime)]
    [InlineData("minutes-only", AnswerBox.Keys)]
    [InlineData("count-fives", AnswerBox.Keys)]
    [InlineData("later", AnswerBox.Keys)]
    [InlineData("time-fact", AnswerBox.Keys)]
    [InlineData("read-words", AnswerBox.Words)]
    [InlineData("digital-to-words", AnswerBox.Words)]
    [InlineData("set-from-digital", AnswerBox.Hands)]
    [InlineData("set-from-words", AnswerBox.Hands)]
    [InlineData("copy-clock", AnswerBox.Hands)]
    [InlineData("repair-clock", AnswerBox.Hands)]
    [InlineData("place-hour-hand", AnswerBox.Hands)]
    [InlineData("place-minute-hand", AnswerBox.Hands)]
    [InlineData("set-minutes", AnswerBox.Hands)]
    [InlineData("choose-clock", AnswerBox.Clocks)]
    [InlineData("choose-time", AnswerBox.Times)]
    [InlineData("choose-names", AnswerBox.Several)]
    [InlineData("match", AnswerBox.Pairs)]
    [InlineData("judge", AnswerBox.Verdict)]
    [InlineData("hour-only", AnswerBox.HourPlace)]
    [InlineData("describe", AnswerBox.Places)]
    [InlineData("name-part", AnswerBox.Choice)]
    [InlineData("possible-time", AnswerBox.Choice)]
    [InlineData("duration-unit", AnswerBox.Choice)]
    [InlineData("feel", AnswerBox.Feel)]
    public void Each_task_is_answered_with_its_own_box(string task, AnswerBox box) => Assert.Equal(box, AnswerBoxes.BoxFor(One(task)));

    [Fact]
    public void A_whole_face_is_numbered_and_its_answer_names_the_numerals_from_the_top()
    {
        var item = Item.From(OtherSkillItems.Find(ClockTasks.NumberFace, OtherSkillItems.WholeFace)!);
        Assert.Equal(AnswerBox.Numerals, AnswerBoxes.BoxFor(item));
        Assert.True(Right(item, "12 1 2 3 4 5 6 7 8 9 10 11"));
        Assert.False(Right(item, "12 11 10 9 8 7 6 5 4 3 2 1"));
        Assert.False(Right(item, "1 2 3 4 5 6 7 8 9 10 11 12"));
    }

    [Theory]
    [InlineData("set-from-digital", true, true)]
    [InlineData("copy-clock", true, true)]
    [InlineData("repair-clock", true, true)]
    [InlineData("place-hour-hand", true, false)]
    [InlineData("place-minute-hand", false, true)]
    [InlineData("set-minutes", false, true)]
    [InlineData("infer-minute-hand", false, true)]
    [InlineData("read-digital", false, false)]
    public void Only_the_hands_that_are_asked_for_are_loose(string task, bool hour, bool minute) =>
        Assert.Equal((hour, minute), AnswerBoxes.LooseHands(One(task)));

    [Theory]
    [InlineData("|25 8:25", true)]
    [InlineData("|25.8 8:25", true)]
    [InlineData("|25 twenty-five past eight", true)]
    [InlineData("8:25", true)]
    [InlineData("|25 8:30", false)]
    [InlineData("|40 8:25", false)]
    [InlineData("|5 8:05", false)]
    public void By_the_hour_hand_alone_the_long_hand_and_the_time_must_both_be_right(string raw, bool right) =>
        Assert.Equal(right, Right(new Item(ClockTasks.InferMinuteHand, new ClockTime(8, 25)), raw));

    [Theory]
    [InlineData("|25 8:30", "8:30")]
    [InlineData("|40 8:25", "8:25")]
    public void Of_a_hand_and_a_time_the_time_is_the_reading(string raw, string read)
    {
        var item = new Item(ClockTasks.InferMinuteHand, new ClockTime(8, 25));
        Assert.Equal(read, Assert.Single(ImpliedReading.In(item, item.Read(raw), AnswerMode.Written)).Answer.Short(Wording.Usual));
    }

    [Theory]
    [InlineData("|61 8:25")]
    [InlineData("|25 soon")]
    public void A_hand_and_a_time_that_cannot_be_read_are_kept_as_they_are(string raw) =>
        Assert.Equal(new Unread(raw), new Item(ClockTasks.InferMinuteHand, new ClockTime(8, 25)).Read(raw));

    [Fact]
    public void Hands_that_go_together_tell_of_the_long_hand_only()
    {
        var item = new Item(ClockTasks.SetFromDigital, new ClockTime(7, 40));
        var geared = Assert.Single(ImpliedReading.In(item, item.Read("7.67|40"), AnswerMode.Geared));
        Assert.Equal((ClockTasks.PlaceMinuteHand, new PlacedAnswer(null, 40)), (geared.Item.Task, geared.Answer));
        foreach (var pattern in Catalogue.All.Where(pattern => pattern.Step == Step.Placing))
        {
            Assert.True(After(AnswerMode.Geared, pattern) >= new Belief(Model).ProbabilityOf(pattern), pattern.Id);
            // The middle of the space is near enough to be right at this time.
            if (Model.IsTelling(pattern, item))
                Assert.True(After(AnswerMode.Placed, pattern) < new Belief(Model).ProbabilityOf(pattern) / 2, pattern.Id);
            else Assert.Equal("hour-hand-halfway", pattern.Id);
        }

        double After(AnswerMode mode, Pattern pattern)
        {
            var belief = new Belief(Model);
            belief.Update(new ItemAnswer(item, item.Read("7.67|40"), mode));
            return belief.ProbabilityOf(pattern);
        }
    }

    [Theory]
    [InlineData("set-from-digital", true)]
    [InlineData("copy-clock", true)]
    [InlineData("repair-clock", false)]
    [InlineData("place-minute-hand", false)]
    [InlineData("read-digital", false)]
    public void Hands_can_go_together_where_both_are_set_from_nothing(string task, bool can) =>
        Assert.Equal(can, AnswerBoxes.CanGear(One(task)));

    [Theory]
    [InlineData("b", "3:20")]
    [InlineData("B", "3:20")]
    [InlineData("d", "d")]
    [InlineData("3:20", "3:20")]
    public void A_letter_stands_for_a_clock_to_choose(string typed, string spelled) =>
        Assert.Equal(spelled, ClockLetters.Spelled(
            new Item(ClockTasks.ChooseClock, new ClockTime(4, 0))
            { Choices = [AnswerParser.Parse("4:00"), AnswerParser.Parse("3:20"), AnswerParser.Parse("5:00")] }, typed));

    [Theory]
    [InlineData("a=6:20; B = 7:45", "4:00=6:20; 3:20=7:45")]
    [InlineData("4:00=6:20;c=1", "4:00=6:20; c=1")]
    public void Letters_stand_for_clocks_to_join(string typed, string spelled) =>
        Assert.Equal(spelled, ClockLetters.Spelled(new Item(ClockTasks.Match, new ClockTime(4, 0)) { Clocks = [new(4, 0), new(3, 20)] },
            typed));

    [Theory]
    [InlineData("30 seconds", "27.5", "30 seconds: 2.5 too early")]
    [InlineData("30 seconds", "31", "30 seconds: 1 too late")]
    [InlineData("10 seconds", "10", "10 seconds: exactly")]
    public void A_stop_by_feeling_is_told_in_words(string given, string stopped, string told)
    {
        var item = Item.From(OtherSkillItems.Find(ClockTasks.Feel, given)!);
        Assert.Equal([told], OtherSkills.From([new ItemAnswer(item, item.Read(stopped), AnswerMode.Written)], 0).Felt);
    }

    [Fact]
    public void Beside_reading_only_what_has_shown_itself_is_told()
    {
        var clock = new Item(ClockTasks.ReadDigital, new ClockTime(4, 0));
        Assert.True(OtherSkills.From([new ItemAnswer(clock, clock.Right, AnswerMode.Said)], 0).IsEmpty);
        var later = OtherSkillItems.All.Where(item => item.Task == ClockTasks.Later).ToList();
        var way = (OtherSkillRule)Catalogue.Find("past-sixty")!.Rule;
        var found = OtherSkills.From(
            later.ConvertAll(item =>
                new ItemAnswer(item, new TextAnswer(way.AnswerTo(item.OtherSkill!) ?? item.OtherSkill!.Right), AnswerMode.Written)),
                    0).Findings;
        Assert.Equal("past-sixty", Assert.Single(found).Pattern!.Id);
        Assert.Empty(OtherSkills.From(later.ConvertAll(item => new ItemAnswer(item, item.Right, AnswerMode.Written)), 0).Findings);
    }

    [Fact]
    public void Every_task_can_be_had_at_every_stage_and_the_same_seed_makes_the_same_items()
    {
        var maker = new OneOfEach(Model);
        foreach (var stage in Enum.GetValues<Stage>())
        {
            var items = maker.Make(ClockTasks.All, stage, 3);
            Assert.Equal(ClockTasks.All, items.Select(item => item.Task));
            Assert.Equal(items, maker.Make(ClockTasks.All, stage, 3));
        }
    }

    [Fact]
    public void A_chosen_task_keeps_to_the_times_that_are_taught()
    {
        var items = new OneOfEach(Model).Make(ClockTasks.All.Where(task => !task.IsQuestion), Stage.HalfPast, 5);
        Assert.All(items, item =>
            Assert.True(item.Time.Minute is 0 or 30 || item.Task.From > Stage.HalfPast, $"{item.Task.Id} {item.Time}"));
    }

    [Theory]
    [InlineData("30 seconds", "27.5", -2.5)]
    [InlineData("60 seconds", "71", 11.0)]
    [InlineData("10 seconds", "10", 0.0)]
    public void Stopping_too_early_or_too_late_is_told_in_seconds(string given, string stopped, double off) =>
        Assert.Equal(off, OtherSkillItems.Find(ClockTasks.Feel, given)!.SecondsOff(stopped));

    [Theory]
    [InlineData("30 seconds", "soon")]
    [InlineData("30 seconds", "-3")]
    public void What_is_no_number_of_seconds_is_not_reckoned(string given, string stopped) =>
        Assert.Null(OtherSkillItems.Find(ClockTasks.Feel, given)!.SecondsOff(stopped));

    [Fact]
    public void The_ground_check_has_each_skill_and_every_answer_is_right_as_it_stands()
    {
        Assert.Equal(12, PrerequisiteCheck.Items.Count);
        Assert.Equal(
            ["clockwise", "counts in fives", "doubles and halves", "half and quarter", "longer and shorter", "reads numerals to 12"],
            PrerequisiteCheck.Items.Select(item => item.OtherSkill!.Skill!).Distinct().Order());
        Assert.All(PrerequisiteCheck.Items, item => Assert.True(Right(item, item.OtherSkill!.Right)));
    }

    [Theory]
    [InlineData(Step.Minutes, 0.0, "", true)]
    [InlineData(Step.Hour, 0.0, "numeral-as-minutes counts-in-twos", true)]
    [InlineData(Step.Hour, 0.0, "numeral-as-minutes next-hour", false)]
    [InlineData(Step.Hour, 0.0, "", false)]
    [InlineData(Step.Hour, 0.9, "", true)]
    public void Prerequisites_are_offered_where_the_minutes_are_muddled_or_nothing_is_followed(
        Step otherAt, double guessing, string believed, bool offered) =>
        Assert.Equal(offered, PrerequisiteCheckOffer.IsWorthOffering(
            new Conclusion([], guessing, [new OtherWay(otherAt, 0.9, Label.Likely, [0, 1, 2], 3, 0)], [], 5),
            believed.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(id => Catalogue.Find(id)!)));

    [Theory]
    [InlineData("6:20", "7:20", "next-hour")]
    [InlineData("8:35", "8:07", "numeral-as-minutes")]
    [InlineData("4:20", "4:00", "minutes-ignored")]
    public void An_answer_of_a_pattern_that_is_believed_stands_ready(string time, string answer, string pattern)
    {
        var belief = new Belief(Model);
        belief.ApplyTeacherJudgement(Catalogue.Find(pattern)!, holds: true);
        var ready = new ReadyAnswers(Model).For(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), AnswerMode.Said, belief);
        Assert.Equal(answer, ready[0].Answer.Short(Wording.Usual));
        Assert.Equal(pattern, ready[0].Patterns[0].Id);
    }

    [Fact]
    public void Ready_answers_are_wrong_few_and_never_twice()
    {
        var ready = new ReadyAnswers(Model);
        var belief = new Belief(Model);
        foreach (var item in ItemBank.ForSitting(Stage.FiveMinutesTo, ItemBank.AskedAloud))
        {
            var answers = ready.For(item, item.Task.Aloud, belief);
            Assert.InRange(answers.Count, 0, ReadyAnswers.Most);
            Assert.Equal(answers.Count, answers.Select(answer => answer.Answer).Distinct().Count());
            Assert.DoesNotContain(item.Right, answers.Select(answer => answer.Answer));
        }
    }

    [Fact]
    public void A_question_of_its_own_has_no_ready_answers() =>
        Assert.Empty(new ReadyAnswers(Model).For(PrerequisiteCheck.Items[0], AnswerMode.Said, new Belief(Model)));

    [Theory]
    [InlineData("6:20=7:20 8:40=9:40 4:25=5:25 9:50=10:50 2:00=2:00 3:30=4:30 7:00=7:00 1:10=2:10", ScreeningGroup.Join, "the coming hour")]
    [InlineData("6:20=6:20 8:40=8:40 4:25=4:25 9:50=9:50 2:00=2:00 3:30=3:30 7:00=7:00 1:10=1:10", ScreeningGroup.Secure, "8 of 8 right.")]
    [InlineData("6:20=6:20 8:40=8:40 4:25=4:20 9:50=9:50 2:00=2:00 3:30=3:30 7:00=8:00 1:10=1:10", ScreeningGroup.Watch, "6 of 8 right")]
    [InlineData("6:20=11:05 8:40=2:30 4:25=9:00 9:50=3:15 2:00=5:45 3:30=8:10 7:00=7:00 1:10=6:00", ScreeningGroup.Join, "no one way")]
    [InlineData("6:20=6:20 8:40=8:40", ScreeningGroup.NotYet, "Only 2 of 8")]
    [InlineData("", ScreeningGroup.NotYet, "No answers yet")]
    public void A_screened_child_is_sorted_with_a_reason(string answers, ScreeningGroup group, string reason)
    {
        var given = answers.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(answer => answer.Split('='))
            .Select(answer => new ItemAnswer(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(answer[0])!.Value),
            AnswerParser.Parse(answer[1]), AnswerMode.Written)).ToList();
        var belief = new Belief(Model);
        var observed = ObservedAnswer.All(Model, given);
        belief.Update(observed.SelectMany(answer => answer.Observations));
        var right = given.Count(answer => Scoring.IsRight(answer.Item, answer.Answer, answer.Mode, Stage.EveryMinute));
        var result = ScreeningResult.From(8, given.Count, right, Conclusion.From(Model, belief, observed));
        Assert.Equal(group, result.Group);
        Assert.Contains(reason, result.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Each_way_of_doing_it_has_a_key_of_its_own_and_no_answer_needs_it()
    {
        Assert.Equal(HowDone.All.Count, HowDone.All.Select(how => how.Key).Distinct().Count());
        Assert.All(HowDone.All, how => Assert.True(char.IsAsciiLetterUpper(how.Key)));
        Assert.All(HowDone.All, how => Assert.Same(how, HowDone.Find(how.Id)));
    }

    private static bool Right(Item item, string raw) => Scoring.IsRight(item, item.Read(raw), AnswerMode.Written, Stage.EveryMinute);

    private static Item One(string task) => new OneOfEach(Model).Make([ClockTasks.Find(task)!], Stage.EveryMinute, 1)[0];
}
