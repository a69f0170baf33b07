using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>
/// The rules of a visit: prompts by rung, what the next one begins with, what cold starts say, what several children are asked together.
/// </summary>
public sealed class VisitRuleTests
{
    private static readonly ReadingModel Model = new();

    /// <summary>
    /// What each telling answer took (. by itself, w wait, l look again, h hand named, c two choices, t told), and what the next visit
    /// begins with.
    /// </summary>
    [Theory]
    [InlineData("", null)]
    [InlineData("....", null)]
    [InlineData("tttt", "two-choices")]
    [InlineData("cccc", "hand-named")]
    [InlineData("hhh", "look-again")]
    [InlineData("lll", "waited")]
    [InlineData("www", null)]
    [InlineData("..tt", "two-choices")]
    [InlineData("...t", null)]
    [InlineData("lct", "hand-named")]
    [InlineData(".ht", "look-again")]
    [InlineData("t", "two-choices")]
    public void The_next_visit_begins_one_rung_lower(string took, string? next) =>
        Assert.Equal(next, Rungs.Next(
            took.Select(letter => letter == '.' ? default(Rung?) : (Rung)"wlhct".IndexOf(letter, StringComparison.Ordinal)))?.Id());

    [Fact]
    public void A_rung_is_found_by_the_id_that_stands_in_rows()
    {
        Assert.All(Enum.GetValues<Rung>(), rung => Assert.Equal(rung, Rungs.Find(rung.Id())));
        Assert.Null(Rungs.Find("pushed"));
        Assert.Equal(["waited", "look-again", "hand-named", "two-choices", "told"], Enum.GetValues<Rung>().Select(rung => rung.Id()));
    }

    /// <summary>Cold starts, the earliest first, as right of telling; and what they say.</summary>
    [Theory]
    [InlineData("", ColdStartAdvice.GoOn)]
    [InlineData("0/4 1/4", ColdStartAdvice.GoOn)]
    [InlineData("0/4 1/4 0/4", ColdStartAdvice.ChangeApproach)]
    [InlineData("4/4 1/4 0/4 1/4", ColdStartAdvice.ChangeApproach)]
    [InlineData("4/4 0/4 1/4 1/4", ColdStartAdvice.GoOn)]
    [InlineData("0/4 2/4 0/4", ColdStartAdvice.GoOn)]
    [InlineData("4/4 4/4 4/4", ColdStartAdvice.FinishPattern)]
    [InlineData("4/4 3/4 4/4", ColdStartAdvice.GoOn)]
    [InlineData("0/4 0/4 0/4 3/4", ColdStartAdvice.GoOn)]
    [InlineData("0/4 0/4 0/1", ColdStartAdvice.GoOn)]
    [InlineData("0/4 0/4 0/1 0/4", ColdStartAdvice.ChangeApproach)]
    public void Three_cold_starts_running_decide_and_one_broken_off_says_nothing(string results, ColdStartAdvice say) =>
        Assert.Equal(say, ColdStarts.Advise(
            results.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(result => (result[0] - '0', result[2] - '0'))));

    [Fact]
    public void For_every_item_that_is_practised_somebody_can_be_helped_rung_by_rung()
    {
        foreach (var (pattern, seed) in from pattern in Model.Patterns from seed in Enumerable.Range(0, 3) select (pattern, seed))
        {
            var held = HeldPattern.Plain(Model, pattern);
            foreach (var item in new SetMaker().Make(new SetRequest(held, Stage.FiveMinutesTo, Support.Full, seed)).Items.Select(each =>
                each.Item))
            {
                var named = $"{pattern.Id} {item.Task.Id} {item.Time}";
                var ladder = PromptLadder.For(item, held, TeachingPreferences.Usual, Stage.FiveMinutesTo);
                Assert.Equal(Enum.GetValues<Rung>(), ladder.Select(prompt => prompt.Rung));
                Assert.All(ladder, prompt => Assert.False(string.IsNullOrWhiteSpace(prompt.Say), named));
                var right = FaceInWords.Right(item, Wording.Usual);
                Assert.All(ladder.Take(3),
                    prompt => Assert.False(prompt.Say.Contains(right, StringComparison.Ordinal), $"{named}: {prompt.Say}"));
                Assert.Contains(right, ladder[4].Say, StringComparison.Ordinal);
            }
        }
    }

