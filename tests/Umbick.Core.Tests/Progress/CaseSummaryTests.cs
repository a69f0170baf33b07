using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Tests;

/// <summary>What is decided of a case, once for every page: what pages had contradicted each other in, case by case.</summary>
public sealed class CaseSummaryTests
{
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!, NearestHour = Catalogue.Find("nearest-hour")!, Swapped =
        Catalogue.Find("hands-swapped")!;

    private static readonly DateOnly Today = new(2026, 3, 30);

    [Fact]
    public void What_came_right_by_accident_goes_no_way_in_any_count()
    {
        // Two patterns together: seven of eight went the one's way, and four of those were right.
        var evidence = new Evidence(NextHour,
            [.. Enumerable.Range(0, 7).Select(index => Telling(index, TellingOutcome.ItsWay, isRight: index < 4))], []);
        Assert.Equal(new EvidenceCount(3, 3, 0), evidence.Count);
        var result = ScreeningResult.From(8, 8, 4, Concluded([new Finding(NextHour, 0.9, Label.Likely, evidence)]));
        Assert.Equal((ScreeningGroup.Join, $"4 of 8 right; 3 of the wrong ones go one way: {NextHour.TextsIn(Wording.Usual).Reads}."),
            (result.Group, result.Reason));
    }

    [Fact]
    public void An_answer_with_help_is_shown_and_not_counted()
    {
        var evidence = new Evidence(NextHour,
            [Telling(0, TellingOutcome.ItsWay), Telling(1, TellingOutcome.ItsWay, helped: true),
                Telling(2, TellingOutcome.Right, isRight: true), Telling(3, TellingOutcome.ItsWay, isRight: true)], []);
        Assert.Equal(3, evidence.Shown.Count);
        Assert.Equal("Of 2 telling answers 1 came out that way, 1 right.", evidence.Count.InWords);
        Assert.Equal("It has shown with help only.",
            new Evidence(NextHour, [Telling(0, TellingOutcome.ItsWay, helped: true)], []).Count.InWords);
    }

    [Theory]
    [InlineData(Label.Likely, new int[0])]
    [InlineData(Label.Possible, new int[0])]
    [InlineData(Label.Unlikely, new[] { 1 })]
    public void What_a_told_pattern_explains_is_not_unexplained(Label label, int[] unexplained)
    {
        var finding = new Finding(NextHour, 0.9, label, new Evidence(NextHour, [Telling(1, TellingOutcome.ItsWay)], []));
        Assert.Equal(unexplained, Concluded([finding], notExplainedThen: [1]).Unexplained);
    }

    [Theory]
    [InlineData(0.97, 0.75, 0.95, "about two thirds")]
    [InlineData(0.85, 0.75, 0.7, "about half")]
    [InlineData(0.45, 0.75, 0.7, "about a quarter")]
    [InlineData(0.9, 0.1, 0.9, "about one in ten")]
    [InlineData(0.4, 0.1, 0.7, "hardly any")]
    public void The_share_that_goes_wrong_is_this_childs_as_believed(double belief, double spoils, double consistency, string told) =>
        Assert.Equal(told, Shares.InWords(
            new PracticeWorth(new Finding(NextHour, belief, Label.Likely, new Evidence(NextHour, [], [])), spoils,
                consistency).ShareBelievedWrong));

