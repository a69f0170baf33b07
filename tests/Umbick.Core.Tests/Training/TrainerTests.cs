using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Diagnosis;
using Umbick.Core.Teaching;
using Umbick.Training;

namespace Umbick.Core.Tests;

/// <summary>Made-up children, and what adults are told who listen to them.</summary>
public sealed class TrainerTests
{
    private static readonly ReadingModel Model = new();
    private static readonly MadeUpChildren Children = new(Model);

    [Theory]
    [InlineData(TrainingLevel.OnePattern)]
    [InlineData(TrainingLevel.LookAlikes)]
    [InlineData(TrainingLevel.Two)]
    [InlineData(TrainingLevel.Slips)]
    [InlineData(TrainingLevel.Guesser)]
    public void One_in_four_has_nothing_to_find_and_half_are_of_the_level_s_own_kind(TrainingLevel level)
    {
        var truths = Enumerable.Range(1, 60).Select(seed => MadeUpChild.Make(level, seed, Children.Patterns).Truth).ToList();
        Assert.Equal(15, truths.Count(truth => truth == Verdict.Nothing));
        Func<Verdict, bool> own = level switch
        {
            TrainingLevel.Two => truth => truth.Patterns.Count == 2,
            TrainingLevel.Slips => truth => truth == Verdict.Slips,
            TrainingLevel.Guesser => truth => truth == Verdict.Guessing,
            TrainingLevel.LookAlikes => truth => truth.Patterns is [var only] && Children.Patterns.Alike.Contains(only),
            _ => truth => truth.Patterns.Count == 1,
        };
        Assert.True(truths.Count(own) >= 30);
    }

    [Fact]
    public void The_same_child_says_the_same_to_the_same_questions()
    {
        var items = Conversation.Read("read-digital 7:50;read-words 4:40;set-from-digital 2:25;words-to-digital 8:45")!;
        foreach (var seed in Enumerable.Range(1, 20))
        {
            var child = MadeUpChild.Make(TrainingLevel.Two, seed, Children.Patterns);
            Assert.Equal(child.Answers(items), MadeUpChild.Make(TrainingLevel.Two, seed, Children.Patterns).Answers(items));
            // What comes later changes nothing that was said before.
            Assert.Equal(child.Answers(items).Take(2), child.Answers(items.Take(2)));
        }
    }

    public static TheoryData<string> Asked => new(TrainingPatterns.Tasks.Select(task => task.Id));

    [Theory]
    [MemberData(nameof(Asked))]
    public void Every_task_is_asked_of_every_kind_of_child_and_weighed(string task)
    {
        var items = Conversation.Read(string.Join(';', new[] { "7:50", "2:25", "8:45", "10:10" }.Select(time => $"{task} {time}")))!;
        var talks = TrainingLevels.All.SelectMany(level => new[] { 1, 8, 20 }.Select(seed =>
            new Conversation(MadeUpChild.Make(level, seed, Children.Patterns), items))).ToList();
        foreach (var talk in talks)
            Assert.All(items.Zip(talk.Heard), each => Assert.IsNotType<Unread>(each.First.Read(each.Second.Raw)));
        var one = talks[task.Length % talks.Count];
        var told = Feedback.On(Children.Oracle, one, one.Child.Truth);
        Assert.All(told.Clocks, clock => Assert.NotEmpty(FeedbackInWords.Clock(clock, Wording.Usual)));
        Assert.InRange(told.SureOfGiven, 1e-9, 1);
    }

    /// <summary>The hour hand alone parts a reading of the hour from a reading of the minutes, and tells nothing of the minutes.</summary>
    [Theory]
    [InlineData("hour-only", "next-hour", "8")]
    [InlineData("hour-only", "numeral-as-minutes", "7 nearly next")]
    [InlineData("minutes-only", "next-hour", ":50")]
    [InlineData("minutes-only", "numeral-as-minutes", ":10")]
    [InlineData("describe", "hands-swapped", "on 10, 8")]
    [InlineData("place-hour-hand", "hour-hand-on-numeral", "7|")]
    [InlineData("place-minute-hand", "anticlockwise", "|10")]
    [InlineData("set-minutes", "fives-from-twelve", "|45")]
    [InlineData("story", "next-hour", "8:50")]
    public void One_hand_shows_its_own_pattern(string task, string pattern, string says) =>
        Assert.Equal(says, TrainingOracle.Likeliest(Verdict.Of(pattern), new Item(ClockTasks.Find(task)!, new ClockTime(7, 50))));

