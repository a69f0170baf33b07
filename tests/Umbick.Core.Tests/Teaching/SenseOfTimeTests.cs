using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>A sense of time by tables that were worked out by hand; the school's own day in cards, questions and at the door.</summary>
public sealed class SenseOfTimeTests
{
    [Theory]
    [InlineData(40, 60, 0.667, 1.5)]
    [InlineData(60, 60, 1, 1)]
    [InlineData(90, 60, 1.5, 1.5)]
    [InlineData(12, 20, 0.6, 1.667)]
    public void A_guess_is_a_share_of_what_it_was(double given, double real, double ratio, double off)
    {
        Assert.Equal(ratio, new GuessAndReal(given, real).Ratio, 0.001);
        Assert.Equal(off, new GuessAndReal(given, real).Off, 0.001);
    }

    [Theory]
    [InlineData(0, 60, false)]
    [InlineData(-3, 60, false)]
    [InlineData(40, 0, false)]
    [InlineData(40, 60, true)]
    [InlineData(100_001, 60, false)]
    [InlineData(double.NaN, 60, false)]
    public void Only_what_is_above_nought_is_a_guess(double given, double real, bool can) => Assert.Equal(can, GuessAndReal.CanBe(given,
        real));

    /// <summary>First tries and second ones of 60 seconds, day by day; what is said of them.</summary>
    [Theory]
    [InlineData("30>50", "The second try came nearer than the first. With fewer than 4 days nothing is said of the course.")]
    [InlineData("50>30", "The second try came no nearer than the first. With fewer than 4 days nothing is said of the course.")]
    [InlineData("30>40 30>40 40>50 50>60", "The second try came nearer 4 times of 4. At first 50 % off, by now 10 %: nearer.")]
    [InlineData("60>60 60>60 40>40 40>40", "The second try came nearer 0 times of 4. At first 0 % off, by now 50 %: further.")]
    [InlineData("40 40 40 40", "At first 50 % off, by now 50 %: much the same.")]
    [InlineData("", "")]
    public void A_course_is_told_and_compared_with_nobody(string tries, string says)
    {
        var all = tries.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select((text, i) =>
        {
            var seconds = text.Split('>').Select(double.Parse).ToList();
            return new TimeTry(TimeCard.All[0], new DateOnly(2026, 3, 2).AddDays(7 * i), new(seconds[0], 60),
                seconds.Count > 1 ? new(seconds[1], 60) : null);
        }).ToList();
        Assert.Equal(says, string.Join(' ', TimeCourse.Says(all)));
    }

    [Fact]
    public void Cards_have_the_school_s_own_day_in_them_and_no_gap()
    {
        var day = SchoolMoment.Usual.Select((moment, i) => i == 1 ? moment with { Words = "the tide bell" } : moment).ToList();
        var steps = TimeCard.All.SelectMany(card => card.DoOn(day, Wording.Usual)).ToList();
        Assert.DoesNotContain(steps, step => step.Contains('{'));
        Assert.Contains("Show the tide bell with both arms: half past ten.", steps);
        Assert.Contains(steps, step => step.Contains("the tide bell to dinner at school", StringComparison.Ordinal));
        Assert.All(TimeCard.All, card => Assert.Equal(card, TimeCard.Find(card.Id)));
    }

    [Theory]
    [InlineData("10:08", "It is ten past ten. The morning break is at half past ten. How long until then?")]
    [InlineData("08:50", "It is ten to nine. The morning break is at half past ten. How long until then?")]
    [InlineData("05:10", null)]
    [InlineData("20:30", null)]
    [InlineData("23:59", null)]
    public void At_the_door_the_time_is_said_in_fives_and_what_comes_next(string now, string? says) =>
        Assert.Equal(says, AtTheDoor.Say(SchoolMoment.Usual, TimeOnly.Parse(now), Wording.Usual));