    [Theory]
    [InlineData("30 rrrr, 23 rrrr, 16 rrrr", false, "not practised yet", "It comes right without practice.", "Finish this pattern?")]
    [InlineData("30 rrrr, 23 rrrr, 16 rrrr", true, "practised", "It worked.", "Finish this pattern?")]
    [InlineData("30 iiii, 23 iiii, 16 iiii, 9 iiii", false, "not practised yet", "It is not practised yet.", null)]
    [InlineData("30 iiii, 23 iiii, 16 iiii, 9 iiii", true, "practised", "It is not working in this way.", "Change the approach?")]
    [InlineData("30 iiii, 23 rrii", false, "not practised yet", "It is not practised yet.", null)]
    [InlineData("30 iiii, 23 rrii", true, "practised", "It is too early to say.", null)]
    public void Nothing_is_called_practised_that_was_not_and_nothing_has_worked_that_was_not_practised(
        string colds, bool isPractised, string phase, string works, string? offer)
    {
        var course = Follow(colds, [isPractised ? Sets(NextHour, 29) : Given(NextHour)]).CourseOf(NextHour);
        Assert.Equal(phase, DecisionTexts.InWords(course));
        Assert.Equal(works, ProgressSentence.From(course).Sentence);
        Assert.Equal(offer, course.Offer is { } made ? DecisionTexts.For(made).Question : null);
        Assert.Equal(isPractised ? $"Practised: {NextHour.TextsIn(Wording.Usual).Reads}."
            : $"Not practised yet: {NextHour.TextsIn(Wording.Usual).Reads}.", DecisionTexts.WorkOn(NextHour, course, Wording.Usual));
    }

    [Fact]
    public void Where_look_alikes_change_places_the_work_goes_on_as_one()
    {
        var courses = Follow("30 iiii, 23 riii", [Sets(NextHour, 29)], (NearestHour, Label.Likely), (NextHour, Label.Unlikely));
        var course = Assert.Single(courses.All);
        Assert.Equal(NearestHour, course.Key);
        Assert.Equal(2, course.Value.Colds.Count);
        Assert.Same(course.Value, courses.CourseOf(NextHour));
        Assert.Equal($"Practised as {NextHour.TextsIn(Wording.Usual).Reads}; the answers now look more like "
            + $"{NearestHour.TextsIn(Wording.Usual).Reads}.", DecisionTexts.WorkOn(NearestHour, course.Value, Wording.Usual));
        var summary = Summary(courses, [Sets(NextHour, 29)], (NearestHour, Label.Likely), (NextHour, Label.Unlikely));
        Assert.Equal((NearestHour, NearestHour, NearestHour), (summary.About, summary.WorkedOn, summary.Next.Pattern));
        Assert.Empty(courses.Offers);
    }

    [Fact]
    public void A_recheck_is_of_what_is_told_of()
    {
        var finish = new PatternDecision(DecisionKind.FinishPattern, true, Today.AddDays(-20), null);
        var courses = Follow("40 iiii, 33 rrrr, 26 rrrr", [Sets(NextHour, 39)], [(NextHour, finish)], (NearestHour, Label.Possible));
        var summary = Summary(courses, [Sets(NextHour, 39)], (NearestHour, Label.Possible));
        Assert.Equal((NextStep.Recheck, NearestHour, NearestHour), (summary.Next.Step, summary.Next.Pattern, summary.WorkedOn));
        Assert.Contains(NearestHour.TextsIn(Wording.Usual).Reads, DecisionTexts.WorkOn(summary.WorkedOn!, summary.Course!, Wording.Usual),
            StringComparison.Ordinal);
        Assert.Equal("That was finished: mastered, in rechecks.", summary.Also);
    }

    [Fact]
    public void Two_look_alikes_that_are_both_believed_are_two()
    {
        var courses = Follow("30 iiii, 23 riii", [Sets(NextHour, 29)], (NearestHour, Label.Likely), (NextHour, Label.Possible));
        Assert.Equal(2, courses.CourseOf(NextHour).Colds.Count);
        Assert.Empty(courses.CourseOf(NearestHour).Colds);
    }

    [Fact]
    public void What_a_teacher_ruled_out_is_not_gone_on_with_as_its_look_alike()
    {
        var word = new PatternDecision(DecisionKind.RuleOut, true, Today.AddDays(-5), null);
        var courses = Follow("", [], [(NextHour, word)], (NearestHour, Label.Likely));
        Assert.Equal(NextHour, courses.ToldAs(NextHour));
        Assert.Equal($"Not practised yet: {NearestHour.TextsIn(Wording.Usual).Reads}.",
            DecisionTexts.WorkOn(NearestHour, courses.CourseOf(NearestHour), Wording.Usual));
    }

