using Umbick.Core.Grouping;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Tests;

/// <summary>Who can be in one group, as a teacher would say it.</summary>
public sealed class TogetherTests
{
    /// <summary>A child as <c>next-hour 8 full stuck copied sure after alone rechecks</c>: pattern, stage, and what else is so.</summary>
    private static PlanChild Child(string told)
    {
        var words = told.Split(' ');
        var need = words.Contains("alone") ? PlanNeed.Alone : words.Contains("rechecks") ? PlanNeed.Rechecks : PlanNeed.Practice;
        return new PlanChild(Guid.NewGuid(), "Tide class", new CaseNeed(need, need == PlanNeed.Alone ? null : Catalogue.Find(words[0])),
            (Stage)int.Parse(words[1], System.Globalization.CultureInfo.InvariantCulture), 24)
        {
            Words = words.Contains("after") ? "after" : "past",
            Help = words.Contains("full") ? Support.Full : words.Contains("some") ? Support.Some : Support.Bare,
            IsStuck = words.Contains("stuck"),
            HasCopied = words.Contains("copied"),
            IsSure = words.Contains("sure"),
        };
    }

    [Theory]
    [InlineData("next-hour 8", "next-hour 8", null)]
    [InlineData("next-hour 8", "next-hour 9", null)]
    [InlineData("next-hour 8", "next-hour 10", NotTogether.StagesApart)]
    [InlineData("next-hour 8", "nearest-hour 8", null)]
    [InlineData("to-as-past 9", "past-as-to 9", null)]
    [InlineData("next-hour 8", "to-as-past 8", NotTogether.DifferentNeeds)]
    [InlineData("next-hour 8 rechecks", "next-hour 8", NotTogether.DifferentNeeds)]
    [InlineData("next-hour 8 rechecks", "next-hour 8 rechecks", null)]
    [InlineData("next-hour 8 after", "next-hour 8", NotTogether.DifferentWords)]
    [InlineData("next-hour 8 some", "next-hour 8", null)]
    [InlineData("next-hour 8 full", "next-hour 8 some", NotTogether.HelpApart)]
    [InlineData("next-hour 8 copied", "next-hour 8 sure", NotTogether.MightCopy)]
    [InlineData("next-hour 8 sure", "next-hour 8 copied", NotTogether.MightCopy)]
    [InlineData("next-hour 8 copied", "next-hour 8 copied", null)]
    [InlineData("next-hour 8 stuck", "next-hour 8", null)]
    [InlineData("next-hour 8 stuck", "next-hour 8 stuck", NotTogether.BothStuck)]
    [InlineData("next-hour 8 alone", "next-hour 8", NotTogether.SeenAlone)]
    [InlineData("next-hour 8 alone", "next-hour 8 alone", NotTogether.SeenAlone)]
    public void Two_are_in_one_group_or_not(string one, string other, NotTogether? why)
    {
        Assert.Equal(why, Together.InTheWay(Child(one), Child(other)));
        Assert.Equal(why, Together.InTheWay(Child(other), Child(one)));
        if (why is { } told) Assert.NotEmpty(PlanTexts.Why(told));
    }

    [Fact]
    public void Who_is_to_be_kept_apart_is_whichever_is_named_first()
    {
        var (one, other) = (Child("next-hour 8"), Child("next-hour 8"));
        Assert.Equal(NotTogether.KeptApart, Together.InTheWay(one, other, pair => pair == (one.Child, other.Child)));
        Assert.Equal(NotTogether.KeptApart, Together.InTheWay(one, other, pair => pair == (other.Child, one.Child)));
    }

    [Theory]
    [InlineData(3, "next-hour 8", true)]
    [InlineData(4, "next-hour 8", false)]
    [InlineData(4, "next-hour 8 rechecks", true)]
    [InlineData(5, "next-hour 8 rechecks", false)]
    public void A_group_is_small_and_four_only_where_all_are_looked_at_again(int size, string child, bool isRight) =>
        Assert.Equal(isRight, Together.IsRightSize([.. Enumerable.Range(0, size).Select(_ => Child(child))]));

    [Fact]
    public void Of_three_patterns_each_two_of_which_share_a_demonstration_two_are_a_group() =>
        Assert.Equal(NotTogether.DifferentNeeds, Together.InTheWay(
            [Child("to-as-past 9"), Child("past-as-to 9"), Child("past-to-exchanged 9")], _ => false));
}