    [Theory]
    [InlineData("the ferry @ 15:20", "the ferry", "15:20", "")]
    [InlineData("the ferry @ 15:20 + 10", "the ferry", "15:20", "+ 10")]
    [InlineData("the ferry @ 25:20", null, null, null)]
    [InlineData("the ferry", null, null, null)]
    public void A_moment_is_read_from_what_was_given(string given, string? words, string? at, string? after)
    {
        var read = SchoolMoment.Parse(given);
        Assert.Equal((words, at, after), (read?.Moment.Words, read?.Moment.At.ToString("HH:mm"), read?.After));
    }

    /// <summary>What is asked is found again by what was given, however often the school changes its day.</summary>
    [Fact]
    public void A_question_on_the_school_s_day_is_found_again_as_it_was_asked()
    {
        var day = SchoolMoment.Usual;
        foreach (var task in new[] { ClockTasks.DayPart, ClockTasks.Later })
        {
            var asked = OtherSkillItems.OnDay(task, day);
            Assert.NotEmpty(asked);
            foreach (var question in asked.Select(item => item.OtherSkill!))
            {
                var found = OtherSkillItems.Find(task, question.Given)!;
                Assert.Equal((question.Given, question.Text, question.Right, question.Kind), (found.Given, found.Text, found.Right,
                    found.Kind));
                Assert.True(found.IsRight(found.Right));
            }
        }
        Assert.Empty(OtherSkillItems.OnDay(ClockTasks.TimeFact, day));
        Assert.Equal("The bell is at 8:50. What time is it 10 minutes later?", OtherSkillItems.Later(day[0], 10).Text);
        Assert.Equal("30", OtherSkillItems.Until(day[4], day[5]).Right);
    }

    [Fact]
    public void What_is_chosen_of_the_day_is_asked_on_the_school_s_own()
    {
        var day = SchoolMoment.Usual.Select(moment => moment with { Words = $"{moment.Words} on the island" }).ToList();
        var items = new OneOfEach(new ReadingModel()).Make([ClockTasks.DayPart, ClockTasks.Later, ClockTasks.Later, ClockTasks.TimeFact],
            Stage.BeforeAndAfter, 4, day: day);
        Assert.Contains(items, item => item.OtherSkill!.Text.Contains("on the island", StringComparison.Ordinal));
        Assert.DoesNotContain("island", items[3].OtherSkill!.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0, "", "08:50", "cannot be used")]
    [InlineData(1, "a @ b", "10:30", "cannot be used")]
    [InlineData(2, "dinner", "10:00", "has to come after")]
    [InlineData(2, "dinner", "10:30", "has to come after")]
    [InlineData(3, "the bell", "13:20", null)]
    public void A_day_follows_itself_and_has_words(int place, string words, string at, string? why)
    {
        var day = SchoolMoment.Usual.Select((moment, i) => i == place ? new SchoolMoment(words, TimeOnly.Parse(at)) : moment).ToList();
        if (why is null) Assert.Null(SchoolMoment.WhyNot(day));
        else Assert.Contains(why, SchoolMoment.WhyNot(day), StringComparison.Ordinal);
        Assert.NotNull(SchoolMoment.WhyNot([.. day.Take(7)]));
    }

    [Fact]
    public void Every_word_has_a_meaning_in_the_school_s_own_words()
    {
        var wording = new Wording("after", "till", '.');
        Assert.All(GlossaryWord.All, word => Assert.DoesNotContain("{", word.WordIn(wording) + word.MeaningIn(wording),
            StringComparison.Ordinal));
        Assert.Contains(GlossaryWord.All, word => word.WordIn(wording) == "Quarter till");
        Assert.Contains(GlossaryWord.All, word => word.MeaningIn(wording).Contains("8.05", StringComparison.Ordinal));
        Assert.Equal(GlossaryWord.All.Count, GlossaryWord.All.Select(word => word.Word).Distinct().Count());
    }
}
