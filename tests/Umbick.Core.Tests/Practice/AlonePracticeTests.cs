using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>
/// What a child alone at a screen meets: where hands start, what is told at last, when it is enough, and what is asked aloud only.
/// </summary>
public sealed class AlonePracticeTests
{
    private static readonly ReadingModel Model = new();

    [Fact]
    public void Loose_hands_start_nowhere_that_the_answer_or_a_pattern_s_answer_is()
    {
        ClockTask[] tasks = [ClockTasks.SetFromDigital, ClockTasks.SetFromWords, ClockTasks.CopyClock, ClockTasks.PlaceHourHand,
            ClockTasks.PlaceMinuteHand, ClockTasks.SetMinutes];
        foreach (var time in ClockTime.All().Where((_, i) => i % 3 == 0))
        {
            foreach (var item in tasks.Select(task => new Item(task, time)))
            {
                var start = StartingHands.For(Model, item);
                Assert.True(HandPositions.HoursApart(start.Hour, HandPositions.Showing(time).Hour) > 0.3
                    && HandPositions.MinutesApart(start.Minute, time.Minute) > 2, $"{item.Task.Id} {time}: a hand starts where it belongs");
                Assert.Equal(start.Minute / 60, start.Hour % 1, 6);
                Assert.All(Model.Predict(item, AnswerMode.Placed).Answers.OfType<PlacedAnswer>(), placed => Assert.False(
                    (placed.Hour is not { } hour || HandPositions.HoursApart(hour, start.Hour) < 0.15)
                        && (placed.Minute is not { } minute || HandPositions.MinutesApart(minute, start.Minute) < 1.5),
                    $"{item.Task.Id} {time}: {placed.Raw} from {start.Hour:0.##}|{start.Minute:0.##}"));
            }
        }
    }

