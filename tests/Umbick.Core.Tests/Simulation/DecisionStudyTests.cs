using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>
/// How often the rules of deciding are wrong, on children who do not know how they are judged. The whole tables: <c>./umbick simulate
/// --decisions</c>.
/// </summary>
public sealed class DecisionStudyTests
{
    private const int Children = 400;
    private static readonly DecisionStudy Study = new(new ReadingModel(), Stage.FiveMinutesTo);

    [Theory]
    [InlineData(0.05)]
    [InlineData(0.1)]
    [InlineData(0.15)]
    public void Who_is_over_it_is_hardly_ever_sent_back(double slips) =>
        Assert.InRange(Share((pattern, seed, random) =>
            Study.IsSentBack(new PractisedChild(pattern, 0, 1, slips, 0, random), pattern, seed)), 0, 0.05);

    [Theory]
    [InlineData(0.05)]
    [InlineData(0.15)]
    public void Who_does_not_learn_is_told_to_change_within_six_visits(double slips) =>
        Assert.InRange(Share((pattern, seed, random) =>
            Study.Play(new PractisedChild(pattern, 0.9, 1, slips, 0, random), pattern, 6, seed).ToldToChange is not null), 0.8, 1);

    [Theory]
    [InlineData(0.5, 0.05, 12, 0.06)]
    [InlineData(0.5, 0.15, 12, 0.13)]
    [InlineData(0.794, 0.05, 8, 0.15)]
    public void Who_learns_is_seldom_told_to_change(double keeps, double slips, int visits, double most) =>
        Assert.InRange(Share((pattern, seed, random) =>
            Study.Play(new PractisedChild(pattern, 0.9, keeps, slips, 0, random), pattern, visits, seed).ToldToChange is not null), 0,
            most);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Who_is_stuck_is_told_to_change_by_the_eighth_visit(int right) =>
        Assert.InRange(Share((pattern, seed, random) =>
            Study.Play(new PractisedChild(pattern, 1 - (right / 4.0), 1, 0.1, 0, random), pattern, 8, seed).ToldToChange is not null),
            0.66, 1);

    [Fact]
    public void Only_patterns_that_six_plain_tasks_do_not_show_are_left_out() =>
        Assert.Equal(
            [
                "hour-hand-on-numeral", "hour-hand-halfway", "hour-hand-behind", "hand-on-nearest-numeral", "past-sixty", "hundred-minutes",
                "counts-the-start", "noon-is-am", "midnight-is-pm", "twelve-added-always", "same-answer",
            ],
            Patterns.Catalogue.All.Except(Study.Patterns).Select(pattern => pattern.Id));

    private static double Share(Func<Patterns.Pattern, int, Random, bool> holds) =>
        Enumerable.Range(0, Children).AsParallel()
            .Count(i => holds(Study.Patterns[i % Study.Patterns.Count], i, new Random(i))) / (double)Children;
}
