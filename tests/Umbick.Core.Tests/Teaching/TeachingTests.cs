using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>What a school settles, and what follows from it.</summary>
public sealed class TeachingTests
{
    public static TheoryData<string> Ids => [.. SettingList.All.Select(setting => setting.Id)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void Each_setting_has_a_usual_choice_a_reason_in_one_sentence_and_no_choice_twice(string id)
    {
        var setting = SettingList.Find(id)!;
        Assert.Equal(setting.Usual.Id, TeachingPreferences.Usual[setting]);
        Assert.EndsWith(".", setting.Why, StringComparison.Ordinal);
        Assert.Equal(setting.Choices.Count, setting.Choices.Select(choice => choice.Id).Distinct().Count());
        Assert.Single(SettingList.All, other => other.Id == id);
    }

    [Theory]
    [InlineData("past", "after", "6:20", "twenty after six")]
    [InlineData("to", "till", "6:40", "twenty till seven")]
    [InlineData("to", "of", "6:45", "quarter of seven")]
    [InlineData("to", "before", "6:55", "five before seven")]
    public void Words_follow_the_school(string setting, string choice, string time, string words) =>
        Assert.Equal(words, With((setting, choice)).Wording.Words(ClockTime.TryParse(time)!.Value));

    [Theory]
    [InlineData("colon", "8:05")]
    [InlineData("stop", "8.05")]
    public void Figures_follow_the_school(string mark, string figures) =>
        Assert.Equal(figures, With(("mark", mark)).Wording.Digital(new ClockTime(8, 5)));

    [Theory]
    [InlineData("hour-first", "as-reading", "First the short hand", "short hand first")]
    [InlineData("minute-first", "as-reading", "First the long hand", "long hand first")]
    [InlineData("minute-first", "hour-first", "First the long hand", "short hand first")]
    [InlineData("hour-first", "minute-first", "First the short hand", "long hand first")]
    public void Prompts_follow_the_routine(string reading, string setting, string read, string set)
    {
        var preferences = With(("reading", reading), ("setting", setting));
        Assert.Contains(read, ChildWords.Routine(preferences, setting: false), StringComparison.Ordinal);
        Assert.Contains(set, ChildWords.Routine(preferences, setting: true), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("hour-words", "passed", Step.Hour, Stage.EveryMinute, "has the short hand passed")]
    [InlineData("hour-words", "at", Step.Hour, Stage.EveryMinute, "at, or just after")]
    [InlineData("hour-words", "at", Step.Hour, Stage.EveryMinute, "or just after")]
    [InlineData("minute-words", "by-stage", Step.Minutes, Stage.HalfPast, "straight up, straight down")]
    [InlineData("minute-words", "by-stage", Step.Minutes, Stage.FiveMinutesPast, "count in fives")]
    [InlineData("minute-words", "numeral", Step.Minutes, Stage.HalfPast, "At which number")]
    [InlineData("minute-words", "count", Step.Minutes, Stage.HalfPast, "count in fives")]
    [InlineData("noon", "both", Step.DayHalves, Stage.EveryMinute, "the sun, and of where the count turns")]
    [InlineData("noon", "light", Step.DayHalves, Stage.EveryMinute, "light then or dark")]
    [InlineData("noon", "count", Step.DayHalves, Stage.EveryMinute, "turns at noon and at midnight")]
    public void What_is_said_of_the_hands_and_of_noon_follows_the_school(
        string setting, string choice, Step step, Stage stage, string said) =>
        Assert.Contains(said, ChildWords.LookAgain(step, With((setting, choice)), stage), StringComparison.Ordinal);

    [Theory]
    [InlineData("set-from-digital", "hour-first", false, "Set the short hand first, then the long one.")]
    [InlineData("set-from-digital", "minute-first", false, "Set the long hand first, then the short one.")]
    [InlineData("set-from-words", "minute-first", true, "The hands go together. Turn the long one, and watch the short one.")]
    [InlineData("place-hour-hand", "hour-first", false, "Move the short hand.")]
    [InlineData("place-minute-hand", "hour-first", false, "Move the long hand.")]
    [InlineData("repair-clock", "hour-first", false, "Only one hand is wrong. Move that one.")]
    public void Hands_to_set_come_with_a_word_on_how(string task, string setting, bool geared, string said) =>
        Assert.Equal(said, ChildWords.Hands(new Item(ClockTasks.Find(task)!, new ClockTime(7, 20)), With(("setting", setting)), geared));

    [Fact]
    public void Counting_prompts_follow_where_the_count_starts_and_how_late_minutes_are_counted()
    {
        Assert.Contains("Start at the top", ChildWords.LookAgain(Step.Minutes, TeachingPreferences.Usual), StringComparison.Ordinal);
        Assert.Contains("five at the 1", ChildWords.LookAgain(Step.Minutes, With(("count-start", "one"))), StringComparison.Ordinal);
        Assert.Contains("count back", ChildWords.LookAgain(Step.Minutes, With(("late-minutes", "back"))), StringComparison.Ordinal);
        Assert.DoesNotContain("count back",
            ChildWords.LookAgain(Step.Minutes, With(("late-minutes", "back"), ("minute-words", "count")), Stage.QuarterPast),
            StringComparison.Ordinal);
        Assert.DoesNotContain("count back", ChildWords.LookAgain(Step.Minutes, TeachingPreferences.Usual), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("read-words", Stage.QuarterTo, false)]
    [InlineData("words-to-digital", Stage.QuarterTo, false)]
    [InlineData("choose-clock", Stage.QuarterTo, false)]
    [InlineData("read-digital", Stage.QuarterTo, true)]
    [InlineData("set-from-digital", Stage.QuarterTo, true)]
    [InlineData("read-words", Stage.FiveMinutesTo, true)]
    public void With_figures_first_words_wait_until_five_minute_times(string task, Stage stage, bool used)
    {
        Assert.Equal(used, With(("path", "figures")).Uses(ClockTasks.Find(task)!, stage));
        Assert.True(TeachingPreferences.Usual.Uses(ClockTasks.Find(task)!, stage));
    }

    [Theory]
    [InlineData("by-stage", Stage.HalfPast, "7.2|40", true)]
    [InlineData("by-stage", Stage.FiveMinutesTo, "7.2|40", false)]
    [InlineData("space", Stage.FiveMinutesTo, "7.2|40", true)]
    [InlineData("place", Stage.HalfPast, "7.2|40", false)]
    [InlineData("place", Stage.HalfPast, "7.6|40", true)]
    [InlineData("space", Stage.FiveMinutesTo, "8.1|40", false)]
    public void How_near_the_hour_hand_must_be_follows_the_school(string nearness, Stage stage, string placed, bool right)
    {
        var item = new Item(ClockTasks.SetFromDigital, new ClockTime(7, 40));
        Assert.Equal(right, Scoring.IsRight(item, item.Read(placed), AnswerMode.Placed, stage, With(("nearness", nearness)).Nearness));
    }

    [Fact]
    public void A_child_s_own_choice_goes_before_the_school_s_and_the_rest_stays()
    {
        var school = With(("past", "after"), ("numerals", "roman"));
        var child = school.With(new Dictionary<string, string> { ["numerals"] = "quarters" });
        Assert.Equal(Numerals.Quarters, child.Dial.Numerals);
        Assert.Equal("after", child.Wording.Past);
        Assert.Equal("quarters", child.ForChild(SettingList.Numerals));
        Assert.Null(child.ForChild(SettingList.Past));
        Assert.Equal(Numerals.Roman, school.Dial.Numerals);
    }

    [Fact]
    public void What_is_no_setting_or_no_choice_changes_nothing()
    {
        var preferences = With(("numerals", "upside down"), ("weather", "fine"));
        Assert.Equal(TeachingPreferences.Usual.Dial, preferences.Dial);
        Assert.Null(SettingList.Find("weather"));
    }

    [Theory]
    [InlineData("by-last", null)]
    [InlineData("full", Support.Full)]
    [InlineData("most", Support.Most)]
    [InlineData("some", Support.Some)]
    [InlineData("bare", Support.Bare)]
    public void The_help_on_the_first_clocks_follows_the_school(string choice, Support? support) =>
        Assert.Equal(support, With(("support", choice)).Support);

    [Theory]
    [InlineData("by-use", true, false)]
    [InlineData("geared", true, true)]
    [InlineData("loose", false, false)]
    public void Whether_hands_go_together_follows_the_school(string choice, bool shown, bool practised)
    {
        var preferences = With(("hands", choice));
        Assert.Equal((shown, practised), (preferences.ShowsGeared, preferences.PractisesGeared));
    }

    [Theory]
    [InlineData("as-long", false)]
    [InlineData("countdown", true)]
    public void A_line_runs_down_only_where_the_school_says_so(string choice, bool runs) =>
        Assert.Equal(runs, With(("waiting", choice)).CountsDown);

    [Theory]
    [InlineData("past", "after", Stage.HalfPast, "Half after")]
    [InlineData("past", "after", Stage.FiveMinutesPast, "Five-minute times, after")]
    [InlineData("to", "till", Stage.QuarterTo, "Quarter till")]
    [InlineData("to", "till", Stage.HalfPast, "Half past")]
    public void Stages_are_called_in_the_school_s_words(string setting, string choice, Stage stage, string name) =>
        Assert.Equal(name, stage.Name(With((setting, choice)).Wording));

    [Theory]
    [InlineData("read-words", "Say it with after or till.")]
    [InlineData("minutes-only", "How many minutes after the hour?")]
    [InlineData("set-minutes", "minutes after the hour.")]
    public void Questions_are_asked_in_the_school_s_words(string task, string asked) =>
        Assert.EndsWith(asked, new Item(ClockTasks.Find(task)!, new ClockTime(7, 40)).Ask(With(("past", "after"), ("to", "till")).Wording),
            StringComparison.Ordinal);

    [Theory]
    [InlineData("3:10 half an hour later", "It is 3.10. What time will it be half an hour later?")]
    public void Times_in_questions_have_the_school_s_mark(string given, string asked) =>
        Assert.Equal(asked, Item.From(OtherSkillItems.Find(ClockTasks.Later, given)!).Ask(With(("mark", "stop")).Wording));

    [Theory]
    [InlineData("read-digital", "First the short hand")]
    [InlineData("set-from-digital", "Set the short hand first")]
    [InlineData("place-hour-hand", "How far has the short hand moved on")]
    [InlineData("place-minute-hand", "count in fives to the long hand")]
    [InlineData("infer-minute-hand", "First the short hand")]
    [InlineData("minutes-only", "count in fives to the long hand")]
    [InlineData("hour-only", "Which number has the short hand passed")]
    [InlineData("words-to-digital", "‘To’: it is still coming")]
    [InlineData("day-part", "before noon or after")]
    [InlineData("later", "An hour is full at sixty")]
    [InlineData("count-fives", "Take your time")]
    public void A_word_that_helps_points_at_what_to_do(string task, string word)
    {
        var found = ClockTasks.Find(task)!;
        var item = OtherSkillItems.All.FirstOrDefault(item => item.Task == found) ?? new Item(found, new ClockTime(7, 40));
        Assert.Contains(word, ChildWords.Help(item, TeachingPreferences.Usual, Stage.EveryMinute), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("8", 8)]
    [InlineData("16", 16)]
    public void The_length_of_a_sitting_follows_the_school(string choice, int length) =>
        Assert.Equal(length, With(("length", choice)).Length);

    [Fact]
    public void Timing_can_be_switched_off()
    {
        Assert.True(TeachingPreferences.Usual.Timed);
        Assert.False(With(("timing", "off")).Timed);
    }

    private static TeachingPreferences With(params (string Id, string Choice)[] chosen) =>
        new(chosen.ToDictionary(each => each.Id, each => each.Choice));
}
