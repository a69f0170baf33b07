using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Casework.Tests;

/// <summary>An answer belongs to the item at its place, and is kept there once, whatever has happened meanwhile.</summary>
public sealed class NothingLostTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly PersonId Teacher = Guid.NewGuid();
    private readonly Asking _asking = new(Model, TimeProvider.System);
    private readonly Practising _practising = new(Model, TimeProvider.System);
    private readonly ClassScreening _screen = new(Model, TimeProvider.System);

    [Fact]
    public async Task An_answer_whose_question_has_moved_on_is_kept_under_its_own_question()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, new AskingOptions(Plan.Chosen) { Tasks = ["read-words", "set-from-digital", "read-digital"] });
        await Send(sitting, 3, "4:00");
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 1, "20 past 6"));
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 2, "7.5|30"));
        Assert.Equal(["20 past 6", "7.5|30", "4:00"], await Raws(child));
    }

    [Fact]
    public async Task What_was_asked_and_left_out_stands_when_its_answer_comes_after_all()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await schools.InA(connection => _asking.Skip(connection, sitting, 1));
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 1, "4:12"));
        Assert.Equal(2, (await Now(sitting)).CurrentPlace);
        await schools.InA(connection => _asking.Stop(connection, sitting));
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 2, "5:12"));
        Assert.Equal(["4:12", "5:12"], await Raws(child));
        Assert.Equal(AnswerOutcome.NotAsked, await Send(sitting, 3, "6:12"));
        Assert.Equal(AnswerOutcome.NotAsked, await Send(sitting, 0, "6:12"));
    }

    [Fact]
    public async Task A_second_answer_to_a_place_has_to_name_the_one_that_it_puts_right_and_only_a_teacher_s_may()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        var first = new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, null);
        await Send(sitting, first, Teacher);
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Send(sitting, first with { Id = Guid.NewGuid() }, Teacher));
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Send(sitting, first with { Id = Guid.NewGuid(), Corrects = first.Id }, by: null));
        Assert.Equal(AnswerOutcome.AnsweredBefore,
            await Send(sitting, first with { Id = Guid.NewGuid(), Corrects = Guid.NewGuid() }, Teacher));
        var right = first with { Id = Guid.NewGuid(), Raw = "4:13", Corrects = first.Id };
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, right, Teacher));
        Assert.Equal(AnswerOutcome.KeptBefore, await Send(sitting, right, Teacher));
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Send(sitting, right with { Id = Guid.NewGuid() }, Teacher));
        Assert.Equal(["4:13"], await Raws(child));
    }

    [Fact]
    public async Task To_look_again_belongs_to_practice_and_comes_after_a_first_answer()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Send(sitting, 1, "4:12");
        var second = new Submission(Guid.NewGuid(), 1, "4:13", AnswerMode.Written, null) { Try = 2 };
        Assert.Equal(AnswerOutcome.NotAsked, await Send(sitting, second, by: null));
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 2, "5:12"));
        var practice = await Given(child);
        Assert.Equal(AnswerOutcome.NotAsked, await Practise(practice, second));
        await Practise(practice, second with { Id = Guid.NewGuid(), Try = 1 });
        Assert.Equal(AnswerOutcome.Kept, await Practise(practice, second));
    }

    [Fact]
    public async Task Many_corrections_of_one_answer_in_one_moment_keep_one()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var first = new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, null);
        await Send(sitting, first, Teacher);
        var outcomes = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(i =>
                Send(sitting, first with { Id = Guid.NewGuid(), Raw = $"4:2{i}", Corrects = first.Id }, Teacher)));
        Assert.Equal(1, outcomes.Count(outcome => outcome == AnswerOutcome.Kept));
    }

    [Theory]
    [InlineData(float.NaN)]
    [InlineData(float.PositiveInfinity)]
    [InlineData(-3f)]
    public async Task What_is_no_length_of_time_is_dropped_and_the_answer_kept(float seconds)
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        Assert.Equal(AnswerOutcome.Kept,
            await Send(sitting, new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, seconds) { BegunSeconds = seconds }, Teacher));
        var given = (await Load(child)).Sittings[0].Answered.Single().Given!;
        Assert.Equal((null, null), (given.Seconds, given.BegunSeconds));
    }

    [Fact]
    public async Task In_practice_a_reply_that_was_lost_does_not_leave_the_set_behind_the_child()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Given(child);
        var first = new Submission(Guid.NewGuid(), 1, "1:11", AnswerMode.Written, null);
        Assert.Equal(AnswerOutcome.Kept, await Practise(sitting, first));
        // The child never saw the reply, and has gone on.
        Assert.Equal(AnswerOutcome.KeptBefore, await Practise(sitting, first with { Later = true }));
        Assert.Equal(2, (await Now(sitting)).CurrentPlace);
        Assert.Equal(AnswerOutcome.Kept, await Practise(sitting, new Submission(Guid.NewGuid(), 2, "?", AnswerMode.Written, null)));
        // Two later ones arrive the other way round.
        Assert.Equal(AnswerOutcome.Kept,
            await Practise(sitting, new Submission(Guid.NewGuid(), 4, "?", AnswerMode.Written, null) { Later = true }));
        Assert.Equal(AnswerOutcome.Kept,
            await Practise(sitting, new Submission(Guid.NewGuid(), 3, "?", AnswerMode.Written, null) { Later = true }));
        Assert.Equal(5, (await Now(sitting)).CurrentPlace);
        Assert.Equal(4, (await Load(child)).Sittings[0].Answered.Count());
    }

    [Fact]
    public async Task A_class_s_form_is_the_class_s_whatever_becomes_of_a_child_s_sitting()
    {
        var id = await Class("Anemone", "Barnacle");
        var before = (await Loaded(id)).Items;
        var sitting = (await Loaded(id)).Children[0].Sitting.Sitting.Id;
        await schools.InA(connection => _asking.Skip(connection, sitting, 1));
        await Send(sitting, 2, "4:00");
        await schools.InA(connection => _asking.Stop(connection, sitting));
        Assert.Equal(before, (await Loaded(id)).Items);
        Assert.Equal(AnswerOutcome.Kept,
            await schools.InA(connection =>
                _screen.Enter(connection, sitting, new Submission(Guid.NewGuid(), 1, "5:00", AnswerMode.Written, null), Teacher)));
        Assert.Equal(["5:00", "4:00"], (await Loaded(id)).Children[0].Sitting.Answered.Select(question => question.Given!.Raw));
    }

    [Fact]
    public async Task Two_presses_in_one_moment_make_one_sitting_one_set_one_class()
    {
        for (var round = 0; round < 6; round++)
        {
            var child = await schools.Child(schools.A);
            var beginnings = Enumerable.Range(0, 3).Select(_ => new AskingOptions { Id = new(Guid.NewGuid()) }).ToList();
            var begun = await Task.WhenAll(
                beginnings.Select(beginning => schools.InA(connection => _asking.Start(connection, child, beginning))));
            Assert.Single(begun.Distinct());
            Assert.Equal(1, await Count("select count(*) from sitting where child = @id", child.Value));

            var (set, record) = (new SetId(Guid.NewGuid()), await Load(child));
            var given = await Task.WhenAll(
                Enumerable.Range(0, 3).Select(_ =>
                    schools.InA(connection => _practising.Assign(connection, record, Model.Patterns[0], new SetChoices(), Teacher, set))));
            Assert.Single(given.Distinct());
            Assert.Equal(1, await Count("select count(*) from practice_set where child = @id", child.Value));

            var (screening, alias) = (Guid.NewGuid(), $"Pupil {Guid.NewGuid():N}");
            var made = await Task.WhenAll(
                Enumerable.Range(0, 3).Select(_ =>
                    schools.InA(connection => _screen.Start(connection, "Class", Stage.HalfPast, [alias], screening))));
            Assert.Equal([screening, screening, screening], made);
            Assert.Equal(1, await Count("select count(*) from sitting where screening = @id", screening));
        }
    }

    [Fact]
    public async Task A_page_that_was_sent_before_opens_what_it_made_also_when_that_is_over()
    {
        var child = await schools.Child(schools.A);
        var beginning = new AskingOptions { Id = new(Guid.NewGuid()) };
        var sitting = await Begin(child, beginning);
        Assert.Equal(beginning.Id, sitting);
        await schools.InA(connection => _asking.Stop(connection, sitting));
        Assert.Equal(sitting, await Begin(child, beginning));
        Assert.Null(await schools.InA(async connection => await _asking.Start(connection, await schools.Child(schools.A), beginning)));
    }

    [Fact]
    public async Task Two_children_given_one_alias_in_one_moment_leave_one_of_them_told()
    {
        for (var round = 0; round < 5; round++)
        {
            var (alias, children) = ($"Rush {Guid.NewGuid():N}", new[] { await schools.Child(schools.A), await schools.Child(schools.A) });
            var renamed = await Task.WhenAll(
                children.Select(child => schools.InA(connection => Children.Rename(connection, child, alias))));
            Assert.Single(renamed, done => done);
        }
    }

    [Theory]
    [InlineData("juggle", "4:00", null, "said", "bare")]
    [InlineData("read-digital", "25:99", null, "said", "bare")]
    [InlineData("read-digital", "4:00", """{"clocks": ["noonish"]}""", "said", "bare")]
    [InlineData("read-digital", "4:00", """["not", "an", "object"]""", "said", "bare")]
    [InlineData("ground", "12:00", """{"question": "the moon"}""", "said", "bare")]
    [InlineData("ground", "12:00", null, "said", "bare")]
    [InlineData("read-digital", "4:00", null, "sung", "bare")]
    [InlineData("read-digital", "4:00", null, "7", "much")]
    public async Task A_row_that_cannot_be_understood_is_shown_and_never_throws(
        string task, string time, string? detail, string mode, string support)
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        await Send(sitting, new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Said, null), Teacher);
        await Send(sitting, new Submission(Guid.NewGuid(), 2, "5:10", AnswerMode.Said, null), Teacher);
        await schools.Owner.InSchool(schools.A, async connection =>
        {
            await connection.ExecuteAsync(
                "update asked_item set task = @task, clock_time = @time, detail = @detail::jsonb, support = @support where sitting = "
                    + "@sitting and place = 1", new { sitting, task, time, detail, support });
            await connection.ExecuteAsync("update answer set mode = @mode where sitting = @sitting and place = 1", new { sitting, mode });
            await connection.ExecuteAsync("""update child set settings = '["no", "settings"]' where id = @child""", new { child });
        });
        var record = await Load(child);
        var question = record.Sittings[0].Questions[0];
        Assert.Equal("4:00", question.Given!.Raw);
        Assert.True(!question.Asked.Item.IsReadable || question.Answer is Core.Clocks.Unread
            || question.Asked.Support != Core.Items.Support.Bare);
        Assert.Equal("5:10", record.Sittings[0].Questions[1].Given!.Raw);
        Assert.DoesNotContain(record.Now.Findings, finding => finding.Label == Core.Diagnosis.Label.Likely);
        Assert.True(await schools.InA(connection => _asking.Stop(connection, sitting)));
    }

    [Fact]
    public async Task A_child_alone_who_gives_up_gets_one_that_comes_right_and_then_it_is_over()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, new AskingOptions(Delivery: DeliveryMode.OnChildsScreen));
        for (var place = 1; place <= 3; place++) await Send(sitting, place, "?");
        var now = await Now(sitting);
        Assert.Equal((4, null), (now.Length, now.EndedAt));
        var last = (await schools.InA(connection => Sittings.AskedIn(connection, [sitting])))[sitting].Last();
        Assert.Equal("Ends on one that will very likely come out right.", last.Why);
        await Send(sitting, last.Place, "?");
        Assert.NotNull((await Now(sitting)).EndedAt);
    }

    [Fact]
    public async Task A_list_ends_for_a_child_alone_who_gives_up_and_nothing_is_added()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, new AskingOptions(Plan.Form, DeliveryMode.OnChildsScreen));
        await Send(sitting, 1, "4:00");
        for (var place = 2; place <= 4; place++) await Send(sitting, place, "?");
        Assert.NotNull((await Now(sitting)).EndedAt);
        Assert.Equal(4, (await schools.InA(connection => Sittings.AskedIn(connection, [sitting])))[sitting].Count());
        // With a teacher beside the child it is theirs to say.
        var beside = await Begin(await schools.Child(schools.A), new AskingOptions(Plan.Form));
        for (var place = 1; place <= 4; place++)
            await Send(beside, new Submission(Guid.NewGuid(), place, "?", AnswerMode.Said, null), Teacher);
        Assert.Null((await Now(beside)).EndedAt);
    }

    [Fact]
    public async Task What_is_asked_aloud_only_is_not_asked_once_the_device_goes_to_the_child()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, new AskingOptions(Plan.Prerequisites));
        Assert.True((await Asked(sitting))[0].Item.IsOnlyAloud);
        Assert.True(await schools.InA(connection => _asking.Deliver(connection, sitting, DeliveryMode.OnChildsScreen)));
        var asked = await Asked(sitting);
        Assert.DoesNotContain(asked, each => each.Item.IsOnlyAloud);
        Assert.Equal(asked[0].Place, (await Now(sitting)).CurrentPlace);
        var onScreen = await Begin(await schools.Child(schools.A), new AskingOptions(Plan.Prerequisites, DeliveryMode.OnChildsScreen));
        Assert.DoesNotContain(await Asked(onScreen), each => each.Item.IsOnlyAloud);
    }

    [Fact]
    public async Task What_a_child_typed_is_read_as_a_child_s_and_what_a_teacher_typed_as_a_teacher_s()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, new AskingOptions(Plan.Form));
        await Send(sitting, 1, ".");
        await Send(sitting, new Submission(Guid.NewGuid(), 2, ".", AnswerMode.Said, null), Teacher);
        var answered = (await Load(child)).Sittings[0].Answered.ToList();
        Assert.Equal([false, true], answered.Select(question => question.IsRight));
        Assert.Equal([null, Teacher], answered.Select(question => question.Given!.By));
    }

    private async Task<SittingId> Begin(ChildId child, AskingOptions? beginning = null) =>
        (await schools.InA(connection => _asking.Start(connection, child, beginning)))!.Value;

    private async Task<SittingId> Given(ChildId child)
    {
        var record = await Load(child);
        return (await schools.InA(connection =>
            _practising.Assign(connection, record, Catalogue.Find("next-hour"), new SetChoices(), Teacher))).Sitting;
    }

    private Task<AnswerOutcome> Send(SittingId sitting, int place, string raw) =>
        Send(sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Written, null), by: null);

    private Task<AnswerOutcome> Send(SittingId sitting, Submission submission, PersonId? by) =>
        schools.InA(connection => _asking.Answer(connection, sitting, submission, by));

    private Task<AnswerOutcome> Practise(SittingId sitting, Submission submission) =>
        schools.InA(connection => _practising.Answer(connection, sitting, submission));

    private Task<ScreeningId> Class(params string[] aliases) =>
        schools.InA(connection =>
            _screen.Start(connection, "Class", Stage.HalfPast, [.. aliases.Select(alias => $"{alias} {Guid.NewGuid():N}")]));

    private async Task<ScreenedClass> Loaded(ScreeningId id) => (await schools.InA(connection => _screen.Load(connection, id)))!;

    private async Task<Sitting> Now(SittingId id) => (await schools.InA(connection => Sittings.Find(connection, id)))!;

    private async Task<List<AskedItem>> Asked(SittingId id) =>
        [.. (await schools.InA(connection => Sittings.AskedIn(connection, [id])))[id]];

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private async Task<List<string>> Raws(ChildId child) =>
        [.. (await Load(child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw)];

    private Task<int> Count(string sql, ScreeningId id) => schools.InA(connection => connection.ExecuteScalarAsync<int>(sql, new { id }));
}
