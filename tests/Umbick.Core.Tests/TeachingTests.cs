using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
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
        Assert.Equal(setting.Usual.Id, Manner.Usual[setting]);
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
        var manner = With(("reading", reading), ("setting", setting));
        Assert.Contains(read, ChildWords.Routine(manner, setting: false), StringComparison.Ordinal);
        Assert.Contains(set, ChildWords.Routine(manner, setting: true), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("hour-words", "passed", Step.Hour, Stage.EveryMinute, "has the short hand passed")]
    [InlineData("hour-words", "at", Step.Hour, Stage.EveryMinute, "at, or just after")]
    [InlineData("hour-words", "nearest", Step.Hour, Stage.EveryMinute, "nearest to")]
    [InlineData("minute-words", "by-stage", Step.Minutes, Stage.HalfPast, "straight up, straight down")]
    [InlineData("minute-words", "by-stage", Step.Minutes, Stage.FiveMinutesPast, "count in fives")]
    [InlineData("minute-words", "numeral", Step.Minutes, Stage.HalfPast, "At which number")]
    [InlineData("minute-words", "count", Step.Minutes, Stage.HalfPast, "count in fives")]
    [InlineData("noon", "both", Step.DayHalves, Stage.EveryMinute, "the sun, and of where the count turns")]
    [InlineData("noon", "light", Step.DayHalves, Stage.EveryMinute, "light then or dark")]
    [InlineData("noon", "count", Step.DayHalves, Stage.EveryMinute, "turns at noon and at midnight")]
    public void What_is_said_of_the_hands_and_of_noon_follows_the_school(string setting, string choice, Step step, Stage stage, string said) =>
        Assert.Contains(said, ChildWords.LookAgain(step, With((setting, choice)), stage), StringComparison.Ordinal);

    [Fact]
    public void Counting_prompts_follow_where_the_count_starts_and_how_late_minutes_are_counted()
    {
        Assert.Contains("Start at the top", ChildWords.LookAgain(Step.Minutes, Manner.Usual), StringComparison.Ordinal);
        Assert.Contains("five at the 1", ChildWords.LookAgain(Step.Minutes, With(("count-start", "one"))), StringComparison.Ordinal);
        Assert.Contains("count back", ChildWords.LookAgain(Step.Minutes, With(("late-minutes", "back"))), StringComparison.Ordinal);
        Assert.DoesNotContain("count back", ChildWords.LookAgain(Step.Minutes, Manner.Usual), StringComparison.Ordinal);
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
        Assert.True(Manner.Usual.Uses(ClockTasks.Find(task)!, stage));
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
        var manner = With(("numerals", "upside down"), ("weather", "fine"));
        Assert.Equal(Manner.Usual.Dial, manner.Dial);
        Assert.Null(SettingList.Find("weather"));
    }

    [Theory]
    [InlineData("8", 8)]
    [InlineData("16", 16)]
    public void The_length_of_a_sitting_follows_the_school(string choice, int length) => Assert.Equal(length, With(("length", choice)).Length);

    [Fact]
    public void Timing_can_be_switched_off()
    {
        Assert.True(Manner.Usual.Timed);
        Assert.False(With(("timing", "off")).Timed);
    }

    private static Manner With(params (string Id, string Choice)[] chosen) => new(chosen.ToDictionary(one => one.Id, one => one.Choice));
}
