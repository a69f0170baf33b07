using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Simulation;

namespace Umbick.Core.Tests;

/// <summary>The bar, held on few children so that it is quick; <c>./umbick simulate --report</c> holds it on thousands.</summary>
public sealed class StudyTests
{
    private const int Children = 60;
    private static readonly Study Study = new(new ReadingModel());

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Twelve_items_find_what_is_there_and_call_nothing_else(int patterns)
    {
        var row = Play(seed => DrawnChild.With(patterns, new Random(seed)));
        Assert.InRange(row.WronglyCalled, 0, 0.02);
        if (patterns == 0)
        {
            Assert.InRange(row.Exact, 0.97, 1);
            return;
        }
        Assert.InRange(row.ShareFound, 0.9, 1);
        // Five of the twelve are what every sitting asks: of several patterns some wait for their second telling answer.
        Assert.InRange(row.ShareCalled, patterns == 1 ? 0.8 : 0.75, 1);
    }

    [Fact]
    public void Children_who_are_not_made_by_its_rules_are_found_and_called_nothing_else()
    {
        var come = Play(seed => VariedChild.Drawn(1, Items.Steps.OfReading, Variants.First, Study.Shown, new Random(seed)));
        Assert.InRange(come.ShareFound, 0.9, 1);
        Assert.InRange(come.ShareCalled, 0.85, 1);
        Assert.InRange(come.WronglyCalled, 0, 0.05);
        var known = new AwayOracle(1, Items.Steps.OfReading, Variants.First, Study.Shown);
        var best = new StudyRow([.. come.Outcomes.Take(20).Select(outcome => outcome with { Found = known.Found(outcome.Answers) })]);
        Assert.InRange(best.ShareFound, new StudyRow([.. come.Outcomes.Take(20)]).ShareFound - 0.05, 1);
    }

    [Fact]
    public void What_is_held_out_is_no_variant_that_was_looked_at() =>
        Assert.Empty(Variants.HeldOut.Intersect([.. Variants.First, .. Variants.Second]));

    [Fact]
    public void Guessers_and_children_with_a_way_of_their_own_are_called_nothing()
    {
        Assert.InRange(Play(seed => DrawnChild.Guessing(new Random(seed))).SomethingCalled, 0, 0.02);
        Assert.InRange(Play(seed => DrawnChild.Odd(new Random(seed))).SomethingCalled, 0, 0.05);
    }

    [Fact]
    public void On_a_fixed_form_the_model_is_as_good_as_who_knows_how_the_children_were_made()
    {
        var form = new FixedForms(new ReadingModel()).Make(Stage.EveryMinute, 12, seed: 1)[0];
        var outcomes = Enumerable.Range(0, Children).Select(seed => Study.Fixed(DrawnChild.With(2, new Random(seed)), form.Items)).ToList();
        var oracle = new Oracle();
        var known = new StudyRow([.. outcomes.Select(outcome => outcome with { Found = oracle.Found(outcome.Answers) })]);
        Assert.InRange(new StudyRow(outcomes).ShareFound, known.ShareFound - 0.05, 1);
    }

    private static StudyRow Play(Func<int, IAnsweringChild> child) =>
        new([.. Enumerable.Range(0, Children).Select(seed => Study.Adaptive(child(1000 + seed), 12, seed))]);
}
