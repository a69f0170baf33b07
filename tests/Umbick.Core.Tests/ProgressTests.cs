using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Progress;

namespace Umbick.Core.Tests;

/// <summary>What progress reckons: stages, the dial, fluency, the aim line and rechecks.</summary>
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
        var record = StageRecord.Of(answers).Single(stage => stage.Stage == Stage.HalfPast);
        Assert.Equal(secure, record.IsSecure);
        Assert.Equal(outcomes.Length, record.Asked);
        Assert.Equal(outcomes.Count(outcome => outcome == 'r'), record.Right);
    }

    [Fact]
    public void The_dial_counts_right_and_wrong_by_hour_and_by_sector_without_help()
    {
        var map = DialMap.Of([Answer(Monday, "12:05", true), Answer(Monday, "12:09", false), Answer(Monday, "6:55", false), Answer(Monday, "6:55", true) with { Helped = true }]);
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
        Assert.Equal([new Fluency(Monday, 8, 3), new Fluency(Monday.AddDays(7), 4, 2)], Fluency.Of(answers));
        Assert.Throws<InvalidOperationException>(() => Median.Of([]));
    }

    [Theory]
    [InlineData("0.2 0.4 0.3", Decision.TooFew)]
    [InlineData("0.2 0.4 0.3 0.3 0.3 0.3 0.3", Decision.ChangeTheApproach)]
    [InlineData("0.2 0.4 0.3 0.9 0.9 0.9 0.95", Decision.RaiseTheGoal)]
    [InlineData("0.2 0.4 0.3 0.4 0.6 0.5 0.7", Decision.CarryOn)]
    public void The_last_four_checks_decide(string scores, Decision decision) => Assert.Equal(decision, Line(scores)!.Decision);

    [Fact]
    public void The_line_runs_from_the_median_of_the_first_three_to_the_goal()
    {
        var line = Line("0.2 0.4 0.3 0.4 0.6 0.5 0.7")!;
        Assert.Equal(0.3, line.From, 9);
        Assert.Equal(0.3, line.On(line.Start), 9);
        Assert.Equal(0.9, line.On(line.End), 9);
        Assert.Equal(0.9, line.On(line.End.AddDays(30)), 9);
        Assert.Null(AimLine.Through([new CheckScore(Monday, 0.3)], Monday.AddDays(70), 0.9));
    }

    [Fact]
    public void One_wild_check_does_not_bend_the_trend()
    {
        Assert.Equal(0.1, Line("0.1 0.2 0.3 0.4 0.5 0.6 0.7")!.PerWeek!.Value, 9);
        Assert.Equal(0.1, Line("0.1 0.2 0.3 0.0 0.5 0.6 0.7")!.PerWeek!.Value, 2);
        Assert.Null(Line("0.1 0.2 0.3")!.PerWeek);
    }

    [Theory]
    [InlineData("rrrrrrrrrr", "", "2026-03-09", "2026-03-12", false)]
    [InlineData("rrrrrrrrrr", "rrrr", "2026-03-09", "2026-03-16", false)]
    [InlineData("rrrrrrrrrr", "rrwr", "2026-03-09", "2026-03-16", false)]
    [InlineData("rrrrrrrrrr", "rwwr", "2026-03-09", null, true)]
    [InlineData("wrrrrrrrrr", "", "2026-03-09", "2026-03-12", false)]
    [InlineData("rrrrrrrrwr", "", null, null, false)]
    [InlineData("rrrrrrrrr", "", null, null, false)]
    public void What_is_mastered_is_checked_again_after_3_7_21_and_56_days(string before, string after, string? mastered, string? next, bool back)
    {
        var telling = before.Select((outcome, i) => Telling(i < 5 ? Monday : Monday.AddDays(7), outcome))
            .Concat(after.Select(outcome => Telling(Monday.AddDays(10), outcome)))
            .ToList();
        Assert.Equal(new Rechecks(Day(mastered), Day(next), back), Rechecks.Of(telling));
    }

    [Fact]
    public void Answers_with_help_master_nothing()
    {
        var helped = Enumerable.Range(0, 12).Select(i => Telling(Monday.AddDays(i), 'r')).Select(one => (one.Day, one.Answer with { Given = one.Answer.Given with { Helped = true } })).ToList();
        Assert.Null(Rechecks.Of(helped).MasteredOn);
    }

    private static DateOnly? Day(string? day) => day is null ? null : DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture);

    private static ScoredAnswer Answer(DateOnly day, string time, bool right) => new(day, new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), right);

    private static (DateOnly Day, TellingAnswer Answer) Telling(DateOnly day, char outcome)
    {
        var item = new Item(ClockTasks.ReadDigital, new ClockTime(6, 20));
        var given = new ItemAnswer(item, item.Right, AnswerMode.Said);
        return (day, new TellingAnswer(0, given, item.Right, outcome == 'r' ? TellingOutcome.Right : TellingOutcome.ItsWay));
    }

    private static AimLine? Line(string scores) =>
        AimLine.Through([.. scores.Split(' ').Select((score, week) => new CheckScore(Monday.AddDays(7 * week), double.Parse(score, System.Globalization.CultureInfo.InvariantCulture)))], Monday.AddDays(77), 0.9);
}
