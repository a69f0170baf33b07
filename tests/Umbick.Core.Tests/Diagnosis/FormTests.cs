using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Tests;

/// <summary>Fixed forms, stop rules and the sitting that chooses as it goes.</summary>
public sealed class FormTests
{
    private static readonly ReadingModel Model = new();
    private readonly FixedForms _forms = new(Model);

    [Theory]
    [InlineData(Stage.HalfPast, 8)]
    [InlineData(Stage.QuarterTo, 12)]
    [InlineData(Stage.FiveMinutesTo, 16)]
    [InlineData(Stage.EveryMinute, 12)]
    public void Three_forms_share_no_task_and_time(Stage stage, int length)
    {
        var forms = _forms.Make(stage, length, seed: 4);
        Assert.Equal(["A", "B", "C"], forms.Select(form => form.Name));
        Assert.All(forms, form => Assert.Equal(length, form.Items.Count));
        Assert.All(forms.SelectMany(form => form.Items), item => Assert.True(stage.Has(item.Time.Minute)));
        Assert.Equal(3 * length, forms.SelectMany(form => form.Items).Distinct().Count());
        Assert.Equal(forms.Select(form => form.Items), _forms.Make(stage, length, seed: 4).Select(form => form.Items));
        Assert.NotEqual(forms[0].Items, _forms.Make(stage, length, seed: 5)[0].Items);
    }

    [Theory]
    [InlineData(Stage.OClock)]
    [InlineData(Stage.HalfPast)]
    [InlineData(Stage.QuarterTo)]
    public void Where_one_task_is_in_use_three_forms_are_still_whole_and_none_repeats_itself(Stage stage)
    {
        foreach (var form in _forms.Make(stage, 12, seed: 4, [ClockTasks.ReadDigital]))
        {
            Assert.Equal(12, form.Items.Distinct().Count());
            Assert.All(form.Items, item => Assert.Equal(ClockTasks.ReadDigital, item.Task));
        }
    }

    [Fact]
    public void A_form_of_sixteen_tells_nearly_every_pattern_and_says_which()
    {
        foreach (var form in _forms.Make(Stage.EveryMinute, 16, seed: 1))
        {
            var coverage = _forms.CoverageOf(form.Items);
            Assert.Equal(Model.Patterns, coverage.Select(each => each.Pattern));
            Assert.InRange(coverage.Count(each => each.Telling == 0), 0, 1);
            Assert.InRange(coverage.Count(each => each.Telling >= 2), 24, 40);
        }
    }

    [Fact]
    public void Parallel_forms_tell_about_the_same()
    {
        var told = _forms.Make(Stage.FiveMinutesTo, 12, seed: 2)
            .Select(form => _forms.CoverageOf(form.Items).Sum(coverage => Math.Min(2, coverage.Telling))).ToList();
        Assert.InRange(told.Max() - told.Min(), 0, told.Max() / 4);
    }

    [Fact]
    public void A_form_has_one_of_the_lengths() => Assert.Throws<ArgumentOutOfRangeException>(() => _forms.Make(Stage.EveryMinute, 9, 1));

    [Fact]
    public void A_sitting_may_stop_at_its_length_when_all_is_clear_or_when_nobody_answers()
    {
        Assert.Equal(StopReason.Length, Stop(Enumerable.Repeat("6:20=6:20", 12)));
        Assert.Equal(StopReason.NoAnswers, Stop(["4:00=4:00", "6:20=-", "3:10=?", "9:45=-"]));
        Assert.Equal(StopReason.None, Stop(["4:00=4:00", "6:20=-", "3:10=3:10", "9:45=-"]));
        Assert.Equal(StopReason.None, Stop(["4:00=4:00"]));
        Assert.Equal(StopReason.ManyWrong, Stop(["4:00=4:00", "6:20=9:05", "3:10=1:55", "9:45=2:20", "5:25=11:10"]));
        // What cannot be read is not wrong.
        Assert.Equal(StopReason.None, Stop(["4:00=4:00", "6:20=9:05", "3:10=the big one", "9:45=2:20", "5:25=11:10"]));
    }

    [Fact]
    public void A_sitting_is_clear_once_what_is_concluded_stays_the_same_and_nothing_is_open()
    {
        var bank = ItemBank.ForSitting(Stage.FiveMinutesTo, ClockTasks.Plain);
        var sitting = new AdaptiveSitting(Model, new Belief(Model), new SittingItems(bank, 40), seed: 1);
        var length = 0;
        while (length < 40 && sitting.MayStop() == StopReason.None)
        {
            var item = sitting.Next()!.Item;
            sitting.Add(new ItemAnswer(item, item.Right, item.Task.Taken));
            length++;
        }
        Assert.Equal(StopReason.Clear, sitting.MayStop());
        Assert.InRange(length, 8, 12);
    }

    [Fact]
    public void The_same_seed_and_answers_ask_the_same_items()
    {
        Assert.Equal(Asked(3), Asked(3));
        Assert.NotEqual(Asked(3), Asked(4));

        static List<string> Asked(int seed)
        {
            var items = new SittingItems(ItemBank.ForSitting(Stage.EveryMinute, ClockTasks.Plain));
            var sitting = new AdaptiveSitting(Model, new Belief(Model), items, seed);
            var asked = new List<string>();
            for (var i = 0; i < 6; i++)
            {
                var next = sitting.Next()!;
                asked.Add($"{next.Item.Task.Id} {next.Item.Given}: {next.Why}");
                sitting.Add(new ItemAnswer(next.Item, next.Item.Right, next.Item.Task.Taken));
            }
            return asked;
        }
    }

    private static StopReason Stop(IEnumerable<string> answers)
    {
        var given = answers.Select(answer => answer.Split('=')).Select(parts => new ItemAnswer(
            new Item(ClockTasks.ReadDigital, ClockTime.TryParse(parts[0])!.Value), AnswerParser.Parse(parts[1]), AnswerMode.Said)).ToList();
        var belief = new Belief(Model);
        foreach (var answer in given) belief.Update(answer);
        return StopRules.After(Model, belief, ObservedAnswer.All(Model, given),
            new SittingItems(ItemBank.ForSitting(Stage.EveryMinute, [ClockTasks.ReadDigital])), () => []);
    }
}
