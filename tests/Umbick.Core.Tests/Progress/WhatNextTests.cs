using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Core.Tests;

/// <summary>What is said to do next with a child, from where their case stands.</summary>
public sealed class WhatNextTests
{
    private static readonly CaseState Settled =
        new(Sittings: 3, Likely: [], Possible: [], AskingOpen: false, SetOpen: false, PractisedSinceAsked: false);

    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    private static readonly Pattern Swapped = Catalogue.Find("hands-swapped")!;

    public static TheoryData<string, CaseState, NextStep, string?> Cases => new()
    {
        { "never asked", Settled with { Sittings = 0 }, NextStep.AskFirst, null },
        { "never asked to an end, but begun", Settled with { Sittings = 0, AskingOpen = true }, NextStep.GoOnAsking, null },
        { "nothing stands out", Settled, NextStep.LookInAgain, null },
        { "one pattern likely", Settled with { Likely = [NextHour] }, NextStep.Practise, "next-hour" },
        { "two likely: the first comes first", Settled with { Likely = [Swapped, NextHour] }, NextStep.Practise, "hands-swapped" },
        { "one only possible", Settled with { Possible = [NextHour] }, NextStep.AskMore, "next-hour" },
        { "guessing comes before what is only possible", Settled with { Possible = [NextHour], Beside = BesidePatterns.Guessing },
            NextStep.LookTogether, null },
        { "the same answer again and again", Settled with { Beside = BesidePatterns.SameAnswer }, NextStep.LookTogether, null },
        { "a way that nobody has listed", Settled with { Beside = BesidePatterns.OtherWay }, NextStep.LookTogether, null },
        { "much wrong, and in no one way", Settled with { Beside = BesidePatterns.MuchWrong }, NextStep.LookTogether, null },
        { "likely comes before a way without a name", Settled with { Likely = [NextHour], Beside = BesidePatterns.OtherWay },
            NextStep.Practise, "next-hour" },
        { "one likely, one possible", Settled with { Likely = [Swapped], Possible = [NextHour] }, NextStep.Practise, "hands-swapped" },
        { "a set is waiting", Settled with { Likely = [NextHour], SetOpen = true }, NextStep.DoTheSet, "next-hour" },
        { "a set is waiting, and a sitting was left", Settled with { SetOpen = true, AskingOpen = true }, NextStep.GoOnAsking, null },
        { "practised, still likely", Settled with { Likely = [NextHour], PractisedSinceAsked = true }, NextStep.AskAgain, "next-hour" },
        { "practised, gone", Settled with { PractisedSinceAsked = true }, NextStep.AskAgain, null },
        { "practised, and the next set is waiting", Settled with { SetOpen = true, PractisedSinceAsked = true }, NextStep.DoTheSet, null },
    };

    [Theory]
    [MemberData(nameof(Cases))]
    public void The_most_pressing_comes_first(string where, CaseState state, NextStep step, string? pattern)
    {
        var next = WhatNext.For(state);
        Assert.True(next.Step == step, $"{where}: {next.Step}");
        Assert.Equal(pattern, next.Pattern?.Id);
        Assert.EndsWith(".", next.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void What_to_practise_is_said_in_the_schools_words()
    {
        var after = WhatNext.For(Settled with { Likely = [Catalogue.Find("to-as-past")!] }, Wording.Usual with { Past = "after" });
        Assert.Contains("after", after.Heading, StringComparison.Ordinal);
        Assert.DoesNotContain("past", after.Heading, StringComparison.OrdinalIgnoreCase);
    }

    [Theory]
    [InlineData("nothing stands out", Stage.OClock, 3, false, false, true)]
    [InlineData("at the last stage", Stage.EveryMinute, 1, false, false, true)]
    [InlineData("a pattern is likely", Stage.EveryMinute, 3, true, false, false)]
    [InlineData("a set is waiting", Stage.EveryMinute, 3, false, true, false)]
    [InlineData("never asked", Stage.EveryMinute, 0, false, false, false)]
    [InlineData("no clock times met yet", Stage.HourHandAlone, 3, false, false, false)]
    public void Reading_at_ease_is_for_what_she_can_do_already(string where, Stage stage, int sittings, bool likely, bool set, bool ready)
    {
        var state = Settled with { Sittings = sittings, Likely = likely ? [NextHour] : [], SetOpen = set };
        Assert.True(state.IsReadyToReadAtEase(stage) == ready, where);
    }
}