    [Theory]
    [InlineData("read-digital", "4:50", "next-hour", "“Still four, or five already?”")]
    [InlineData("read-digital", "4:35", "next-hour", "“Five already, or still four?”")]
    [InlineData("read-words", "4:40", "to-as-past", "“Is it twenty to five, or twenty past four?”")]
    [InlineData("hour-only", "4:40", "next-hour", "“Is it past the 4, nearly at the 5, or 5?”")]
    [InlineData("set-from-digital", "6:20", "hour-hand-on-numeral",
        "“Is it the short hand a little past the 6, the long hand at the 4, or the short hand exactly on the 6, the long hand at the 4?”")]
    [InlineData("hour-only", "2:00", "next-hour", "Give two answers to choose from: the right one, and the child’s own.")]
    [InlineData("read-digital", "4:00", "next-hour", "Give two answers to choose from: the right one, and the child’s own.")]
    public void The_two_choices_are_the_right_answer_and_the_pattern_s(string task, string time, string pattern, string say)
    {
        var item = new Item(ClockTasks.Find(task)!, ClockTime.TryParse(time)!.Value);
        Assert.Equal(say, PromptLadder.For(item, HeldPattern.Plain(Model, Catalogue.Find(pattern)!), TeachingPreferences.Usual,
            Stage.FiveMinutesTo)[3].Say);
    }

    [Fact]
    public void What_tells_of_several_children_tells_of_each()
    {
        var pattern = Catalogue.Find("numeral-as-minutes")!;
        var (plain, halfKnown) = (HeldPattern.Plain(Model, pattern), Knows("1:30", "5:30", "9:30"));
        var together = HeldPattern.Together([plain, halfKnown]);
        var items = ItemBank.ForSitting(Stage.FiveMinutesTo, [ClockTasks.ReadDigital]);
        Assert.All(items, item => Assert.Equal(plain.IsTelling(item) && halfKnown.IsTelling(item), together.IsTelling(item)));
        Assert.All(items, item => Assert.Equal(plain.ComesRight(item) && halfKnown.ComesRight(item), together.ComesRight(item)));
        Assert.Contains(items, item => plain.IsTelling(item) && !together.IsTelling(item));

        HeldPattern Knows(params string[] right)
        {
            var belief = new Belief(Model);
            foreach (var (time, answer) in right.Select(time => (time, time))
                .Concat([("2:20", "2:04"), ("6:40", "6:08"), ("11:10", "11:02"), ("3:50", "3:10")]))
                belief.Update(new ItemAnswer(new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value), AnswerParser.Parse(answer),
                    AnswerMode.Said));
            return HeldPattern.From(Model, pattern, belief);
        }
    }

    [Fact]
    public void A_visit_ends_on_a_clock_that_comes_right_and_was_not_asked_before()
    {
        foreach (var (pattern, seed) in from pattern in Model.Patterns from seed in Enumerable.Range(0, 4) select (pattern, seed))
        {
            var order = new SetRequest(HeldPattern.Plain(Model, pattern), Stage.FiveMinutesTo, Support.Full, seed) { Length = 6 };
            var maker = new SetMaker();
            var set = maker.Make(order);
            var last = maker.ToEndOn(order, set);
            Assert.True(order.Held.ComesRight(last.Item), $"{pattern.Id} {last.Item.Task.Id} {last.Item.Time}");
            Assert.Equal(Support.Bare, last.Support);
            Assert.DoesNotContain(set.Items, item => (item.Item.Task, item.Item.Time) == (last.Item.Task, last.Item.Time));
        }
    }

    [Theory]
    [InlineData("3:00", "exactly on the 3")]
    [InlineData("3:05", "only just past the 3")]
    [InlineData("3:15", "a quarter of the way from 3 to 4")]
    [InlineData("3:20", "a third of the way from 3 to 4")]
    [InlineData("3:30", "half of the way from 3 to 4")]
    [InlineData("3:40", "two thirds of the way from 3 to 4")]
    [InlineData("3:45", "three quarters of the way from 3 to 4")]
    [InlineData("12:55", "nearly all of the way from 12 to 1")]
    public void A_loose_short_hand_is_put_so_much_of_the_way(string time, string told) =>
        Assert.Equal(told, HourPlaces.ToPut(ClockTime.TryParse(time)!.Value));

    [Fact]
    public void Every_note_has_an_id_of_its_own_and_is_found_by_it()
    {
        Assert.Equal(VisitNote.All.Count, VisitNote.All.Select(note => note.Id).Distinct().Count());
        Assert.All(VisitNote.All, note => Assert.Same(note, VisitNote.Find(note.Id)));
        Assert.Null(VisitNote.Find("sang"));
    }
}
