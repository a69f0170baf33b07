using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Tests;

/// <summary>Questions beside reading, and the small models that understand their answers.</summary>
public sealed class SideQuestionTests
{
    [Fact]
    public void Every_question_can_be_found_again_and_has_one_right_answer()
    {
        Assert.Equal(OtherSkillItems.All.Count, OtherSkillItems.All.Select(item => (item.Task.Id, item.Given)).Distinct().Count());
        foreach (var question in OtherSkillItems.All.Select(item => item.OtherSkill!))
        {
            Assert.Equal(question.Text, OtherSkillItems.Find(question.Task, question.Given)?.Text);
            if (question.Choices.Count > 0) Assert.Single(question.Choices, question.IsRight);
            if (question.Kind != QuestionKind.Feel) Assert.True(question.IsRight(question.Right), question.Given);
        }
        var asked = ClockTasks.All.Where(task => task.Stimulus == Stimulus.Text && task.Order.Count == 0);
        Assert.All(asked, task => Assert.Contains(OtherSkillItems.All, item => item.Task == task));
    }

    [Theory]
    [InlineData("later", "10:59 + 1", "11:00", null)]
    [InlineData("later", "10:59 + 1", "10:60", "past-sixty")]
    [InlineData("later", "3:50 + 20", "4:10", null)]
    [InlineData("later", "3:50 + 20", "3:70", "past-sixty")]
    [InlineData("later", "12:59 + 1", "12:60", "past-sixty")]
    [InlineData("later", "3:50 + 20", "4:09", "counts-the-start")]
    [InlineData("later", "12:55 + 10", "1:04", "counts-the-start")]
    [InlineData("later", "1:05 - 10", "12:56", "counts-the-start")]
    [InlineData("later", "6:00 - 15", "5:46", "counts-the-start")]
    [InlineData("later", "2:40 until 3:10", "31", "counts-the-start")]
    [InlineData("later", "4:10 - 20", "3:50", null)]
    [InlineData("later", "4:10 - 20", "3:90", "hundred-minutes")]
    [InlineData("later", "1:05 - 10", "12:95", "hundred-minutes")]
    [InlineData("later", "2:40 until 3:10", "30", null)]
    [InlineData("later", "2:40 until 3:10", "70 minutes", "hundred-minutes")]
    [InlineData("later", "12:45 until 1:30", "45", null)]
    [InlineData("later", "3:10 half an hour later", "3:60", "hundred-minutes")]
    [InlineData("time-fact", "minutes in half an hour", "30", null)]
    [InlineData("time-fact", "minutes in half an hour", "50", "hundred-minutes")]
    [InlineData("time-fact", "minutes in an hour", "100", "hundred-minutes")]
    [InlineData("day-part", "9:10 am", "9:10", null)]
    [InlineData("day-part", "9:10 am", "09.10", null)]
    [InlineData("day-part", "9:10 am", "21:10", "twelve-added-always")]
    [InlineData("day-part", "9:10 pm", "21:10", null)]
    [InlineData("day-part", "12:30 am", "0:30", null)]
    [InlineData("day-part", "the sun stands highest", "p.m.", null)]
    [InlineData("day-part", "the sun stands highest", "am", "noon-is-am")]
    [InlineData("day-part", "a new day begins", "pm", "midnight-is-pm")]
    public void An_answer_is_right_or_a_pattern_s(string task, string given, string answer, string? pattern)
    {
        var question = OtherSkillItems.Find(ClockTasks.Find(task)!, given)!;
        Assert.Equal(pattern is null, question.IsRight(answer));
        Assert.Equal(pattern, OtherSkillModel.Explaining(question, answer).Select(found => found.Id).FirstOrDefault());
    }

    [Theory]
    [InlineData("later", "25:99 + 1")]
    [InlineData("later", "soon")]
    [InlineData("day-part", "elevenses")]
    [InlineData("ground", "")]
    public void What_is_no_question_is_not_found(string task, string given) =>
        Assert.Null(OtherSkillItems.Find(ClockTasks.Find(task)!, given));

    [Fact]
    public void Two_answers_its_way_make_a_pattern_of_counting_on_likely()
    {
        var findings = OtherSkillModel.Findings(Step.CountingOn,
            [Said("later", "10:59 + 1", "10:60"), Said("later", "3:50 + 20", "3:70"), Said("time-fact", "minutes in an hour", "60")]);
        Assert.Equal(1, findings.Sum(finding => finding.Belief), 9);
        var pastSixty = findings.Single(finding => finding.Pattern?.Id == "past-sixty");
        Assert.True(pastSixty is { Belief: > 0.9, Telling: 2, ItsWay: 2 });
    }

    [Fact]
    public void Who_takes_a_quarter_for_25_is_sooner_believed_to_reckon_in_hundreds()
    {
        ItemAnswer[] each = [Said("time-fact", "minutes in half an hour", "50")];
        double Hundreds(double link) =>
            OtherSkillModel.Findings(Step.CountingOn, each, link).Single(finding => finding.Pattern?.Id == "hundred-minutes").Belief;
        Assert.True(Hundreds(1) > Hundreds(0));
    }

    [Fact]
    public void Who_cannot_go_on_in_fives_does_not_yet_count_in_fives()
    {
        ItemAnswer[] wrong = [Said("count-fives", "5 10 15", "16"), Said("count-fives", "25 30 35", "36"),
            Said("count-fives", "to the 7", "7")];
        Assert.True(SkillBelief.NotYetCountingInFives(wrong));
        ItemAnswer[] right = [Said("count-fives", "5 10 15", "20"), Said("count-fives", "25 30 35", "40")];
        Assert.False(SkillBelief.NotYetCountingInFives(right));
        Assert.Equal(2, Assert.Single(SkillBelief.From(right)).Asked);
    }

    [Fact]
    public void A_question_beside_reading_says_nothing_of_reading()
    {
        var belief = new Belief(Model);
        var before = Model.Patterns.Select(belief.ProbabilityOf).ToList();
        belief.Update(Said("later", "10:59 + 1", "10:60"));
        Assert.Equal(before, Model.Patterns.Select(belief.ProbabilityOf));
    }

    private static readonly ReadingModel Model = new();

    private static ItemAnswer Said(string task, string given, string answer)
    {
        var item = Item.From(OtherSkillItems.Find(ClockTasks.Find(task)!, given)!);
        return new ItemAnswer(item, item.Read(answer), AnswerMode.Said);
    }
}
