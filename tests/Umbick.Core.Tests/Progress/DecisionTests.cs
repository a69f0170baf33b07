using System.Globalization;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Tests;

/// <summary>
/// What follows from cold starts. One is written as its day and its telling answers: <c>r</c> right, <c>i</c> the pattern's way, <c>o</c>
/// some other way; in capitals where a clock was set. A decision is written between them as <c>+finish</c> (taken) or <c>-finish</c>
/// (turned down).
/// </summary>
public sealed class DecisionTests
{
    /// <summary>A week of holidays from 6 April, and a single day on 1 May.</summary>
    private static readonly SchoolYear Year =
        new([new Holiday("Lamp week", Day("6/4"), Day("10/4")), new Holiday("Ferry day", Day("1/5"), Day("1/5"))]);

    [Theory]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iioi", null)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iioi, 23/3 riii", "change-approach")]
    [InlineData("2/3 iiii, 9/3 rrii, 16/3 iioi, 23/3 iiii", null)]
    [InlineData("2/3 rrrr, 9/3 iiii, 16/3 riii, 23/3 iiii", "change-approach")]
    [InlineData("2/3 iiii, 9/3 iiii, 16/3 riii, 23/3 iioi, 30/3 rrri", null)]
    [InlineData("2/3 iiii, 9/3 ii, 16/3 riii, 23/3 iiii", null)]
    [InlineData("2/3 iiii, 9/3 ii, 16/3 riii, 23/3 iiii, 30/3 iiii", "change-approach")]
    [InlineData("2/3 iiii, 9/3 iiii, 16/3 iiii, 23/3 riii", null)]
    [InlineData("2/3 ii, 9/3 iiii, 16/3 riii, 23/3 iiii", null)]
    [InlineData("2/3 iiii, 2/3 iiii, 2/3 riii, 2/3 iiii", "change-approach")]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iiii, 23/3 iiii, +change", null)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iiii, 23/3 iiii, -change", null)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iiii, 23/3 iiii, +change, 24/3 iiii, 30/3 iiii", null)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iiii, 23/3 iiii, +change, 24/3 iiii, 30/3 iiii, 13/4 iiii", "change-approach")]
    [InlineData("2/3 rrrr, 3/3 rrrr, 4/3 rrrr", "finish-pattern")]
    [InlineData("2/3 rrrr, 3/3 rrrr, 4/3 rrro", null)]
    [InlineData("2/3 rrrr, 9/3 rrro", "finish-pattern")]
    [InlineData("2/3 rrrr, 9/3 rrro, -finish", null)]
    [InlineData("2/3 rrrr, 9/3 rrro, -finish, 16/3 rrrr", "finish-pattern")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrri", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii", "back-to-practice")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rroo", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii, +back", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii, -back", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrri, 23/3 rrri", null)]
    [InlineData("2/3 iiii, 3/3 rrii, 4/3 rrii, 5/3 rrii, 6/3 rrii, 9/3 rrii, 10/3 rrii, 11/3 rrii", "change-approach")]
    [InlineData("2/3 iiii, 3/3 rrii, 4/3 rrii, 5/3 rrii, 6/3 rrii, 9/3 rrii, 10/3 rrii", null)]
    [InlineData("2/3 rrri, 3/3 rrri, 4/3 rrii, 5/3 rrri, 6/3 rrri, 9/3 rrri, 10/3 rrii, 11/3 rrri", "change-approach")]
    [InlineData("2/3 rrri, 3/3 rrrr, 4/3 rrri, 5/3 rrrr, 6/3 rrri, 9/3 rrrr, 10/3 rrri, 11/3 rrrr", null)]
    [InlineData("2/3 riii, 3/3 riii, 4/3 rrii, 5/3 rrii, 6/3 rrii, 9/3 rrii, 10/3 rrri, 11/3 rrri", null)]
    [InlineData("2/3 rrii, 3/3 rrii, 4/3 rrii, 5/3 rrii, 6/3 rrii, 9/3 rrii, 10/3 rrii, 11/3 rrii, -change", null)]
    [InlineData("", null)]
    public void What_is_offered(string course, string? offered) => Assert.Equal(offered, Course(course).Offer?.Kind.Id());

    [Fact]
    public void A_child_who_is_stuck_is_told_of_as_stuck_and_what_is_easily_overlooked_is_asked_after()
    {
        var offer = Course("2/3 iiii, 3/3 rrii, 4/3 rrii, 5/3 rrii, 6/3 rrii, 9/3 rrii, 10/3 rrii, 11/3 rrii").Offer!;
        Assert.True(offer.IsStuck);
        var grounds = DecisionTexts.For(offer).Grounds;
        Assert.StartsWith("Stuck at 2 of 4: ", grounds, StringComparison.Ordinal);
        Assert.EndsWith("ask after eyesight, hearing, language, and counting in fives.", grounds, StringComparison.Ordinal);
    }

    /// <summary>Which clocks stay wrong: each answer as its time, and <c>r</c> right or <c>w</c> wrong.</summary>
    [Theory]
    [InlineData("2:55w 7:50w 3:10r 4:20r 9:55w 5:15r", "Wrong are mostly the clocks just before the hour (9:55, 7:50, 2:55).")]
    [InlineData("12:20w 12:45w 3:20r 4:45r 5:10r 8:35r", "Wrong are mostly the clocks between 12 and 1 (12:45, 12:20).")]
    [InlineData("2:05w 7:10w 3:40r 4:20r 9:45r", "Wrong are mostly the clocks just after the hour (7:10, 2:05).")]
    [InlineData("2:40w 7:35w 3:45w 4:20r 9:10r", "Wrong are mostly the clocks after half past (3:45, 7:35, 2:40).")]
    [InlineData("2:17w 7:43w 3:45r 4:20r 9:10r", "Wrong are mostly the clocks with single minutes (7:43, 2:17).")]
    [InlineData("2:10w 7:45r 3:40w 4:20r 9:55w 1:35r", "Wrong were 9:55, 3:40, 2:10: of no one kind.")]
    [InlineData("2:10r 7:45r", null)]
    public void Which_clocks_stay_wrong(string answers, string? told) => Assert.Equal(told, StaysWrong.From(
        [.. answers.Split(' ').Select(answer => (new Items.Item(Items.ClockTasks.ReadDigital,
            Clocks.ClockTime.TryParse(answer[..^1])!.Value), answer[^1] == 'r'))])?.InWords(Clocks.Wording.Usual));

    [Theory]
    [InlineData("2/3 rrrr, 9/3 rrrr", "9/3")]
    [InlineData("2/3 rrrr, 8/3 rrrr", null)]
    [InlineData("2/3 rrrr, 9/3 rrro", "9/3")]
    [InlineData("2/3 rrro, 9/3 rrro", null)]
    [InlineData("2/3 irrr, 9/3 rrrr", null)]
    [InlineData("2/3 irrr, 9/3 rrrr, 16/3 rrrr", "16/3")]
    [InlineData("2/3 rrrR, 9/3 rrrR", "9/3")]
    [InlineData("2/3 rrrO, 9/3 rrrr", null)]
    [InlineData("2/3 rrrr, 9/3 rrr", null)]
    [InlineData("2/3 rrrr, 5/3 rrr, 9/3 rrrr", "9/3")]
    [InlineData("2/3 rrrr, 2/3 rrrr", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, 16/3 rrri", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii, +back, 23/3 rrrr", null)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii, +back, 23/3 rrrr, 30/3 rrrr", "30/3")]
    public void A_pattern_is_mastered(string course, string? day) => Assert.Equal(day is null ? null : Day(day), Course(course).MasteredOn);

    [Theory]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish", "10/3 16/3 13/4 6/4*")]
    [InlineData("2/3 rrrr, 6/3 rrrr, 9/3 rrrr, +finish, 13/3 rrrr", "10/3= 16/3 13/4")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 9/3 rrrr", "10/3 16/3 13/4")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 10/3 rrrr", "10/3= 16/3 13/4")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 10/3 rrrr, 18/3 rrrr", "10/3= 16/3= 13/4")]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 30/3 rrrr", "10/3= 13/4 4/5")]
    public void Rechecks_come_in_school_time(string course, string due)
    {
        var spaced = Course(course).Rechecks!.All.Where(recheck => recheck.Time != RecheckTime.AfterHoliday)
            .OrderBy(recheck => recheck.Time);
        Assert.Equal(due.Split(' ').Where(text => !text.EndsWith('*')),
            spaced.Select(recheck => $"{recheck.Due!.Value.Day}/{recheck.Due!.Value.Month}{(recheck.Held is null ? "" : "=")}"));
    }

    [Fact]
    public void After_a_long_holiday_the_first_cold_start_is_the_recheck_and_a_single_free_day_is_none()
    {
        var before = Course("2/3 rrrr, 9/3 rrrr, +finish, 10/3 rrrr, 16/3 rrrr").Rechecks!;
        Assert.Equal(Day("13/4"), before.All.Single(recheck => recheck.Time == RecheckTime.AfterHoliday).Due);
        var after = Course("2/3 rrrr, 9/3 rrrr, +finish, 10/3 rrrr, 16/3 rrrr, 13/4 rrrr");
        Assert.All(after.Rechecks!.All, recheck => Assert.NotNull(recheck.Held));
        Assert.Equal(PatternPhase.Secure, after.Phase);
        Assert.Null(after.DueFrom);
    }

    [Fact]
    public void Without_a_holiday_in_the_timetable_the_last_recheck_has_no_day()
    {
        var course = PatternCourse.Build(Read("2/3 rrrr, 9/3 rrrr, +finish").Colds, Read("2/3 rrrr, 9/3 rrrr, +finish").Decisions,
            SchoolYear.Plain);
        Assert.Null(course.Rechecks!.All.Single(recheck => recheck.Time == RecheckTime.AfterHoliday).Due);
        Assert.Equal(PatternPhase.InRechecks, course.Phase);
    }

    [Theory]
    [InlineData("2/3 rrrr, 3/3 rrrr, 4/3 rrrr, +finish", PatternPhase.Finished, "9/3")]
    [InlineData("2/3 rrrr, 3/3 rrrr, 4/3 rrrr, +finish, 9/3 rrrr", PatternPhase.InRechecks, "10/3")]
    [InlineData("2/3 iiii", PatternPhase.Practising, null)]
    public void What_is_finished_is_looked_at_each_school_week_until_it_is_mastered(string course, PatternPhase phase, string? due)
    {
        var followed = Course(course);
        Assert.Equal(phase, followed.Phase);
        Assert.Equal(due is null ? null : Day(due), followed.DueFrom);
    }

    [Fact]
    public void A_sheet_that_comes_late_changes_what_follows_and_not_what_was_decided()
    {
        var (colds, decisions) = Read("2/3 iiii, 9/3 riii, 16/3 iiii, 20/3 iiii, +change, 23/3 iiii");
        var late = new ColdResult(Guid.NewGuid(), Day("10/3"), [.. Enumerable.Repeat(new ColdAnswer(TellingOutcome.Right), 4)]);
        var after = PatternCourse.Build([.. colds.Append(late).OrderBy(cold => cold.Day)], decisions, Year, WasPractised);
        // The decision stands after the cold start that it was taken on, so one since counts.
        Assert.Single(after.Streak);
        Assert.Null(after.Offer);
        Assert.Equal(6, after.Colds.Count);
    }

    [Theory]
    [InlineData("", ProgressSays.TooEarly)]
    [InlineData("2/3 iiii, 9/3 rrii", ProgressSays.TooEarly)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 rrii, 23/3 rrri", ProgressSays.GettingBetter)]
    [InlineData("2/3 rrii, 9/3 rrii, 16/3 rrii, 23/3 rrii", ProgressSays.NoChangeYet)]
    [InlineData("2/3 iiii, 9/3 riii, 16/3 iiii, 23/3 iiii", ProgressSays.NotWorking)]
    [InlineData("2/3 rrrr, 9/3 rrrr", ProgressSays.ItWorked)]
    [InlineData("2/3 rrrr, 9/3 rrrr, +finish, 16/3 rrii", ProgressSays.CameBack)]
    public void One_word_says_how_it_goes(string course, ProgressSays says) =>
        Assert.Equal(says, ProgressSentence.From(Course(course)).Says);

    [Theory]
    [InlineData("", "A", "2/3")]
    [InlineData("A", "B", "30/3")]
    [InlineData("A B", "C", "27/4")]
    [InlineData("B", "C", "27/4")]
    [InlineData("A B C", null, null)]
    public void A_cycle_has_three_forms(string held, string? next, string? due)
    {
        var cycle = new CheckCycle(Day("2/3"), Day("27/4"), 10);
        var found = cycle.Next([
            .. held.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(form => new CheckHeld(form, Day("3/3"), 10, 12))], Year);
        Assert.Equal(next, found?.Form);
        Assert.Equal(due is null ? null : Day(due), found?.Due);
    }

    [Theory]
    [InlineData(9, false)]
    [InlineData(10, true)]
    public void Exactly_the_goal_is_the_goal(int right, bool reached) =>
        Assert.Equal(reached, new CheckCycle(Day("2/3"), Day("27/4"), 10).IsReached([new CheckHeld("C", Day("27/4"), right, 12)]));

    private static readonly Practised WasPractised = new(Day("2/3"), Day("2/3"), [Catalogue.Find("next-hour")!]);

    private static PatternCourse Course(string text)
    {
        var (colds, decisions) = Read(text);
        return PatternCourse.Build(colds, decisions, Year, WasPractised);
    }

    private static (IReadOnlyList<ColdResult> Colds, IReadOnlyList<PatternDecision> Decisions) Read(string text)
    {
        var (colds, decisions) = (new List<ColdResult>(), new List<PatternDecision>());
        foreach (var each in text.Split(", ", StringSplitOptions.RemoveEmptyEntries))
        {
            var parts = each.Split(' ');
            if (parts.Length == 2) colds.Add(new ColdResult(Guid.NewGuid(), Day(parts[0]), [.. parts[1].Select(Answer)]));
            else decisions.Add(new PatternDecision(each[1] switch
            {
                'c' => DecisionKind.ChangeApproach,
                'f' => DecisionKind.FinishPattern,
                _ => DecisionKind.BackToPractice
            }, each[0] == '+', colds[^1].Day, colds[^1].Id));
        }
        return (colds, decisions);
    }

    private static ColdAnswer Answer(char sign) =>
        new(char.ToLowerInvariant(sign) switch { 'r' => TellingOutcome.Right, 'i' => TellingOutcome.ItsWay, _ => TellingOutcome.Otherwise },
            char.IsUpper(sign));

    private static DateOnly Day(string text) => DateOnly.ParseExact($"{text}/2026", "d/M/yyyy", CultureInfo.InvariantCulture);
}
