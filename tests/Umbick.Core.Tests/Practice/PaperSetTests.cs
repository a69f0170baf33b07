using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Core.Tests;

/// <summary>A set that is done with a pencil, and the form of a class: what stands on a page.</summary>
public sealed class PaperSetTests
{
    private static readonly ReadingModel Model = new();

    public static TheoryData<Pattern> Patterns => [.. Model.Patterns];

    public static TheoryData<Stage> Taught => [.. Stages.OfReading.Where(stage => stage >= Stage.HalfPast)];

    [Theory]
    [MemberData(nameof(Patterns))]
    public void On_paper_two_are_easy_then_come_a_pair_a_claim_a_pair_and_two_to_draw_all_without_help(Pattern pattern)
    {
        var held = HeldPattern.Plain(Model, pattern);
        var set = new SetMaker().Make(new SetRequest(held, Stage.FiveMinutesTo, Support.Bare, Seed: 5)
        { OnPaper = true, Length = SetRequest.LengthOnPaper });
        Assert.Equal(SetRequest.LengthOnPaper, set.Items.Count);
        Assert.All(set.Items, item => Assert.Equal(Support.Bare, item.Support));
        Assert.All(set.Items.Take(2), item => Assert.True(held.ComesRight(item.Item), $"{item.Item.Task.Id} {item.Item.Time}"));
        Assert.All(set.Items.TakeLast(2), item => Assert.Equal(AnswerBox.Hands, AnswerBoxes.BoxFor(item.Item)));
        Assert.Equal(set.Items.Count, set.Items.Select(item => item.Item).Distinct().Count());
        Assert.Contains(set.Items, item => held.IsTelling(item.Item));
    }

    [Theory]
    [MemberData(nameof(Taught))]
    public void A_class_s_form_has_easy_ones_figures_drawing_and_words_all_round_the_face(Stage stage)
    {
        var forms = new FixedForms(Model).MakeForClass(stage, seed: 3, _ => true);
        Assert.Equal(["A", "B", "C"], forms.Select(form => form.Name));
        Assert.All(forms, form =>
        {
            Assert.Equal(8, form.Items.Count);
            Assert.Equal(2, form.Items.Count(item => item.Task == ClockTasks.SetFromDigital));
            Assert.Single(form.Items, item => item.Task == ClockTasks.ReadWords);
            Assert.Equal(5, form.Items.Count(item => item.Task == ClockTasks.ReadDigital));
            Assert.All(form.Items.Take(2), item => Assert.True(Stages.FirstWith(item.Time.Minute) <= Stage.HalfPast));
            Assert.Equal(form.Items.Count, form.Items.Select(item => item.Time.Hour).Distinct().Count());
            if (stage < Stage.FiveMinutesTo) return;
            Assert.Equal(4, form.Items.Select(item => item.Time.Minute / 15).Distinct().Count());
            Assert.True(form.Items.Count(item => item.Time.Minute is 5 or 55) <= 2, "few are near twelve");
        });
        // No task and time stands in two of them while the stage has others.
        if (stage >= Stage.QuarterTo)
            Assert.Equal(24, forms.SelectMany(form => form.Items).Distinct().Count());
    }

    [Fact]
    public void A_class_that_is_screened_again_is_asked_the_next_form()
    {
        var forms = Enumerable.Range(0, 7).Select(earlier => new FixedForms(Model).ForClass(Stage.FiveMinutesTo, earlier, _ => true))
            .ToList();
        Assert.Equal(["A", "B", "C", "A", "B", "C", "A"], forms.Select(form => form.Name));
        Assert.Equal(7, forms.Select(form => string.Join(' ', form.Items)).Distinct().Count());
        Assert.Equal([1, 1, 1, 2, 2, 2, 3], forms.Select(form => forms.Select(each =>
            each.Seed).Distinct().ToList().IndexOf(form.Seed) + 1));
    }

    [Theory]
    [MemberData(nameof(Taught))]
    public void A_mixed_page_has_nine_of_what_is_taught(Stage stage)
    {
        var items = MixedPage.Make(Model, stage, seed: 2, task => task != ClockTasks.ReadWords);
        Assert.Equal(MixedPage.Length, items.Distinct().Count());
        Assert.All(items, item => Assert.True(item.Task.From <= stage && item.Task != ClockTasks.ReadWords));
    }

    [Fact]
    public void By_a_class_s_form_nearly_every_pattern_can_be_told()
    {
        foreach (var form in new FixedForms(Model).MakeForClass(Stage.FiveMinutesTo, seed: 1, _ => true))
        {
            var told = new FixedForms(Model).CoverageOf(form.Items);
            TestContext.Current.SendDiagnosticMessage(
                $"{form.Name}: {string.Join(' ', form.Items.Select(item => $"{item.Task.Id} {item.Time}"))}; not told: "
                    + string.Join(' ', told.Where(pattern => pattern.Telling == 0).Select(pattern => pattern.Pattern.Id)));
            Assert.True(told.Count(pattern => pattern.Telling > 0) >= told.Count * 0.75,
                $"{told.Count(pattern => pattern.Telling > 0)} of {told.Count}");
        }
    }
}
