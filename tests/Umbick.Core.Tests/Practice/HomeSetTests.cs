using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;

namespace Umbick.Core.Tests;

/// <summary>A page for home: three clocks at which the old way shows, and texts that name no pattern.</summary>
public sealed class HomeSetTests
{
    private static readonly ReadingModel Model = new();

    public static TheoryData<Pattern> Patterns => [.. Model.Patterns];

    [Theory]
    [MemberData(nameof(Patterns))]
    public void Three_days_have_three_times_and_a_text_that_names_no_pattern(Pattern pattern)
    {
        var clocks = HomeSet.Make(HeldPattern.Plain(Model, pattern), Stage.FiveMinutesTo, seed: 2);
        Assert.Equal(HomeSet.Days, clocks.Select(clock => clock.Time).Distinct().Count());
        Assert.All(clocks.Where(clock => clock.OldWay is not null), clock =>
            Assert.NotEqual(Wording.Usual.Digital(clock.Time), clock.OldWay!.Short(Wording.Usual)));
        var idea = HomeLanguage.English.For(pattern.Step, Wording.Usual);
        Assert.All([idea.Idea, idea.Say, idea.OldWay], text =>
        {
            Assert.DoesNotContain('{', text);
            Assert.DoesNotContain(pattern.TextsIn(Wording.Usual).Name, text, StringComparison.OrdinalIgnoreCase);
        });
    }

    [Fact]
    public void Past_and_to_are_said_as_in_class()
    {
        var idea = HomeLanguage.English.For(Step.PastOrTo, new Wording("after", "till"));
        Assert.Contains("it is after the hour", idea.Idea, StringComparison.Ordinal);
        Assert.Contains("we say till", idea.Idea, StringComparison.Ordinal);
    }
}