    [Theory]
    [InlineData("30 rrrr, 23 rrrr", Label.Likely, "Pip reads the hour that is coming.",
        "That was finished: practice has ended, not mastered yet.")]
    [InlineData("30 rrrr, 23 rrrr", Label.Cleared, "Left behind: ", null)]
    public void What_is_finished_is_told_of_where_nothing_else_is(string colds, Label label, string sentence, string? also)
    {
        var finish = new PatternDecision(DecisionKind.FinishPattern, true, Today.AddDays(-29), null);
        IReadOnlyList<SetsGiven> sets = [Sets(NextHour, 29)];
        var alone = Summary(Follow("30 rrrr", sets, [(NextHour, finish)], (NextHour, label)), sets, (NextHour, label));
        Assert.StartsWith(sentence.StartsWith("Left", StringComparison.Ordinal) ? sentence
            : NextHour.TextsIn(Wording.Usual).FindingOf("Pip"), alone.Sentence, StringComparison.Ordinal);
        Assert.Equal(also, alone.Also);
        Assert.Empty(alone.ToPractise);
        var other = Summary(Follow(colds, sets, [(NextHour, finish)], (Swapped, Label.Possible), (NextHour, label)), sets,
            (Swapped, Label.Possible), (NextHour, label));
        Assert.Equal((Swapped, Label.Possible), (other.About, other.Called));
    }

    [Fact]
    public void Likely_comes_before_guessing_and_guessing_before_what_is_only_possible()
    {
        var courses = Follow("", []);
        CaseSummary With(BesidePatterns unnamed, params (Pattern, Label)[] labels) =>
            new(Facts(courses, [], labels) with { Beside = unnamed }, Today);
        Assert.Equal(Swapped, With(BesidePatterns.Guessing, (Swapped, Label.Likely)).About);
        Assert.Equal("Pip’s answers do not follow the clock yet.", With(BesidePatterns.Guessing, (Swapped, Label.Possible)).Sentence);
        Assert.StartsWith("Perhaps: ", With(BesidePatterns.OtherWay, (Swapped, Label.Possible)).Sentence, StringComparison.Ordinal);
        Assert.Equal("Pip takes one step some other way.", With(BesidePatterns.OtherWay).Sentence);
        Assert.Equal("No pattern stands out.", With(BesidePatterns.None).Sentence);
        Assert.Equal($"And: {NextHour.TextsIn(Wording.Usual).FindingOf("Pip")}",
            With(BesidePatterns.None, (Swapped, Label.Likely), (NextHour, Label.Likely)).Also);
    }