    [Fact]
    public void Only_a_child_who_can_be_found_out_is_used()
    {
        foreach (var place in new[] { 1, 7, 22 })
        {
            var seed = Children.SeedAt(TrainingLevel.LookAlikes, place);
            var child = Children.Find(TrainingLevel.LookAlikes, seed)!;
            Assert.True(Children.IsUsable(child));
            Assert.Null(Children.Find(TrainingLevel.LookAlikes, seed + 60));
        }
        Assert.Null(Children.Find(TrainingLevel.LookAlikes, 0));
    }

    /// <summary>
    /// What a teacher would say of a conversation, before any figure: which child, which clocks, which verdict, what is told.
    /// </summary>
    [Theory]
    [InlineData("read-digital 4:50;read-digital 7:40;read-digital 2:20;read-digital 9:35;read-words 3:50;read-digital 11:10",
        "next-hour", CallFit.Right)]
    [InlineData("read-digital 4:50;read-digital 7:40;read-digital 2:20;read-digital 9:35;read-words 3:50;read-digital 11:10",
        "nearest-hour", CallFit.LookAlike)]
    [InlineData("read-digital 1:00;read-digital 2:00;read-digital 3:00;read-digital 4:00;read-digital 5:00;read-digital 6:00",
        "nothing", CallFit.Missed)]
    [InlineData("read-digital 4:50;read-digital 7:40;read-digital 2:20;read-digital 9:35;read-words 3:50;read-digital 11:10",
        "next-hour+to-as-past", CallFit.Half)]
    public void The_verdict_is_held_against_the_truth(string asked, string verdict, CallFit fit)
    {
        var told = On(Having("next-hour", asked), asked, verdict);
        // Half of one is one and something that is not there.
        Assert.Equal(fit == CallFit.Half ? CallFit.LookAlike : fit, told.Fit == CallFit.Other ? CallFit.LookAlike : told.Fit);
    }

    [Fact]
    public void One_pattern_of_two_is_half_of_it()
    {
        var child = Enumerable.Range(1, 60).Select(seed => MadeUpChild.Make(TrainingLevel.Two, seed, Children.Patterns))
            .First(each => each.Truth.Patterns.Count == 2);
        var conversation = new Conversation(child, Conversation.Read("read-digital 4:50;read-words 7:40;set-from-digital 2:20")!);
        foreach (var pattern in child.Truth.Patterns)
        {
            var told = Feedback.On(Children.Oracle, conversation, Verdict.Of(pattern.Id));
            Assert.Equal((CallFit.Half, false), (told.Fit, told.IsRight));
        }
        Assert.True(Feedback.On(Children.Oracle, conversation, child.Truth).IsRight);
    }

    [Fact]
    public void O_clocks_tell_nothing_and_a_better_one_is_named()
    {
        const string asked = "read-digital 1:00;read-digital 2:00;read-digital 3:00;read-digital 4:00;read-digital 5:00;read-digital 6:00";
        var told = On(Having("next-hour", asked), asked, "nothing");
        Assert.All(told.Clocks.Skip(1), clock => Assert.True(clock.IsWasted));
        var (item, parts) = told.Clocks[3].Better!.Value;
        Assert.NotEqual(parts.OneSays, parts.OtherSays);
        Assert.NotEqual(0, item.Time.Minute);
        Assert.Equal(CallTime.TooEarly, told.Time);
        Assert.Contains("would have parted", FeedbackInWords.Clock(told.Clocks[3], Wording.Usual), StringComparison.Ordinal);
    }

    [Fact]
    public void To_say_it_early_and_to_say_it_late_are_told_apart()
    {
        var late = 0;
        foreach (var place in Enumerable.Range(20, 8))
        {
            var child = MadeUpChild.Make(TrainingLevel.OnePattern, Children.SeedAt(TrainingLevel.OnePattern, place), Children.Patterns);
            var asked = EnginePath.Of(Model, Children.Patterns, child, Conversation.Most).Moves.Select(move => move.Item).ToList();
            Feedback After(int clocks) => Feedback.On(Children.Oracle, new Conversation(child, [.. asked.Take(clocks)]), child.Truth);
            var all = After(Conversation.Most);
            Assert.NotEqual(CallTime.TooEarly, all.Time);
            Assert.Equal(CallTime.TooEarly, After(0).Time);
            if (all.Time == CallTime.InTime) continue;
            late++;
            // Said as soon as it could be known, it is in time.
            Assert.Equal(CallTime.InTime, After(Math.Max(all.SureFrom!.Value, Conversation.Fewest)).Time);
        }
        Assert.NotEqual(0, late);
    }

