using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Casework.Tests;

/// <summary>What a child has met, and how they are taught, in all that is asked, practised and printed for them.</summary>
public sealed class TaughtSoFarTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);
    private static readonly string[] WordTasks = ["read-words", "words-to-digital", "digital-to-words", "set-from-words", "choose-names"];
    private readonly Asking _asking = new(Model, TimeProvider.System);
    private readonly Practising _practising = new(Model, TimeProvider.System);

    [Theory]
    [InlineData("A")]
    [InlineData("B")]
    [InlineData("C")]
    public async Task With_figures_first_no_form_has_words_and_each_is_whole(string form)
    {
        var child = await Child(Stage.QuarterTo, null, ("path", "figures"));
        var items = await Form(child, form);
        Assert.Equal(12, items.Distinct().Count());
        Assert.DoesNotContain(items, item => WordTasks.Contains(item.Task.Id));
        Assert.Contains(await Form(await Child(Stage.QuarterTo, null), form), item => WordTasks.Contains(item.Task.Id));
    }

    [Theory]
    [InlineData("read-digital")]
    [InlineData("read-digital set-from-digital")]
    [InlineData("read-words words-to-digital")]
    public async Task Forms_and_adaptive_sittings_ask_only_what_the_child_has_met(string met)
    {
        var tasks = met.Split(' ');
        var child = await Child(Stage.FiveMinutesTo, tasks);
        Assert.All(await Form(child, "A"), item => Assert.Contains(item.Task.Id, tasks));
        var row = (await schools.InA(connection => Children.Find(connection, child)))!;
        Assert.All(ItemsInUse.For(new Sitting { Stage = row.Stage, Delivery = DeliveryMode.OnChildsScreen }, row).Bank,
            item => Assert.Contains(item.Task.Id, tasks));
    }

    [Theory]
    [InlineData("next-hour")]
    [InlineData("hands-swapped")]
    [InlineData("minutes-ignored")]
    public async Task With_figures_first_no_set_has_words(string pattern)
    {
        var record = await Load(await Child(Stage.QuarterTo, null, ("path", "figures")));
        var set = _practising.Make(record, Catalogue.Find(pattern), new SetChoices());
        Assert.DoesNotContain(set.Items, item => WordTasks.Contains(item.Item.Task.Id));
        Assert.Equal(SetRequest.UsualLength, set.Items.Count);
    }

    [Theory]
    [InlineData("by-last", Support.Most)]
    [InlineData("full", Support.Full)]
    [InlineData("some", Support.Some)]
    [InlineData("bare", Support.Bare)]
    public async Task A_set_starts_with_the_help_that_is_chosen_for_her(string choice, Support start)
    {
        var record = await Load(await Child(Stage.FiveMinutesTo, null, ("support", choice)));
        Assert.Equal(start, record.NextSupportOn(DateOnly.FromDateTime(DateTime.UtcNow)));
        Assert.Equal(start, _practising.Make(record, Catalogue.Find("next-hour"), new SetChoices()).Items[0].Support);
    }

    [Fact]
    public async Task A_set_for_reading_at_ease_is_given_done_and_measured()
    {
        var child = await Child(Stage.QuarterTo, null, ("waiting", "countdown"));
        var (set, sitting) = await Assign(child, null);
        var given = (await schools.InA(connection => Sets.Find(connection, set)))!;
        Assert.True(given is { IsAtEase: true, Pattern: null, LineSeconds: 20, Support: Support.Bare });
        Assert.Equal(NextStep.DoTheSet, (await Load(child)).SummaryOn(Today).Next.Step);
        while (await Turn(sitting) is { Asked: { } asked } turn)
        {
            Assert.Equal(20, turn.LineSeconds);
            await Answer(sitting, asked, asked.Item.Right.Short(Core.Clocks.Wording.Usual), asked.Item.Task.OnScreen, seconds: 8);
        }
        var record = await Load(child);
        Assert.Equal((8.0, EaseSet.Length), (record.Fluency[^1].Seconds, record.Fluency[^1].Answers));
        Assert.Equal(12, Fluency.LineFor(record.Fluency));
        // What is only practised to come at ease changes nothing of the help for mending.
        Assert.Equal(Support.Most, record.NextSupportOn(DateOnly.FromDateTime(DateTime.UtcNow)));
    }

    [Fact]
    public async Task No_line_runs_where_a_pattern_is_mended_or_none_is_chosen()
    {
        var (_, mending) = await Assign(await Child(Stage.QuarterTo, null, ("waiting", "countdown")), Catalogue.Find("next-hour"));
        Assert.Null((await Turn(mending)).LineSeconds);
        var (_, atEase) = await Assign(await Child(Stage.QuarterTo, null), null);
        Assert.Null((await Turn(atEase)).LineSeconds);
    }

    [Theory]
    [InlineData("geared", true)]
    [InlineData("by-use", false)]
    [InlineData("loose", false)]
    public async Task Hands_go_together_only_where_both_are_set_and_the_school_says_so(string choice, bool together)
    {
        var child = await Child(Stage.FiveMinutesTo, null, ("hands", choice));
        var (_, sitting) = await Assign(child, Catalogue.Find("next-hour"));
        var seen = new HashSet<bool>();
        while (await Turn(sitting) is { Asked: { } asked } turn)
        {
            var setting = asked.Item.Task == ClockTasks.SetFromDigital;
            Assert.Equal(setting && together, turn.Geared);
            seen.Add(setting);
            await Answer(sitting, asked, asked.Item.Right.Short(Core.Clocks.Wording.Usual), AnswerMode.Written, seconds: null);
        }
        Assert.Equal([false, true], seen.Order());
    }

    private async Task<ChildId> Child(Stage stage, string[]? met, params (string Setting, string Choice)[] chosen)
    {
        var child = await schools.Child(schools.A, stage);
        await schools.InA(connection =>
            Children.Teach(connection, child, stage, met, chosen.ToDictionary(each => each.Setting, each => each.Choice)));
        Assert.All(chosen, each => Assert.True(SettingList.Find(each.Setting)!.Has(each.Choice)));
        return child;
    }

    private async Task<List<Item>> Form(ChildId child, string form)
    {
        var sitting = (await schools.InA(connection =>
            _asking.Start(connection, child, new AskingOptions(Plan.Form) { Form = form })))!.Value;
        return [.. (await schools.InA(connection => Sittings.AskedIn(connection, [sitting])))[sitting].Select(asked => asked.Item)];
    }

    private async Task<(SetId Set, SittingId Sitting)> Assign(ChildId child, Pattern? pattern)
    {
        var record = await Load(child);
        return await schools.InA(connection => _practising.Assign(connection, record, pattern, new SetChoices(), Guid.NewGuid()));
    }

    private async Task Answer(SittingId sitting, AskedItem asked, string raw, AnswerMode mode, float? seconds)
    {
        var submission = new Submission(Guid.NewGuid(), asked.Place, raw, mode, seconds) { Later = true };
        Assert.Equal(AnswerOutcome.Kept, await schools.InA(connection => _practising.Answer(connection, sitting, submission)));
    }

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private async Task<SetPlace> Turn(SittingId sitting) => (await schools.InA(connection => Practising.Where(connection, sitting)))!;
}
