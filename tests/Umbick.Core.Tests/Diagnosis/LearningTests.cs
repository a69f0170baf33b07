using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>Belief over weeks, with late and corrected answers, help, and the teacher's own word.</summary>
public sealed class LearningTests
{
    private static readonly ReadingModel Model = new();
    private static readonly DateOnly Monday = new(2026, 3, 2);
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    [Theory]
    [InlineData("next-hour")]
    [InlineData("numeral-as-minutes")]
    [InlineData("hands-swapped")]
    [InlineData("to-as-past")]
    public void What_is_unlearned_in_eight_weeks_is_believed_less_within_two_sittings(string id)
    {
        var pattern = Catalogue.Find(id)!;
        var child = new SimulatedChild(Model, [pattern], 0.9, new Random(11));
        var forms = new FixedForms(Model).Make(Stage.FiveMinutesTo, 16, seed: 3, [ClockTasks.ReadDigital, ClockTasks.ReadWords]);
        var sittings = new List<SittingAnswers>();
        for (var week = 0; week < 8; week++)
        {
            if (week == 4) child.Unlearn(pattern);
            var answers = forms[week % 3].Items.Select(item =>
                new ItemAnswer(item, item.Read(child.Answer(item, AnswerMode.Said)), AnswerMode.Said));
            sittings.Add(new SittingAnswers(Monday.AddDays(7 * week), [.. answers], [pattern.Step]));
        }
        var replay = Replay.Run(Model, sittings);
        double BeliefAfter(int week) =>
            replay.Sittings[week].Conclusion.Findings.FirstOrDefault(finding => finding.Pattern == pattern)?.Belief ?? 0;
        Assert.True(BeliefAfter(3) > 0.9);
        Assert.True(BeliefAfter(5) < 0.2, $"{BeliefAfter(5)}");
        // What was shown then still stands beside it.
        Assert.Contains(replay.Sittings[3].Conclusion.Likely, finding => finding.Pattern == pattern);
        Assert.Equal(Label.Cleared, replay.Now.Findings.Single(finding => finding.Pattern == pattern).Label);
    }

    [Fact]
    public void An_answer_entered_late_changes_what_came_after_it()
    {
        var first = new SittingAnswers(Monday, [Said("4:00", "4:00")], []);
        var late = first with { Answers = [Said("4:00", "4:00"), Said("6:20", "7:20"), Said("3:40", "4:40")] };
        var second = new SittingAnswers(Monday.AddDays(7), [Said("8:25", "9:25"), Said("2:15", "3:15")], []);
        Assert.True(After(late, second) > After(first, second));

        static double After(params SittingAnswers[] sittings) => Replay.Run(Model, sittings).Belief.ProbabilityOf(NextHour);
    }

    [Fact]
    public void Weeks_without_a_sitting_loosen_what_is_believed()
    {
        double After(int days, Step[] practised)
        {
            var belief = Believed();
            belief.Transition(days, practised);
            Assert.Equal(1, belief.Total, 9);
            return belief.ProbabilityOf(NextHour);
        }
        Assert.True(After(0, []) > After(30, []));
        Assert.True(After(30, []) > After(120, []));
        Assert.True(After(30, []) > After(30, [Step.Hour]));
        Assert.Equal(After(0, []), After(0, [Step.PastOrTo]), 3);
    }

    [Fact]
    public void Help_makes_an_answer_weigh_less_and_count_for_no_label()
    {
        ItemAnswer[] alone = [Said("6:20", "7:20"), Said("3:40", "4:40"), Said("8:25", "9:25"), Said("2:15", "3:15"), Said("6:00", "6:00")];
        var helped = alone.Select(given => given with { Helped = true }).ToArray();
        Assert.True(Folded(helped).ProbabilityOf(NextHour) < Folded(alone).ProbabilityOf(NextHour));
        Assert.Contains(Concluded(alone).Likely, finding => finding.Pattern == NextHour);
        Assert.Empty(Concluded(helped).Likely);
    }

    [Fact]
    public void The_first_answer_counts_for_the_pattern_and_the_last_for_the_score()
    {
        var corrected = Said("6:20", "6:20") with { First = AnswerParser.Parse("7:20") };
        Assert.True(Scoring.IsRight(corrected.Item, corrected.Answer, corrected.Mode, Stage.EveryMinute));
        Assert.Equal(Folded([Said("6:20", "7:20")]).ProbabilityOf(NextHour), Folded([corrected]).ProbabilityOf(NextHour), 12);
    }

    [Fact]
    public void The_teacher_s_word_is_evidence_and_can_be_taken_back()
    {
        var sitting = new SittingAnswers(Monday, [Said("6:20", "7:20"), Said("3:40", "4:40")], []);
        double With(params TeacherWord[] words) => Replay.Run(Model, [sitting with { Words = words }]).Belief.ProbabilityOf(NextHour);
        Assert.True(With(new TeacherWord(NextHour, true, "seen at the board")) > With());
        Assert.True(With(new TeacherWord(NextHour, false, "they were joking")) < With());
        Assert.Equal(With(), With([]));
    }

    [Fact]
    public void Ruling_everything_out_leaves_a_belief()
    {
        var belief = Believed();
        foreach (var pattern in Model.Patterns) belief.ApplyTeacherJudgement(pattern, holds: false);
        Assert.Equal(1, belief.Total, 9);
    }

    private static Belief Believed() => Folded([Said("6:20", "7:20"), Said("3:40", "4:40"), Said("8:25", "9:25"), Said("2:15", "3:15")]);

    private static Belief Folded(IEnumerable<ItemAnswer> answers)
    {
        var belief = new Belief(Model);
        foreach (var answer in answers) belief.Update(answer);
        return belief;
    }

    private static Conclusion Concluded(IReadOnlyList<ItemAnswer> answers) =>
        Conclusion.From(Model, Folded(answers), ObservedAnswer.All(Model, answers));

    private static ItemAnswer Said(string shown, string answer) =>
        new(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(shown)!.Value), AnswerParser.Parse(answer), AnswerMode.Said);
}
