using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>Which answers look copied: told cases, and children whom the model did not make.</summary>
public sealed class CopyingTests
{
    private static readonly ReadingModel Model = new();

    /// <summary>The face, what the two patterns are, what the two children say, and which look copied.</summary>
    [Theory]
    [InlineData("4:50", "next-hour", "5:50", "next-hour", "5:50", "")]
    [InlineData("4:50", "next-hour", "5:50", "hands-swapped", "5:50", "second")]
    [InlineData("4:50", "hands-swapped", "10:24", "next-hour", "10:24", "second")]
    [InlineData("4:50", "next-hour", "4:50", "next-hour", "4:50", "")]
    [InlineData("4:50", "next-hour", "8:11", "next-hour", "8:11", "first second")]
    [InlineData("4:50", "next-hour", "8:11", "next-hour", "8:12", "")]
    [InlineData("4:50", "next-hour", "ten to six", "hands-swapped", "5:50", "second")]
    [InlineData("4:50", "next-hour", "?", "hands-swapped", "?", "")]
    public void An_answer_looks_copied_where_it_is_wrong_shared_and_unlike_the_child(
        string time, string text, string said, string other, string alsoSaid, string copied)
    {
        var item = new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value);
        var looks = Copying.Looks(Model, [Beside(item, said, Known(text)), Beside(item, alsoSaid, Known(other))]);
        Assert.Equal(copied.Contains("first", StringComparison.Ordinal), looks[0]);
        Assert.Equal(copied.Contains("second", StringComparison.Ordinal), looks[1]);
    }

    /// <summary>
    /// Groups of three with one or two patterns each, in variants that the model does not list, and slips of their own. Twelve answers are
    /// known of each; then one face is shown to all. First everybody answers by themselves; then the third looks across.
    /// </summary>
    [Fact]
    public void Few_who_answer_by_themselves_are_doubted_and_most_who_copy_a_mistake_are_seen()
    {
        var random = new Random(7);
        var study = new Study(Model, Stage.EveryMinute);
        var bank = ItemBank.ForSitting(Stage.EveryMinute, [ClockTasks.ReadDigital]);
        var (answers, doubted, copied, seen) = (0, 0, 0, 0);
        for (var group = 0; group < 160; group++)
        {
            var variants = group % 2 == 0 ? Variants.Second : Variants.HeldOut;
            var children = Enumerable.Range(0, 3)
                .Select(turn => VariedChild.Drawn(1 + (turn % 2), Steps.OfReading, variants, study.Shown, random)).ToList();
            var beliefs = children.ConvertAll(child => Learnt(child, bank, random));
            foreach (var item in Some(bank, 4, random))
            {
                var beside = children.Zip(beliefs, (child, belief) => Beside(item, child.Answer(item), belief)).ToList();
                doubted += Copying.Looks(Model, beside).Count(looks => looks);
                answers += beside.Count;
                var across = beside[random.Next(2)].Given;
                if (across.Scored != false || across.Answer is DontKnow or NoAnswer or Unread
                    || Equals(across.Answer.Meaning, beside[2].Given.Answer.Meaning)) continue;
                copied++;
                if (Copying.Looks(Model, [beside[0], beside[1], new AnswerBeside(across, beliefs[2])])[2]) seen++;
            }
        }
        Assert.InRange(doubted / (double)answers, 0, 0.01);
        Assert.InRange(seen / (double)copied, 0.95, 1);
        Assert.True(copied > 40);
    }

    private static Belief Learnt(VariedChild child, IReadOnlyList<Item> bank, Random random)
    {
        var belief = new Belief(Model);
        foreach (var item in Some(bank, 12, random)) belief.Update(new ItemAnswer(item, item.Read(child.Answer(item)), AnswerMode.Said));
        return belief;
    }

    private static IEnumerable<Item> Some(IReadOnlyList<Item> bank, int count, Random random) =>
        Enumerable.Range(0, count).Select(_ => bank[random.Next(bank.Count)]);

    private static AnswerBeside Beside(Item item, string said, Belief own)
    {
        var answer = item.Read(said);
        return new AnswerBeside(
            new ItemAnswer(item, answer, AnswerMode.Said) { Scored = Scoring.IsRight(item, answer, AnswerMode.Said, Stage.EveryMinute) },
            own);
    }

    private static Belief Known(string pattern)
    {
        var child = new SimulatedChild(Model, [Catalogue.Find(pattern)!], 0.95, new Random(1));
        var belief = new Belief(Model);
        foreach (var time in new[] { "1:35", "2:20", "3:40", "5:55", "7:25", "8:10", "9:50", "11:05", "12:45", "6:30" })
        {
            var item = new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value);
            belief.Update(new ItemAnswer(item, item.Read(child.Answer(item, AnswerMode.Said)), AnswerMode.Said));
        }
        return belief;
    }
}
