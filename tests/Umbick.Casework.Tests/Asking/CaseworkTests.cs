using Umbick.Casework.Accounts;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Simulation;
using Umbick.Core.Teaching;

namespace Umbick.Casework.Tests;

/// <summary>Asking and practising against a real database.</summary>
public sealed class CaseworkTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);
    private readonly Asking _asking = new(Model, TimeProvider.System);
    private readonly Practising _practising = new(Model, TimeProvider.System);

    [Fact]
    public async Task The_same_answer_twice_is_one_and_the_same_id_with_another_answer_is_refused()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var submission = new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, 3);
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, submission));
        Assert.Equal(AnswerOutcome.KeptBefore, await Send(sitting, submission));
        Assert.Equal(AnswerOutcome.OtherAnswerKept, await Send(sitting, submission with { Raw = "4:13" }));
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Send(sitting, submission with { Id = Guid.NewGuid() }));
        Assert.Equal(["4:12"], await Raws(sitting));
    }

    [Fact]
    public async Task Many_at_once_keep_one()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var submitted = await Task.WhenAll(Enumerable.Range(0, 8).Select(i =>
            Send(sitting, new Submission(Guid.NewGuid(), 1, $"4:1{i}", AnswerMode.Said, null))));
        Assert.Equal(1, submitted.Count(outcome => outcome == AnswerOutcome.Kept));
        Assert.Equal(7, submitted.Count(outcome => outcome == AnswerOutcome.AnsweredBefore));
        Assert.Single(await Raws(sitting));
    }

    [Fact]
    public async Task Starting_again_goes_on_with_what_was_left_open()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        Assert.Equal(sitting, await Begin(child));
    }

    [Fact]
    public async Task One_back_asks_the_item_before_and_its_new_answer_stands()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        var first = new Submission(Guid.NewGuid(), 1, "1:11", AnswerMode.Said, null);
        await Send(sitting, first);
        Assert.True(await schools.InA(connection => Asking.Back(connection, sitting)));
        Assert.Equal(1, (await Sitting(sitting)).CurrentPlace);
        await schools.InA(connection =>
            _asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), 1, "2:22", AnswerMode.Said, null) { Corrects = first.Id },
                Guid.NewGuid()));
        var record = await Load(child);
        Assert.Equal("2:22", Assert.Single(record.Sittings[0].Answered).Given!.Raw);
        Assert.Equal(["1:11", "2:22"], await Raws(sitting));
        Assert.Equal(3, (await Sitting(sitting)).CurrentPlace);
    }

    [Fact]
    public async Task Back_at_the_first_item_does_nothing() =>
        Assert.False(await Back(await Begin(await schools.Child(schools.A))));

    [Fact]
    public async Task Stopping_keeps_every_answer_and_what_was_believed()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Answer(child, sitting, ["hands-swapped"], 7);
        Assert.True(await schools.InA(connection => _asking.Stop(connection, sitting)));
        Assert.Equal(7, (await Raws(sitting)).Count);
        // What was asked and not answered may still be: it had been given before the sitting was stopped.
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, new Submission(Guid.NewGuid(), 8, "4:00", AnswerMode.Said, null)));
        Assert.Equal(AnswerOutcome.NotAsked, await Send(sitting, new Submission(Guid.NewGuid(), 9, "4:00", AnswerMode.Said, null)));
        var labels = await schools.InA(connection => Marginals.After(connection, [sitting]));
        Assert.Contains((Catalogue.Find("hands-swapped")!, Label.Likely), labels[sitting]);
    }

    [Fact]
    public async Task A_sitting_ends_by_itself_at_its_length_and_the_pattern_is_next_to_practise()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Answer(child, sitting, ["next-hour"], TeachingPreferences.Usual.Length);
        Assert.NotNull((await Sitting(sitting)).EndedAt);
        var record = await Load(child);
        Assert.Equal(NextStep.Practise, record.SummaryOn(Today).Next.Step);
        Assert.Equal("next-hour", record.SummaryOn(Today).Next.Pattern!.Id);
        Assert.Equal("Ends on one that will very likely come out right.", record.Sittings[0].Questions[^1].Asked.Why);
    }

    [Fact]
    public async Task Two_patterns_at_once_are_both_named()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Answer(child, sitting, ["hands-swapped", "numeral-as-minutes"], TeachingPreferences.Usual.Length);
        Assert.Equal(["hands-swapped", "numeral-as-minutes"], (await Load(child)).Now.Likely.Select(finding => finding.Pattern.Id).Order());
    }

    [Theory]
    [InlineData("next-hour", "to-this-hour")]
    [InlineData("hands-swapped", "numeral-as-minutes")]
    public async Task Lists_name_the_pattern_to_practise_first_as_the_child_s_own_page_does(params string[] patterns)
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Answer(child, sitting, patterns, TeachingPreferences.Usual.Length);
        var record = await Load(child);
        var kept = await schools.InA(connection => Marginals.After(connection, [sitting]));
        var believed = record.First.Select(impact => impact.Finding.Pattern);
        Assert.NotEmpty(believed);
        Assert.Equal(believed, kept[sitting].Select(each => each.Pattern).Take(record.First.Count));
    }

    [Fact]
    public async Task A_set_is_given_done_with_one_look_again_and_shows_in_first_and_now()
    {
        var child = await schools.Child(schools.A);
        var asked = await Begin(child);
        await Answer(child, asked, ["next-hour"], TeachingPreferences.Usual.Length);
        var record = await Load(child);
        var (set, sitting) = await schools.InA(connection =>
            _practising.Assign(connection, record, record.SummaryOn(Today).Next.Pattern!, new SetChoices { Variant = 2 }, Guid.NewGuid()));
        Assert.Equal(NextStep.DoTheSet, (await Load(child)).SummaryOn(Today).Next.Step);

        var first = (await Turn(sitting)).Asked!;
        await Practise(sitting, first.Place, "?");
        Assert.False((await Turn(sitting)).Settled);
        await Practise(sitting, first.Place, first.Item.Right.Short(Core.Clocks.Wording.Usual), attempt: 2);
        var settled = await Turn(sitting);
        Assert.True(settled is { Settled: true, FirstRight: false, SecondRight: true });
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Practise(sitting, first.Place, "1:00", attempt: 2));
        await GoOn(sitting, first.Place);

        while (await Turn(sitting) is { Asked: { } item })
        {
            var right = item.Item.Task == ClockTasks.Judge || item.Item.Right is not Core.Clocks.PlacedAnswer placed
                ? item.Item.Right.Short(Core.Clocks.Wording.Usual)
                : placed.Raw;
            Assert.Equal(AnswerOutcome.Kept, await Practise(sitting, item.Place, right));
            await GoOn(sitting, item.Place);
        }
        record = await Load(child);
        Assert.NotNull(record.Sets.Single(each => each.Id == set).DoneAt);
        Assert.Equal(NextStep.AskAgain, record.SummaryOn(Today).Next.Step);
        Assert.True(record.EvidenceOf(record.SummaryOn(Today)).FirstAndNow!.Now!.Outcome == TellingOutcome.Right);
        Assert.Equal(2, record.EvidenceOf(record.SummaryOn(Today)).FirstAndNow!.Sittings.Count);
    }

    [Fact]
    public async Task A_set_that_waits_is_listed_however_many_were_done_since()
    {
        var waiting = await Given(null);
        var done = new List<SetId>();
        for (var i = 0; i < 3; i++)
        {
            var (set, sitting) = await Given(null);
            await Practise(sitting, 1, "?");
            await schools.App.InSchool(schools.A, connection => Sittings.End(connection, sitting, DateTime.UtcNow));
            done.Add(set);
        }
        Assert.Contains(waiting.Set, (await schools.InA(Sets.Waiting)).Select(set => set.Id));
        Assert.Equal(done.AsEnumerable().Reverse().Take(2),
            (await schools.InA(connection => Sets.Done(connection, 2))).Select(set => set.Id));
        Assert.DoesNotContain(done[0], (await schools.InA(Sets.Waiting)).Select(set => set.Id));

        async Task<(SetId Set, SittingId Sitting)> Given(Pattern? pattern)
        {
            var record = await Load(await schools.Child(schools.A));
            return await schools.InA(connection => _practising.Assign(connection, record, pattern, new SetChoices(), Guid.NewGuid()));
        }
    }

    [Fact]
    public async Task A_set_whose_pattern_a_later_catalogue_has_dropped_is_called_practice_and_not_reading_at_ease()
    {
        var child = await schools.Child(schools.A);
        var record = await Load(child);
        var (set, _) = await schools.InA(connection =>
            _practising.Assign(connection, record, Catalogue.Find("next-hour")!, new SetChoices(), Guid.NewGuid()));
        await schools.Owner.InSchool(schools.A,
            connection => connection.ExecuteAsync("update practice_set set pattern = 'no-longer-told' where id = @set", new { set }));
        var kept = (await schools.InA(connection => Sets.Find(connection, set)))!;
        Assert.Equal("Practice", kept.HeadingIn(Core.Clocks.Wording.Usual));
        Assert.Null((await Load(child)).Sets.Single().Pattern);
    }

    [Fact]
    public async Task An_answer_sent_later_is_kept_and_not_looked_at_again()
    {
        var child = await schools.Child(schools.A);
        var record = await Load(child);
        var (_, sitting) = await schools.InA(connection =>
            _practising.Assign(connection, record, Model.Patterns[0], new SetChoices(), Guid.NewGuid()));
        while (await Turn(sitting) is { Asked: { } asked })
        {
            var submission = new Submission(Guid.NewGuid(), asked.Place, "?", AnswerMode.Written, null) { Later = true };
            Assert.Equal(AnswerOutcome.Kept, await schools.InA(connection => _practising.Answer(connection, sitting, submission)));
            Assert.Equal(AnswerOutcome.KeptBefore, await schools.InA(connection => _practising.Answer(connection, sitting, submission)));
        }
        Assert.NotNull((await Sitting(sitting)).EndedAt);
        Assert.Equal(record.Sittings.Count + 1,
            (await Load(child)).Sittings.Count(each => each.Answered.All(question => question.Given!.Raw == "?")));
    }

    [Fact]
    public async Task Going_on_before_an_item_is_settled_does_nothing()
    {
        var child = await schools.Child(schools.A);
        var record = await Load(child);
        var (_, sitting) = await schools.InA(connection =>
            _practising.Assign(connection, record, Model.Patterns[0], new SetChoices(), Guid.NewGuid()));
        await GoOn(sitting, 1);
        Assert.Equal(1, (await Turn(sitting)).Asked!.Place);
    }

    [Fact]
    public async Task Nothing_of_another_school_is_found()
    {
        var child = await schools.Child(schools.B);
        var sitting = (await schools.App.InSchool(schools.B, connection => _asking.Start(connection, child)))!.Value;
        Assert.Null(await schools.InA(connection => _asking.Start(connection, child)));
        Assert.Null(await schools.InA(connection => ChildRecord.Load(connection, Model, child)));
        Assert.Equal(AnswerOutcome.NotFound, await Send(sitting, new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Said, null)));
        Assert.False(await Back(sitting));
    }

    [Fact]
    public async Task A_child_joins_the_caseload_once_and_one_of_a_class_brings_her_answers()
    {
        var alias = $"Fern {Guid.NewGuid():N}";
        Task<(ChildId Id, bool WasThere)> Join(string by, Stage stage) =>
            schools.InA(connection => Children.Join(connection, new Child(new(Guid.NewGuid()), by, stage), DateTime.UtcNow));
        var (id, wasThere) = await Join(alias, Stage.HalfPast);
        Assert.False(wasThere);
        Assert.Equal((id, true), await Join(alias, Stage.EveryMinute));
        Assert.Equal(Stage.HalfPast, (await Load(id)).Child.Stage);

        // One who was screened is known by the same alias, and is not on the caseload yet.
        var pupil = $"Pupil {Guid.NewGuid():N}";
        var screening = await schools.InA(connection =>
            new ClassScreening(Model, TimeProvider.System).Start(connection, "Quay class", Stage.QuarterTo, [pupil]));
        var known = (await schools.InA(connection => Children.ByAlias(connection, [pupil])))[pupil];
        Assert.False((await Load(known)).Child.OnCaseload);
        Assert.Equal((known, false), await Join(pupil, Stage.OClock));
        var taken = (await Load(known)).Child;
        Assert.True(taken.OnCaseload);
        Assert.Equal(Stage.QuarterTo, taken.Stage);
        Assert.True(screening.IsGiven);

        // Another school's child of the same alias is another child.
        var other = await schools.App.InSchool(schools.B,
            connection => Children.Join(connection, new Child(new(Guid.NewGuid()), alias, Stage.OClock), DateTime.UtcNow));
        Assert.False(other.WasThere);
        Assert.NotEqual(id, other.Id);
    }

    [Fact]
    public async Task A_child_s_alias_is_nobody_else_s_in_the_school_and_may_be_in_another()
    {
        var (child, other, theirs) = (await schools.Child(schools.A), await schools.Child(schools.A), await schools.Child(schools.B));
        var alias = $"Rush {Guid.NewGuid():N}";
        Task<bool> Rename(ChildId id, string to) => schools.InA(connection => Children.Rename(connection, id, to));
        Assert.True(await Rename(child, alias));
        Assert.True(await Rename(child, alias));
        Assert.False(await Rename(other, alias));
        Assert.False(await Rename(theirs, $"{alias}."));
        Assert.Equal(alias, (await Load(child)).Child.Alias);
        Assert.True(await schools.App.InSchool(schools.B, connection => Children.Rename(connection, theirs, alias)));
    }

    [Theory]
    [InlineData("Fern", null)]
    [InlineData("F", null)]
    [InlineData("", "Give the child an alias.")]
    [InlineData("Fern\tof the quay", "An alias stands on one line.")]
    [InlineData("Fern\u2028of the quay", "An alias stands on one line.")]
    public void An_alias_is_short_and_on_one_line(string alias, string? fault)
    {
        Assert.Equal(fault, Alias.Fault(alias));
        Assert.Null(Alias.Fault(new string('f', Alias.Longest)));
        Assert.Equal("An alias has 60 letters at most.", Alias.Fault(new string('f', Alias.Longest + 1)));
    }

    [Fact]
    public async Task The_demonstration_school_has_24_children_and_is_marked()
    {
        Assert.True(await schools.App.IsDemo());
        var teacher = await schools.App.BeforeSchool(connection => People.FindByName(connection, DemoSignIn.UserName.ToUpperInvariant()));
        var children = (await schools.App.InSchool(Assert.Single(teacher).School, Children.All)).ToList();
        Assert.Equal(24, children.Count);
        Assert.Contains(children, child => child.Sittings == 0);
        Assert.All(children, child => Assert.True(child.LastSeen is null || child.LastSeen <= DateOnly.FromDateTime(DateTime.UtcNow)));
    }

    private async Task<SittingId> Begin(ChildId child) =>
        (await schools.InA(connection => _asking.Start(connection, child, new AskingOptions { Id = DrawnSitting.Id(1) })))!.Value;

    private Task<AnswerOutcome> Send(SittingId sitting, Submission submission) =>
        schools.InA(connection => _asking.Answer(connection, sitting, submission, null));

    private Task<bool> Back(SittingId sitting) => schools.InA(connection => Asking.Back(connection, sitting));

    private async Task<Sitting> Sitting(SittingId id) => (await schools.InA(connection => Sittings.Find(connection, id)))!;

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private async Task<SetPlace> Turn(SittingId sitting) => (await schools.InA(connection => Practising.Where(connection, sitting)))!;

    private Task<AnswerOutcome> Practise(SittingId sitting, int place, string raw, int attempt = 1) => schools.InA(connection =>
        _practising.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerParserMode(raw), null) { Try = attempt }));

    private Task GoOn(SittingId sitting, int place) =>
        schools.App.InSchool(schools.A, connection => _practising.GoOn(connection, sitting, place));

    private static AnswerMode AnswerParserMode(string raw) => raw.Contains('|') ? AnswerMode.Placed : AnswerMode.Written;

    private async Task<List<string>> Raws(SittingId sitting) =>
        [.. await schools.InA(connection =>
            connection.QueryAsync<string>("select raw from answer where sitting = @sitting order by seq", new { sitting }))];

    /// <summary>A child made of patterns, who always follows them, answers some items.</summary>
    private async Task Answer(ChildId child, SittingId sitting, string[] patterns, int times)
    {
        var simulated = new SimulatedChild(Model, patterns.Select(id => Catalogue.Find(id)!), 1, new Random(7));
        for (var i = 0; i < times; i++)
        {
            var record = await Load(child);
            var place = record.SittingsAsked[^1].Sitting.CurrentPlace;
            var item = record.SittingsAsked[^1].Questions.Single(question => question.Asked.Place == place).Asked.Item;
            Assert.Equal(AnswerOutcome.Kept,
                await Send(sitting, new Submission(Guid.NewGuid(), place, simulated.Answer(item, item.Task.Aloud), item.Task.Aloud, 2)));
        }
    }
}
