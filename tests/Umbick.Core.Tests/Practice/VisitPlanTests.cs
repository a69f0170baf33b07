using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

/// <summary>A visit fits a slot: nine of its twelve minutes are for work.</summary>
public sealed class VisitPlanTests
{
    [Theory]
    [InlineData(1, true, false, "the wall clock ½ · cold 1 · show 2½ · practise 2½ · close ½")]
    [InlineData(2, true, false, "the wall clock ½ · cold 1½ · show 2½ · practise 2½ · close ½")]
    [InlineData(3, true, false, "the wall clock 1 · cold 2 · show 2½ · practise 3½ · close ½")]
    [InlineData(3, false, true, "cold 2 · show 1 · practise 3½ · close ½")]
    [InlineData(4, false, false, "cold 2½")]
    public void What_a_visit_has_and_how_long_it_takes(int children, bool wallClock, bool isReminder, string told)
    {
        var plan = VisitPlan.For(children, wallClock, isReminder);
        Assert.Equal(told, plan.InWords);
        Assert.True(plan.Fits, $"{plan.Seconds} s");
    }

    [Theory]
    [InlineData(1, true, true)]
    [InlineData(1, false, true)]
    [InlineData(2, true, false)]
    [InlineData(3, false, true)]
    [InlineData(4, false, false)]
    public void The_wall_clock_is_read_by_one_always_by_two_or_three_once_a_week(int children, bool readThisWeek, bool isRead) =>
        Assert.Equal(isRead, VisitPlan.HasWallClock(children, readThisWeek));

    [Theory]
    [InlineData(1, 6)]
    [InlineData(2, 4)]
    [InlineData(3, 4)]
    [InlineData(4, 0)]
    public void The_more_come_the_fewer_clocks_are_practised(int children, int clocks) =>
        Assert.Equal(clocks, VisitPlan.Practised(children));

    [Fact]
    public void What_clocks_really_take_changes_the_plan()
    {
        var slow = VisitPlan.For(3, hasWallClock: true, isReminder: false, new VisitPace(40, 90));
        Assert.Equal((200, 360), (slow.Parts[1].Seconds, slow.Parts[3].Seconds));
        Assert.False(slow.Fits);
    }

    [Theory]
    [InlineData("2026-03-02", "2026-03-22", false)]
    [InlineData("2026-03-02", "2026-03-23", true)]
    public void Who_was_away_for_three_weeks_begins_with_more_help(string last, string day, bool isAway) =>
        Assert.Equal(isAway, Fading.IsAway(DateOnly.Parse(last), DateOnly.Parse(day)));
}
