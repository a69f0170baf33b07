using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Progress;

namespace Umbick.Core.Tests;

/// <summary>What progress computes: stages, the dial, fluency, trend and growth.</summary>
public sealed class ProgressTests
{
    private static readonly DateOnly Monday = new(2026, 3, 2);

    [Theory]
    [InlineData("rrrrrrrrrr", 5, true)]
    [InlineData("rrrrrrrrrw", 5, true)]
    [InlineData("wwwrrrrrrrrrr", 6, true)]
    [InlineData("rrrrrrrrww", 5, false)]
    [InlineData("rrrrrrrrr", 5, false)]
    [InlineData("rrrrrrrrrr", 99, false)]
    public void A_stage_is_secure_after_nine_of_ten_on_two_days(string outcomes, int secondDayFrom, bool secure)
    {
        var answers = outcomes.Select((outcome, i) => Answer(Monday.AddDays(i >= secondDayFrom ? 1 : 0), "6:30", outcome == 'r'));
        var record = StageRecord.ByStage(answers).Single(stage => stage.Stage == Stage.HalfPast);
        Assert.Equal(secure, record.IsSecure);
        Assert.Equal(outcomes.Length, record.Asked);
        Assert.Equal(outcomes.Count(outcome => outcome == 'r'), record.Right);
    }

    [Fact]
    public void The_dial_counts_right_and_wrong_by_hour_and_by_sector_without_help()
    {
        var map = DialMap.From([Answer(Monday, "12:05", true), Answer(Monday, "12:09", false), Answer(Monday, "6:55", false),
            Answer(Monday, "6:55", true) with { Helped = true }]);
        Assert.Equal(new DialCount(12, 1, 1), map.Hours[11]);
        Assert.Equal(new DialCount(6, 0, 1), map.Hours[5]);
        Assert.Equal(new DialCount(5, 1, 1), map.Sectors[1]);
        Assert.Equal(new DialCount(55, 0, 1), map.Sectors[11]);
        Assert.Equal(3, map.Sectors.Sum(sector => sector.Right + sector.Wrong));
    }

    [Theory]
    [InlineData(8, 12)]
    [InlineData(3, 10)]
    [InlineData(55, 60)]
    public void A_line_runs_half_as_long_again_as_right_answers_took_last(double seconds, double line) =>
        Assert.Equal(line, Fluency.LineFor([new Fluency(Monday, 30, 4), new Fluency(Monday.AddDays(7), seconds, 4)]));

    [Fact]
    public void Where_nothing_was_timed_a_line_runs_twenty_seconds() => Assert.Equal(20, Fluency.LineFor([]));

    [Fact]
    public void Fluency_is_the_median_of_right_answers_day_by_day()
    {
        double[] first = [4, 8, 30];
        var answers = first.Select(seconds => Answer(Monday, "6:30", true) with { Seconds = seconds })
            .Append(Answer(Monday, "6:30", false) with { Seconds = 1 })
            .Append(Answer(Monday.AddDays(7), "6:30", true) with { Seconds = 3 })
            .Append(Answer(Monday.AddDays(7), "6:30", true) with { Seconds = 5 });
        Assert.Equal([new Fluency(Monday, 8, 3), new Fluency(Monday.AddDays(7), 4, 2)], Fluency.ByDay(answers));
        Assert.Throws<InvalidOperationException>(() => Median.From([]));
    }

    [Theory]
    [InlineData("0 1 2", null)]
    [InlineData("0 1 2 3", 1.0)]
    [InlineData("0 1 2 3 0 5 6", 1.0)]
    [InlineData("4 4 4 4", 0.0)]
    [InlineData("4 3 2 1", -1.0)]
    public void A_trend_is_claimed_from_four_on_and_one_wild_day_does_not_bend_it(string rights, double? perWeek)
    {
        var trend = Trend.PerWeek(
            [.. rights.Split(' ').Select((right, week) =>
                (Monday.AddDays(7 * week), double.Parse(right, System.Globalization.CultureInfo.InvariantCulture)))]);
        Assert.Equal(perWeek is null, trend is null);
        if (perWeek is { } known) Assert.Equal(known, trend!.Value, 0.25);
    }

    [Fact]
    public void Four_cold_starts_of_one_day_have_no_trend() =>
        Assert.Null(Trend.PerWeek([(Monday, 0), (Monday, 1), (Monday, 2), (Monday, 3)]));

    [Fact]
    public void The_dial_then_is_what_was_before_practice_and_now_the_last_six_weeks()
    {
        var answers = new[] { Answer(Monday, "6:55", false) }.Concat(
            Enumerable.Range(0, 6).Select(i => Answer(Monday.AddDays(30 + i), "6:55", true))).ToList();
        var (then, now) = DialMap.ThenAndNow(answers, Monday.AddDays(2), Monday.AddDays(40));
        Assert.Equal(new DialCount(55, 0, 1), then.Sectors[11]);
        Assert.Equal(new DialCount(55, 6, 0), now!.Sectors[11]);
        Assert.Null(DialMap.ThenAndNow(answers, null, Monday.AddDays(40)).Now);
        Assert.Null(DialMap.ThenAndNow(answers, Monday.AddDays(2), Monday.AddDays(300)).Now);
    }

    [Fact]
    public void Growth_holds_the_child_then_and_now_against_the_same_clocks()
    {
        CheckHeld[] held = [new("A", Monday, 4, 12, 4.2), new("B", Monday.AddDays(28), 5, 12, null),
            new("C", Monday.AddDays(56), 9, 12, 9.7)];
        Assert.Equal(5.5, CheckCycle.Growth(held)!.Value, 9);
        Assert.Null(CheckCycle.Growth(held[..2]));
        Assert.Null(CheckCycle.Growth(held[..1]));
    }

    private static ScoredAnswer Answer(DateOnly day, string time, bool right) =>
        new(day, new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), right);
}
