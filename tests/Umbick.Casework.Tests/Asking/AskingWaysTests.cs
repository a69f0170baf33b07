using Umbick.Core;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Simulation;

namespace Umbick.Casework.Tests;

/// <summary>Every way of collecting answers, against a real database.</summary>
public sealed class AskingWaysTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private readonly Asking _asking = new(Model, TimeProvider.System);
    private readonly ClassScreening _screen = new(Model, TimeProvider.System);

    [Fact]
    public async Task Every_task_goes_through_the_database_and_comes_back_as_it_was()
    {
        var child = await schools.Child(schools.A, Stage.EveryMinute);
        var sitting = await Begin(child, new AskingOptions(Plan.Chosen) { Tasks = [.. ClockTasks.All.Select(task => task.Id)] });
        var asked = await Asked(sitting);
        Assert.Equal(ClockTasks.All, asked.Select(each => each.Item.Task));
        Assert.Equal(asked.Count, (await Sitting(sitting)).Length);
        foreach (var known in asked)
        {
            // What is answered as it stands must be right again once it has been read back.
            var raw = known.Item.Task == ClockTasks.RepairClock ? "?" : known.Item.Right.Short(Wording.Usual);
            Assert.Equal(AnswerOutcome.Kept, await Send(sitting, known.Place, raw, known.Item.Task.OnScreen));
        }
        var record = await Load(child);
        foreach (var question in record.Sittings[0].Questions)
        {
            var wanted = question.Asked.Item.Task != ClockTasks.RepairClock && question.Asked.Item.Task != ClockTasks.Feel;
            Assert.True(question.IsRight == wanted, $"{question.Asked.Item.Task.Id}: {question.Given!.Raw}");
        }
        Assert.NotNull(record.Sittings[0].Sitting.EndedAt);
    }

    [Fact]
    public async Task How_an_answer_was_given_is_kept_with_it()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        var submission = new Submission(Guid.NewGuid(), 1, "6:20", AnswerMode.Said, 7.5f)
        {
            BegunSeconds = 3.5f,
            First = "7:20",
            Prompted = true,
            How = "counted-fives"
        };
        Assert.Equal(AnswerOutcome.Kept, await schools.InA(connection => _asking.Answer(connection, sitting, submission, null)));
        var given = (await Load(child)).Sittings[0].Questions[0].Given!;
        Assert.Equal(("7:20", true, "counted-fives", 3.5f, 7.5f),
            (given.FirstRaw, given.Prompted, given.How, given.BegunSeconds, given.Seconds));
    }

    [Fact]
    public async Task An_answer_put_right_counts_its_first_for_the_pattern_and_its_last_for_the_score()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        var simulated = new SimulatedChild(Model, [Catalogue.Find("next-hour")!], 1, new Random(5));
        while (await Sitting(sitting) is { EndedAt: null } now)
        {
            var item = (await Asked(sitting)).Single(asked => asked.Place == now.CurrentPlace).Item;
            var answered = simulated.Answer(item, item.Task.Aloud);
            var submission = new Submission(Guid.NewGuid(), now.CurrentPlace, item.Right.Short(Wording.Usual), item.Task.Aloud, null)
            { First = answered };
            await schools.InA(connection => _asking.Answer(connection, sitting, submission, null));
        }
        var record = await Load(child);
        Assert.All(record.Sittings[0].Questions, question => Assert.True(question.IsRight));
        Assert.Contains(record.Now.Findings, finding => finding.Pattern.Id == "next-hour" && finding.Belief > ModelParameters.LikelyFrom);
    }

    [Fact]
    public async Task What_was_left_out_is_not_asked_again_and_the_sitting_keeps_its_length()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child);
        var leftOut = new List<Item>();
        for (var i = 0; i < 3; i++)
        {
            var now = await Sitting(sitting);
            leftOut.Add((await Asked(sitting)).Single(asked => asked.Place == now.CurrentPlace).Item);
            Assert.True(await Skip(sitting, now.CurrentPlace));
        }
        while (await Sitting(sitting) is { EndedAt: null } now) await Send(sitting, now.CurrentPlace, "12:01", AnswerMode.Said);
        var items = (await Asked(sitting)).Select(asked => asked.Item).ToList();
        Assert.Equal(12, items.Count);
        Assert.Empty(items.Intersect(leftOut));
    }

    [Fact]
    public async Task A_stale_page_leaves_nothing_out()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        await Send(sitting, 1, "?", AnswerMode.Said);
        Assert.False(await Skip(sitting, 1));
        Assert.Equal(2, (await Sitting(sitting)).CurrentPlace);
    }

    [Fact]
    public async Task Ending_soon_makes_the_next_one_the_last()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        await Send(sitting, 1, "?", AnswerMode.Said);
        await Send(sitting, 2, "?", AnswerMode.Said);
        Assert.True(await schools.InA(connection => _asking.EndSoon(connection, sitting)));
        var now = await Sitting(sitting);
        Assert.Equal("Ends on one that will very likely come out right.",
            (await Asked(sitting)).Single(asked => asked.Place == now.CurrentPlace).Why);
        await Send(sitting, now.CurrentPlace, "ok", AnswerMode.Said);
        Assert.NotNull((await Sitting(sitting)).EndedAt);
        Assert.Equal(3, (await Asked(sitting)).Count);
    }

    [Theory]
    [InlineData("A")]
    [InlineData("B")]
    public async Task A_fixed_form_is_the_same_for_every_child_and_goes_back_without_losing_an_item(string form)
    {
        var (first, second) = (await Begin(await schools.Child(schools.A), new AskingOptions(Plan.Form) { Form = form }),
            await Begin(await schools.Child(schools.A), new AskingOptions(Plan.Form) { Form = form }));
        Assert.Equal((await Asked(first)).Select(asked => asked.Item), (await Asked(second)).Select(asked => asked.Item));
        var wrong = new Submission(Guid.NewGuid(), 1, "?", AnswerMode.Said, null);
        await schools.InA(connection => _asking.Answer(connection, first, wrong, Guid.NewGuid()));
        Assert.True(await schools.InA(connection => Asking.Back(connection, first)));
        await schools.InA(connection =>
            _asking.Answer(connection, first, new Submission(Guid.NewGuid(), 1, "ok", AnswerMode.Said, null) { Corrects = wrong.Id },
                Guid.NewGuid()));
        Assert.Equal(2, (await Sitting(first)).CurrentPlace);
        Assert.Equal(12, (await Asked(first)).Count);
    }

    [Fact]
    public async Task Before_o_clock_the_parts_of_a_clock_are_asked()
    {
        var sitting = await Begin(await schools.Child(schools.A, Stage.Parts));
        Assert.All(await Asked(sitting), asked => Assert.True(asked.Item.Task.From == Stage.Parts));
        Assert.NotEmpty(await Asked(sitting));
        Assert.Null((await Sitting(sitting)).EndedAt);
    }

    [Fact]
    public async Task What_she_has_met_and_the_school_s_path_bound_what_is_asked()
    {
        var child = await schools.Child(schools.A);
        await schools.InA(connection =>
            Children.Teach(connection, child, Stage.QuarterTo, ["read-digital"], new Dictionary<string, string> { ["length"] = "8" }));
        var sitting = await Begin(child);
        while (await Sitting(sitting) is { EndedAt: null } now) await Send(sitting, now.CurrentPlace, "12:01", AnswerMode.Said);
        var items = (await Asked(sitting)).Select(asked => asked.Item).ToList();
        Assert.Equal(8, items.Count);
        Assert.All(items, item => Assert.True(item.Task == ClockTasks.ReadDigital && item.Time.Minute % 15 == 0));
    }

    [Fact]
    public async Task A_group_has_a_record_for_each_child()
    {
        var visit = Guid.NewGuid();
        var children = new List<ChildId>();
        for (var turn = 0; turn < 3; turn++)
        {
            children.Add(await schools.Child(schools.A));
            await Begin(children[turn], new AskingOptions { Visit = visit, TurnInVisit = turn });
        }
        var turns = await schools.InA(connection => Sittings.OfVisit(connection, visit));
        Assert.Equal(children, turns.Select(turn => turn.Child));
        await Send(turns[1].Id, 1, "4:12", AnswerMode.Said);
        Assert.Empty((await Load(children[0])).Sittings.SelectMany(sitting => sitting.Answered));
        Assert.Equal("4:12", Assert.Single((await Load(children[1])).Sittings.SelectMany(sitting => sitting.Answered)).Given!.Raw);
    }

    [Fact]
    public async Task A_screened_class_is_sorted_and_a_child_is_taken_in()
    {
        var aliases = Enumerable.Range(0, 4).Select(i => $"Pupil {i} {Guid.NewGuid():N}").ToList();
        var id = await schools.InA(connection => _screen.Start(connection, "Harbour class", Stage.FiveMinutesTo, aliases));
        var found = (await Class(id))!;
        Assert.Equal(aliases, found.Children.Select(child => child.Child.Alias));
        Assert.All(found.Children, child => Assert.Equal(ScreeningGroup.NotYet, child.Result.Group));
        Assert.DoesNotContain(await schools.InA(Children.All), child => aliases.Contains(child.Alias));

        var simulated = new SimulatedChild(Model, [Catalogue.Find("next-hour")!], 1, new Random(2));
        for (var place = 1; place <= found.Items.Count; place++)
        {
            var item = found.Items[place - 1];
            await Enter(found.Children[0].Sitting.Sitting.Id, place, item.Right.Short(Wording.Usual));
            await Enter(found.Children[1].Sitting.Sitting.Id, place, simulated.Answer(item, AnswerMode.Written));
        }
        await Enter(found.Children[2].Sitting.Sitting.Id, 3, "4:00");
        found = (await Class(id))!;
        Assert.Equal([ScreeningGroup.Secure, ScreeningGroup.Join, ScreeningGroup.NotYet, ScreeningGroup.NotYet],
            found.Children.Select(child => child.Result.Group));
        Assert.Contains("coming hour", found.Children[1].Result.Reason, StringComparison.Ordinal);
        Assert.NotNull(found.Children[1].Sitting.Sitting.EndedAt);

        var joins = found.Children[1].Child.Id;
        Assert.Equal(1, await schools.InA(connection => Children.SetOnCaseload(connection, joins, onCaseload: true)));
        Assert.Contains(await schools.InA(Children.All), child => child.Id == joins && child.Sittings == 1);
    }

    [Fact]
    public async Task An_answer_typed_again_puts_the_first_right_and_both_stay()
    {
        var id = await schools.InA(connection => _screen.Start(connection, "Class", Stage.HalfPast, [$"Pupil {Guid.NewGuid():N}"]));
        var sitting = (await Class(id))!.Children[0].Sitting.Sitting.Id;
        await Enter(sitting, 2, "4:00");
        var first = (await Class(id))!.Children[0].Sitting.Answered.Single().Given!.Id;
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Enter(sitting, 2, "6:00"));
        Assert.Equal(AnswerOutcome.Kept, await Enter(sitting, 2, "5:00", corrects: first));
        Assert.Equal("5:00", Assert.Single((await Class(id))!.Children[0].Sitting.Answered).Given!.Raw);
        Assert.Equal(["4:00", "5:00"],
            await schools.InA(connection =>
                connection.QueryAsync<string>("select raw from answer where sitting = @sitting order by seq", new { sitting })));
    }

    [Fact]
    public async Task A_known_child_keeps_her_record_in_a_screening()
    {
        var child = await schools.Child(schools.A);
        var alias = (await Load(child)).Child.Alias;
        var id = await schools.InA(connection => _screen.Start(connection, "Class", Stage.HalfPast, [alias]));
        var row = Assert.Single((await Class(id))!.Children);
        Assert.Equal(child, row.Child.Id);
        Assert.True(row.Child.OnCaseload);
        // A class's form that lies open is no asking that was left in the middle.
        Assert.Null(row.Child.OpenAsking);
    }

    [Fact]
    public async Task A_code_opens_its_sitting_once()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var code = await MakeCode(sitting);
        var opened = await Open(code.ToLowerInvariant().Replace(' ', '-'));
        Assert.Equal(new OpenedCode(CodeOutcome.Opened, schools.A, sitting), opened);
        Assert.Equal(CodeOutcome.Wrong, (await Open(code)).Outcome);
    }

    [Fact]
    public async Task A_code_is_over_after_its_minutes_and_when_another_is_made()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var old = await MakeCode(sitting, DateTime.UtcNow - TimeSpan.FromMinutes(10) - TimeSpan.FromSeconds(1));
        Assert.Equal(CodeOutcome.Wrong, (await Open(old)).Outcome);
        var (first, second) = (await MakeCode(sitting), await MakeCode(sitting));
        Assert.Equal(CodeOutcome.Wrong, (await Open(first)).Outcome);
        Assert.Equal(CodeOutcome.Opened, (await Open(second)).Outcome);
    }

    [Theory]
    [InlineData("")]
    [InlineData("ABC 12")]
    [InlineData("' or 1=1 --")]
    [InlineData("AAA 0000000 and much more")]
    public async Task What_is_no_code_opens_nothing(string typed) => Assert.Equal(CodeOutcome.Mistyped, (await Open(typed)).Outcome);

    [Fact]
    public async Task A_mistyped_code_counts_for_nothing_and_the_right_one_still_opens()
    {
        var code = await MakeCode(await Begin(await schools.Child(schools.A)));
        for (var place = 4; place < code.Length; place++)
        {
            if (code[place] == ' ') continue;
            for (var figure = '0'; figure <= '9'; figure++)
                if (figure != code[place])
                    Assert.Equal(CodeOutcome.Mistyped, (await Open($"{code[..place]}{figure}{code[(place + 1)..]}")).Outcome);
        }
        Assert.Equal(CodeOutcome.Opened, (await Open(code)).Outcome);
    }

    [Fact]
    public async Task A_press_that_is_sent_twice_opens_the_same_twice_and_another_press_nothing()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var (code, press) = (await MakeCode(sitting), Guid.NewGuid());
        Assert.Equal((CodeOutcome.Opened, sitting), await OpenedBy(press));
        Assert.Equal((CodeOutcome.Opened, sitting), await OpenedBy(press));
        Assert.Equal(CodeOutcome.Wrong, (await OpenedBy(Guid.NewGuid())).Outcome);

        async Task<(CodeOutcome Outcome, SittingId Sitting)> OpenedBy(PressId press)
        {
            var opened = await schools.App.BeforeSchool(connection => Codes.Open(connection, code, press, Home));
            return (opened.Outcome, opened.Sitting);
        }
    }

    /// <summary>Back, and sent once more: the device was taken from the child meanwhile.</summary>
    [Fact]
    public async Task A_press_opens_nothing_again_once_the_device_was_taken_back_or_a_minute_is_over()
    {
        var sitting = await Begin(await schools.Child(schools.A), new AskingOptions(Delivery: DeliveryMode.OnChildsScreen));
        var (taken, press) = (await MakeCode(sitting), Guid.NewGuid());
        Assert.Equal(CodeOutcome.Opened, await Pressed(taken));
        await schools.InA(connection => _asking.Deliver(connection, sitting, DeliveryMode.Conversation));
        Assert.Equal(CodeOutcome.Wrong, await Pressed(taken));

        var late = await MakeCode(sitting);
        Assert.Equal(CodeOutcome.Opened, await Pressed(late));
        await schools.Owner.InSchool(schools.A,
            connection => connection.ExecuteAsync(
                "update device_code set used_at = used_at - interval '61 seconds' where sitting = @sitting", new { sitting }));
        Assert.Equal(CodeOutcome.Wrong, await Pressed(late));

        async Task<CodeOutcome> Pressed(string code) =>
            (await schools.App.BeforeSchool(connection => Codes.Open(connection, code, press, Home))).Outcome;
    }

    [Fact]
    public async Task What_has_been_over_for_a_day_is_thrown_away_and_nothing_else()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var mark = (await MakeCode(sitting, DateTime.UtcNow.AddDays(-2)))[..3];
        var fresh = await MakeCode(sitting);
        await schools.InA(async connection =>
        {
            await Sessions.BeginOfChild(connection, Guid.NewGuid(), sitting, DateTime.UtcNow.AddDays(-3), DateTime.UtcNow.AddDays(-2));
            await Sessions.BeginOfChild(connection, Guid.NewGuid(), sitting, DateTime.UtcNow, DateTime.UtcNow.AddHours(2));
            return true;
        });
        Assert.InRange(await schools.App.BeforeSchool(Sessions.Prune), 2, int.MaxValue);
        Assert.Equal((1, 1), await schools.InA(connection => connection.QuerySingleAsync<(int, int)>(
            "select (select count(*) from device_code where sitting = @sitting)::int, (select count(*) from session where sitting = "
                + "@sitting)::int", new { sitting })));
        Assert.Equal(mark, fresh[..3]);
        Assert.Equal(CodeOutcome.Opened, (await Open(fresh)).Outcome);
    }

    [Fact]
    public async Task Only_a_code_s_hash_is_kept()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        var code = await MakeCode(sitting);
        var (row, hash) = await schools.InA(connection =>
            connection.QuerySingleAsync<(string, byte[])>("select device_code::text, hash from device_code where sitting = @sitting",
                new { sitting }));
        // However a code is parted to be read aloud.
        var figures = CodeText.Read(code)!.Figures;
        Assert.DoesNotContain(figures, row, StringComparison.Ordinal);
        Assert.DoesNotContain(figures, System.Text.Encoding.ASCII.GetString(hash), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Settings_of_the_school_and_the_child_are_read_back()
    {
        var child = await schools.Child(schools.B);
        await schools.App.InSchool(schools.B,
            connection => Schools.Choose(connection, new Dictionary<string, string> { ["past"] = "after", ["numerals"] = "roman" }));
        await schools.App.InSchool(schools.B,
            connection => Children.Teach(connection, child, Stage.HalfPast, null,
                new Dictionary<string, string> { ["numerals"] = "none" }));
        var row = (await schools.App.InSchool(schools.B, connection => Children.Find(connection, child)))!;
        Assert.Equal(("after", Core.Teaching.Numerals.None, Stage.HalfPast),
            (row.Preferences.Wording.Past, row.Preferences.Dial.Numerals, row.Stage));
    }

    private async Task<SittingId> Begin(ChildId child, AskingOptions? beginning = null) =>
        (await schools.InA(connection => _asking.Start(connection, child,
            (beginning ?? new AskingOptions()) with { Id = beginning?.Id ?? DrawnSitting.Id(1) })))!.Value;

    private Task<AnswerOutcome> Send(SittingId sitting, int place, string raw, AnswerMode mode) =>
        schools.InA(connection => _asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, mode, null), null));

    private Task<bool?> Skip(SittingId sitting, int place) => schools.InA(connection => _asking.Skip(connection, sitting, place));

    private Task<AnswerOutcome> Enter(SittingId sitting, int place, string raw, AnswerId? corrects = null) =>
        schools.InA(connection =>
            _screen.Enter(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Written, null) { Corrects = corrects },
                Guid.NewGuid()));

    private Task<ScreenedClass?> Class(ScreeningId id) => schools.InA(connection => _screen.Load(connection, id));

    private async Task<Sitting> Sitting(SittingId id) => (await schools.InA(connection => Sittings.Find(connection, id)))!;

    private async Task<List<AskedItem>> Asked(SittingId id) =>
        [.. (await schools.InA(connection => Sittings.AskedIn(connection, [id])))[id]];

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private Task<string> MakeCode(SittingId sitting, DateTime? at = null) =>
        schools.InA(connection => Codes.Make(connection, sitting, at ?? DateTime.UtcNow));

    /// <summary>An address, as it is counted.</summary>
    private static readonly byte[] Home = new byte[32];

    private Task<OpenedCode> Open(string typed) =>
        schools.App.BeforeSchool(connection => Codes.Open(connection, typed, Guid.NewGuid(), Home));

    /// <summary>Another code of the same school, with a check figure that is right.</summary>
    private static string Another(string code) =>
        new CodeText(code[..3], CodeText.Read(code)!.Figures == "9999999" ? "0000000" : "9999999").ToString();
}