    [Fact]
    public void What_is_likely_after_the_last_recheck_has_come_back()
    {
        var year = new SchoolYear([new Holiday("Tide week", new(2025, 12, 1), new(2025, 12, 5))]);
        var finish = new PatternDecision(DecisionKind.FinishPattern, true, new(2025, 10, 14), null);
        var colds = new[] { "2025-10-06", "2025-10-14", "2025-10-15", "2025-10-20", "2025-11-10", "2025-12-08" }.Select(day =>
            (NextHour, Cold(DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture), "rrrr"))).ToList();
        var courses = PatternCourses.Follow(colds, [(NextHour, finish)], [], [], [(NextHour, Label.Likely)], year);
        Assert.Equal(PatternPhase.Secure, courses.CourseOf(NextHour).Phase);
        Assert.Equal(NextStep.Practise, Summary(courses, [], (NextHour, Label.Likely)).Next.Step);
        Assert.Empty(Summary(courses, [], (NextHour, Label.Cleared)).ToPractise);
    }

    [Theory]
    [InlineData("", true)]
    [InlineData("30 iiii", false)]
    [InlineData("40 rrrr, 30 rrrr", true)]
    public void A_case_can_be_closed_once_whatever_was_worked_on_is_mastered(string colds, bool finished)
    {
        var finish = new PatternDecision(DecisionKind.FinishPattern, true, Today.AddDays(-29), null);
        IReadOnlyList<SetsGiven> sets = colds.Length == 0 ? [] : [Sets(NextHour, 39)];
        Assert.Equal(finished, Summary(Follow(colds, sets, colds.Length == 0 ? [] : [(NextHour, finish)]), sets).IsFinished);
        Assert.False(Summary(Follow(colds, sets), sets, (Swapped, Label.Possible)).IsFinished);
    }

    [Theory]
    [InlineData(null, null, false)]
    [InlineData(5, null, true)]
    [InlineData(5, 6, true)]
    [InlineData(5, 4, false)]
    public void A_set_after_the_last_asking_is_to_be_asked_about(int? setDaysAgo, int? askedDaysAgo, bool since) => Assert.Equal(
        since,
        (Facts(Follow("", []), []) with
        {
            LastSetAlone = setDaysAgo is { } set ? DateTime.UnixEpoch.AddDays(-set) : null,
            LastAsking = askedDaysAgo is { } asked ? DateTime.UnixEpoch.AddDays(-asked) : null
        }).PractisedSinceAsked);

    [Theory]
    [InlineData(9, 9, 1, "needs ten answers, nine of them right, on two days")]
    [InlineData(12, 8, 2, "8 of the last ten right; needs nine")]
    [InlineData(10, 10, 1, "needs another day")]
    [InlineData(10, 10, 2, null)]
    public void A_stage_that_is_not_secure_says_what_is_missing(int asked, int right, int days, string? missing)
    {
        var answers = Enumerable.Range(0, asked)
            .Select(i => new ScoredAnswer(Today.AddDays(days == 2 && i > asked / 2 ? 1 : 0),
            new Item(ClockTasks.ReadDigital, new ClockTime((i % 12) + 1, 0)), i >= asked - right));
        Assert.Equal(missing, StageRecord.ByStage(answers).Single(stage => stage.Stage == Stage.OClock).Missing);
    }

    private static CaseSummary Summary(PatternCourses courses, IReadOnlyList<SetsGiven> sets, params (Pattern, Label)[] labels) =>
        new(Facts(courses, sets, labels), Today);

    private static CaseFacts Facts(PatternCourses courses, IReadOnlyList<SetsGiven> sets, params (Pattern, Label)[] labels) =>
        new("Pip", Wording.Usual, Stage.EveryMinute, 3, labels, BesidePatterns.None, courses, sets, null);

    private static PatternCourses Follow(string colds, IReadOnlyList<SetsGiven> sets, params (Pattern, Label)[] labels) =>
        Follow(colds, sets, [], labels);

    private static PatternCourses Follow(string colds, IReadOnlyList<SetsGiven> sets, IReadOnlyList<(Pattern, PatternDecision)> decisions,
        params (Pattern, Label)[] labels) => PatternCourses.Follow(
        [.. colds.Split(", ", StringSplitOptions.RemoveEmptyEntries).Select(cold => cold.Split(' '))
            .Select(cold => (NextHour,
            Cold(Today.AddDays(-int.Parse(cold[0], System.Globalization.CultureInfo.InvariantCulture)), cold[1])))],
        decisions, sets, [], labels, SchoolYear.Plain);

    private static ColdResult Cold(DateOnly day, string outcomes) =>
        new(Guid.NewGuid(), day, [.. outcomes.Select(sign => new ColdAnswer(sign == 'r' ? TellingOutcome.Right : TellingOutcome.ItsWay))]);

    private static SetsGiven Sets(Pattern pattern, int daysAgo) =>
        new(pattern, Today.AddDays(-daysAgo).ToDateTime(TimeOnly.MinValue), Today.AddDays(-daysAgo), Today.AddDays(-daysAgo));

    /// <summary>A set that was given and not answered.</summary>
    private static SetsGiven Given(Pattern pattern) => new(pattern, Today.ToDateTime(TimeOnly.MinValue), null, null);

    private static Conclusion Concluded(IReadOnlyList<Finding> findings, IReadOnlyList<int>? notExplainedThen = null) =>
        new(findings, 0, [], notExplainedThen ?? [], 8);

    private static TellingAnswer Telling(int index, TellingOutcome outcome, bool isRight = false, bool helped = false)
    {
        var item = new Item(ClockTasks.ReadDigital, new ClockTime(4, 55));
        return new TellingAnswer(index, new ItemAnswer(item, item.Right, AnswerMode.Said, helped) { Scored = isRight }, item.Right,
            outcome);
    }
}