    [Fact]
    public void Words_that_give_the_answer_away_are_named_and_each_choice_stands_once()
    {
        const string asked = "read-digital 4:50;read-digital 7:40";
        var child = Having("next-hour", asked);
        var conversation = new Conversation(child, Conversation.Read(asked)!);
        var words = FirstWords.For(conversation, Verdict.Of("next-hour"), Children.Patterns, TeachingPreferences.Usual);
        Assert.Equal(["fit", "give-away", "look-again", "other-way"], words.Select(each => each.Id).Order());
        Assert.Contains("ten to five", words.Single(each => each.Kind == WordsKind.GiveAway).Says, StringComparison.Ordinal);
        var shown = FirstShown.For(child, Verdict.Of("nearest-hour"));
        Assert.Equal(shown.Count, shown.Select(each => each.Id).Distinct().Count());
        Assert.Contains(shown, each => each.Fits(child.Truth));
        Assert.False(shown.Single(each => each.Shown is null).Fits(child.Truth));
        Assert.True(new FirstShown((Demonstration?)null).Fits(Verdict.Slips));
    }

    [Theory]
    [InlineData("next-hour", "next-hour")]
    [InlineData("to-as-past+next-hour", "next-hour+to-as-past")]
    [InlineData("nothing", "nothing")]
    [InlineData("next-hour+next-hour", null)]
    [InlineData("nothing+next-hour", null)]
    [InlineData("a+b", null)]
    [InlineData("", null)]
    [InlineData(null, null)]
    public void A_verdict_is_read_from_its_name(string? id, string? read) => Assert.Equal(read, Verdict.Find(id)?.Id);

    [Theory]
    [InlineData("read-digital 7:50", 1)]
    [InlineData("", 0)]
    [InlineData("read-digital 13:50", null)]
    [InlineData("judge 7:50", null)]
    [InlineData("read-digital", null)]
    public void What_was_asked_is_read_from_an_address(string text, int? count) => Assert.Equal(count, Conversation.Read(text)?.Count);

    /// <summary>A sample of what <c>./umbick simulate --trainer</c> measures on sixty children each.</summary>
    [Fact]
    public void A_specialist_is_right_and_others_are_told_why_not()
    {
        var specialist = new Specialist(Children.Patterns);
        var children = TrainingLevels.All.SelectMany(level => new[] { 1, 9, 16 }.Select(place =>
            MadeUpChild.Make(level, Children.SeedAt(level, place), Children.Patterns))).ToList();
        Assert.True(children.Count(child => specialist.Talk(child).Verdict == child.Truth) >= 13);
        Assert.All(children.Where(child => child.Truth.NamesPatterns), child =>
        {
            var (talk, verdict) = ScriptedAdult.OClockOnly.Talk(child);
            var told = Feedback.On(Children.Oracle, talk, verdict);
            Assert.True(told.Time == CallTime.TooEarly || told.Fit is CallFit.Missed, child.Truth.Id);
            (talk, verdict) = ScriptedAdult.AtOnce.Talk(child);
            Assert.Equal(CallTime.TooEarly, Feedback.On(Children.Oracle, talk, verdict).Time);
        });
    }

    private static Feedback On(MadeUpChild child, string asked, string verdict) =>
        Feedback.On(Children.Oracle, new Conversation(child, Conversation.Read(asked)!), Verdict.Find(verdict)!);

    /// <summary>The first child with just this pattern who follows it at all that is asked.</summary>
    private static MadeUpChild Having(string pattern, string asked) => Enumerable.Range(1, 5000)
        .Select(seed => MadeUpChild.Make(TrainingLevel.LookAlikes, seed, Children.Patterns))
        .First(child => child.Truth == Verdict.Of(pattern) && Conversation.Read(asked)! is var items
            && child.Answers(items).Zip(items).All(each =>
                Meant(each.Second, each.First.Raw) == Meant(each.Second, TrainingOracle.Likeliest(child.Truth, each.Second)!)));

    private static ClockTime? Meant(Item item, string raw) => item.Read(raw).Meaning;
}