    [Theory]
    [InlineData("read-digital", "10:00", "3:15", "The short hand is exactly on the 10, so the hour is 10.",
        "The long hand points straight up, at the 12: no minutes past the hour.")]
    [InlineData("read-digital", "6:20", "7:20", "The short hand has passed the 6 and is not yet at the 7, so the hour is 6.")]
    [InlineData("read-digital", "8:35", "8:07", "The long hand is at the 7. Counted in fives from the 12 that is 35 minutes past.")]
    [InlineData("read-digital", "6:17", "6:18", "The long hand is two small ticks past the 3: 15 and 2 is 17 minutes past.")]
    [InlineData("read-digital", "9:05", "9:5", "Minutes are written with two figures: 9:05.")]
    [InlineData("read-words", "6:40", "20 past 6", "The long hand is at the 8. Counted in fives from the 12 that is 40 minutes past.",
        "Going up. 20 minutes are left. Seven is coming: twenty to seven.")]
    [InlineData("set-from-digital", "7:40", "7|40", "At 7:40 the short hand is past the 7, nearly at the 8.")]
    [InlineData("place-minute-hand", "2:10", "|50", "The long hand is at the 2. Counted in fives from the 12 that is 10 minutes past.")]
    [InlineData("hour-only", "5:50", "6", "The short hand has passed the 5 and is not yet at the 6, so the hour is 5.")]
    [InlineData("minutes-only", "3:00", "12", "The long hand points straight up, at the 12: no minutes past the hour.")]
    [InlineData("words-to-digital", "7:45", "8:45", "Quarter to eight is 15 minutes before 8 o'clock: 7:45.")]
    [InlineData("read-digital", "12:25", "?", "The short hand has passed the 12 and is not yet at the 1, so the hour is 12.",
        "The long hand is at the 5. Counted in fives from the 12 that is 25 minutes past.")]
    public void After_telling_the_face_is_explained_at_the_step_that_went_wrong(
        string task, string time, string given, params string[] told)
    {
        var item = new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value);
        Assert.Equal(told, FaceInWords.For(item, item.Read(given, Typist.Child), TeachingPreferences.Usual));
    }

    [Fact]
    public void What_is_told_at_last_asks_nothing_and_is_told_of_every_clock()
    {
        var items = from task in ClockTasks.OnOneTime
                    from time in ClockTime.All()
                    where time.Minute % 7 is 0 or 3
                    select new Item(task, time);
        Assert.All(items, item =>
            Assert.All(FaceInWords.For(item, null, TeachingPreferences.Usual), sentence => Assert.DoesNotContain('?', sentence)));
        Assert.All(items, item => Assert.NotEmpty(FaceInWords.For(item, null, TeachingPreferences.Usual)));
    }

    [Theory]
    [InlineData("minutes-only", Step.Hour, "count in fives")]
    [InlineData("hour-only", Step.Minutes, "Which number has the short hand passed")]
    [InlineData("judge", Step.Hour, "Which number has the short hand passed")]
    [InlineData("repair-clock", Step.Placing, "How far has the short hand moved on")]
    [InlineData("describe", Step.Hour, "Look at one hand")]
    [InlineData("judge", Step.PastOrTo, "on its way down")]
    public void A_child_looks_again_at_what_the_item_asks(string task, Step practised, string told) => Assert.Contains(
        told, ChildWords.LookAgain(new Item(ClockTasks.Find(task)!, new ClockTime(4, 40)), practised, TeachingPreferences.Usual,
            Stage.FiveMinutesTo), StringComparison.Ordinal);

    [Fact]
    public void A_clock_that_is_worked_through_is_none_that_the_set_asks()
    {
        var tasks = ClockTasks.All.Where(task => task.Order.Count > 0 || task.ReadAs is not null);
        ClockTime[] asked = [new(4, 0), new(4, 20), new(7, 20), new(9, 45)];
        foreach (var item in from task in tasks from time in asked select new Item(task, time))
        {
            Assert.Null(WorkedExample.For(item, Support.Bare, Stage.FiveMinutesTo, asked));
            if (WorkedExample.For(item, Support.Full, Stage.FiveMinutesTo, asked) is not { } example) continue;
            Assert.DoesNotContain(example.Time, asked);
            Assert.NotEqual(item.Time.Hour, example.Time.Hour);
            Assert.True(Stage.FiveMinutesTo.Has(example.Time.Minute));
            Assert.NotEmpty(FaceInWords.For(example, null, TeachingPreferences.Usual));
        }
        Assert.NotNull(WorkedExample.For(new Item(ClockTasks.ReadDigital, new ClockTime(4, 20)), Support.Most, Stage.FiveMinutesTo, asked));
    }

    [Theory]
    [InlineData("4:00 ? - ?", true)]
    [InlineData("? ? 4:00", false)]
    [InlineData("? ?", false)]
    [InlineData("? 4:00 ? ?", false)]
    public void Three_in_a_row_without_an_answer_are_enough(string answers, bool enough) =>
        Assert.Equal(enough, StopRules.HasGivenUp(answers.Split(' ').Select(raw => AnswerParser.Parse(raw))));

    [Fact]
    public void What_would_only_be_copied_from_a_screen_is_asked_aloud()
    {
        Assert.Contains(PrerequisiteCheck.Items, item => item.Ask(Wording.Usual).Contains("Read this number", StringComparison.Ordinal));
        Assert.DoesNotContain(PrerequisiteCheck.ItemsOnScreen,
            item => item.Ask(Wording.Usual).Contains("Read this number", StringComparison.Ordinal));
        for (var seed = 0; seed < 40; seed++)
            Assert.DoesNotContain(new OneOfEach(Model).Make([ClockTasks.Prerequisite, ClockTasks.Prerequisite], Stage.HalfPast, seed,
                onScreen: true), item => item.IsOnlyAloud);
    }

    [Fact]
    public void The_hundreds_link_and_the_label_are_the_same_on_a_page_and_in_a_file()
    {
        var half = OtherSkillItems.Find(ClockTasks.TimeFact, "minutes in half an hour")!;
        ItemAnswer[] answers = [new(Item.From(half), new TextAnswer("50"), AnswerMode.Written)];
        double Belief(double hundreds) =>
            OtherSkills.From(answers, hundreds).Findings.SingleOrDefault(finding => finding.Pattern!.Id == "hundred-minutes")?.Belief ?? 0;
        Assert.True(Belief(1) > Belief(0), "who believes that a half is 50 is believed sooner to reckon in hundreds");
        var once = new OtherSkillFinding(Catalogue.Find("hundred-minutes"), 0.95, Telling: 1, ItsWay: 1);
        Assert.Equal(Label.Possible, once.Label);
        Assert.Equal(Label.Likely, (once with { Telling = 2, ItsWay = 2 }).Label);
        Assert.Equal(Label.Unlikely, (once with { Belief = 0.3 }).Label);
    }

    [Theory]
    [InlineData(0.79, true, true, Label.Possible)]
    [InlineData(0.8, true, true, Label.Likely)]
    [InlineData(0.99, true, false, Label.Possible)]
    [InlineData(0.4, true, false, Label.Possible)]
    [InlineData(0.99, false, false, Label.Possible)]
    [InlineData(0.49, false, false, Label.Unlikely)]
    [InlineData(0.39, true, true, Label.Unlikely)]
    public void A_label_follows_from_belief_and_from_what_was_seen(double belief, bool isSeen, bool suffices, Label label) =>
        Assert.Equal(label, Conclusion.LabelOf(belief, isSeen, suffices));

    [Theory]
    [InlineData(10, 15, false)]
    [InlineData(10, 19, false)]
    [InlineData(10, 20, true)]
    [InlineData(57, 3, false)]
    [InlineData(55, 5, true)]
    [InlineData(0, 30, true)]
    public void Two_places_of_the_minute_hand_are_two_from_ten_minutes_on(int a, int b, bool apart) =>
        Assert.Equal(apart, Evidence.AreApart(a, b));

    [Fact]
    public void A_question_that_cannot_be_understood_is_shown_and_says_nothing()
    {
        var item = Item.Unreadable("juggle 4:00");
        var answer = item.Read("4:00", Typist.Child);
        Assert.IsType<Unread>(answer);
        Assert.False(item.IsReadable);
        Assert.False(Scoring.IsRight(item, answer, AnswerMode.Written, Stage.EveryMinute));
        Assert.Empty(Model.Observe(new ItemAnswer(item, answer, AnswerMode.Written)));
        Assert.True(OtherSkills.From([new ItemAnswer(item, answer, AnswerMode.Written)], 0).IsEmpty);
    }
}
