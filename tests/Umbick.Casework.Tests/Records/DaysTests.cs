using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Casework.Tests;

/// <summary>
/// A sitting's day is that of its answers, where the school is; and what is believed follows from the answers, on every page.
/// </summary>
public sealed class DaysTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);
    private static readonly PersonId Teacher = Guid.NewGuid();

    [Theory]
    // A winter and a summer evening, and both nights on which clocks change.
    [InlineData("Europe/London", "2026-01-10T23:30:00Z", "2026-01-10")]
    [InlineData("Europe/London", "2026-07-10T23:30:00Z", "2026-07-11")]
    [InlineData("Pacific/Auckland", "2026-03-02T11:30:00Z", "2026-03-03")]
    [InlineData("America/New_York", "2026-03-08T04:59:00Z", "2026-03-07")]
    [InlineData("America/New_York", "2026-03-09T03:59:00Z", "2026-03-08")]
    [InlineData("America/New_York", "2026-03-09T04:01:00Z", "2026-03-09")]
    [InlineData("America/New_York", "2026-11-01T04:30:00Z", "2026-11-01")]
    [InlineData("America/New_York", "2026-11-02T04:30:00Z", "2026-11-01")]
    [InlineData("Asia/Kolkata", "2026-05-05T18:31:00Z", "2026-05-06")]
    public async Task A_sitting_s_day_is_that_of_its_first_answer_where_the_school_is(string zone, string at, string day)
    {
        var clock = new StartChecks(DateTimeOffset.Parse(at, System.Globalization.CultureInfo.InvariantCulture));
        await schools.App.InSchool(schools.B, connection => Schools.MoveTo(connection, zone));
        var child = await schools.Child(schools.B);
        await schools.App.InSchool(schools.B, async connection =>
        {
            // Made a week before anybody answered.
            var sitting = (await new Asking(Model, new StartChecks(clock.GetUtcNow().AddDays(-7))).Start(connection, child))!.Value;
            Assert.Null((await Sittings.Find(connection, sitting))!.Day);
            await new Asking(Model, clock).Answer(connection, sitting, new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Said, null),
                Teacher);
            Assert.Equal(day, (await Sittings.Find(connection, sitting))!.Day!.Value.ToString("O"));
            Assert.Equal(day, (await Schools.Today(connection, clock.GetUtcNow().UtcDateTime)).ToString("O"));
            Assert.Equal(day, (await Children.Find(connection, child))!.LastSeen!.Value.ToString("O"));
        });
    }

    [Fact]
    public async Task There_is_no_zone_but_one_of_the_list()
    {
        Assert.Equal(0, await schools.App.InSchool(schools.B, connection => Schools.MoveTo(connection, "Harbour/Island")));
        var zones = await schools.App.InSchool(schools.B, Schools.TimeZones);
        Assert.Contains("Europe/London", zones);
        Assert.True(zones.Count > 300);
    }

    [Fact]
    public async Task An_answer_that_waited_for_a_connection_is_dated_by_when_it_was_given()
    {
        var child = await schools.Child(schools.A);
        var sitting = await Begin(child, DateTimeOffset.UtcNow.AddDays(-4));
        await schools.InA(connection =>
            new Asking(Model, TimeProvider.System).Answer(connection, sitting,
                new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Written, null) { Waited = TimeSpan.FromDays(3) }, null));
        Assert.Equal(DateOnly.FromDateTime(DateTime.UtcNow.AddDays(-3)), await Day(sitting));
        var (given, kept) = await schools.InA(connection =>
            connection.QuerySingleAsync<(DateTime, DateTime)>("select given_at, kept_at from answer where sitting = @sitting",
                new { sitting }));
        Assert.Equal(3, (kept - given).TotalDays, 3);
    }

    [Fact]
    public async Task Sheets_are_dated_by_the_day_they_were_done_and_never_by_the_day_of_typing()
    {
        var screen = new ClassScreening(Model, TimeProvider.System);
        var (told, later) = (DateOnly.FromDateTime(DateTime.UtcNow.AddDays(-9)), DateOnly.FromDateTime(DateTime.UtcNow.AddDays(-8)));
        var id = await schools.InA(connection =>
            screen.Start(connection, "Class", Stage.HalfPast, [$"Pupil {Guid.NewGuid():N}", $"Pupil {Guid.NewGuid():N}"]));
        await schools.InA(connection => screen.TellDay(connection, id, told));
        var sittings = (await schools.InA(connection => screen.Load(connection, id)))!.Children.Select(child => child.Sitting.Sitting.Id)
            .ToList();
        await schools.InA(connection =>
            screen.Enter(connection, sittings[0], new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Written, null), Teacher));
        await schools.InA(connection =>
            new Asking(Model, TimeProvider.System).Answer(connection, sittings[1],
                new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Written, null), by: null));
        Assert.Equal(told, await Day(sittings[0]));
        await schools.InA(connection => screen.TellDay(connection, id, later));
        Assert.Equal(later, await Day(sittings[0]));
        // What a child gave on a screen has its own day.
        Assert.Equal(DateOnly.FromDateTime(DateTime.UtcNow), await Day(sittings[1]));
    }

    [Fact]
    public async Task A_set_that_was_never_done_is_no_practice_no_sitting_and_moves_no_belief()
    {
        var child = await schools.Child(schools.A);
        var asked = await Asked(child, DateTimeOffset.UtcNow.AddDays(-40), "next-hour");
        var before = await Load(child);
        await schools.InA(connection =>
            new Practising(Model, TimeProvider.System).Assign(connection, before, Catalogue.Find("next-hour"), new SetChoices(), Teacher));
        var after = await Load(child);
        Assert.Equal([asked], after.Sittings.Select(sitting => sitting.Sitting.Id));
        Assert.Equal((1, false), (after.Child.Sittings, after.SummaryOn(Today).State.PractisedSinceAsked));
        Assert.Equal(before.Child.LastSeen, after.Child.LastSeen);
        Assert.All(Model.Patterns,
            pattern => Assert.Equal(before.Replay.Belief.ProbabilityOf(pattern), after.Replay.Belief.ProbabilityOf(pattern), 12));
    }

    [Fact]
    public async Task After_an_older_sitting_is_put_right_lists_and_the_child_s_page_say_the_same()
    {
        var child = await schools.Child(schools.A);
        var first = await Asked(child, DateTimeOffset.UtcNow.AddDays(-30), "next-hour");
        // A short one, so that what was believed before still counts.
        var second = await Begin(child, DateTimeOffset.UtcNow.AddDays(-28));
        await Answers(child, second, DateTimeOffset.UtcNow.AddDays(-28), 2, "");
        await schools.InA(connection => new Asking(Model, new StartChecks(DateTimeOffset.UtcNow.AddDays(-28))).Stop(connection, second));
        await AssertTheSame(child);
        var before = await Kept(child);
        // Every answer of the first sitting is put right by the teacher.
        foreach (var question in (await Load(child)).Sittings[0].Answered)
        {
            var right = new Submission(Guid.NewGuid(), question.Asked.Place, ".", AnswerMode.Said, null) { Corrects = question.Given!.Id };
            await schools.InA(connection => new Asking(Model, TimeProvider.System).Answer(connection, first, right, Teacher));
        }
        await AssertTheSame(child);
        var after = await Kept(child);
        Assert.Equal(2, before.Zip(after).Count(pair => !pair.First.SequenceEqual(pair.Second)));
    }

    [Fact]
    public async Task A_sitting_left_in_the_middle_another_stage_and_another_day_are_in_the_lists_too()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, DateTimeOffset.UtcNow.AddDays(-10), "hands-swapped");
        await AssertTheSame(child);
        var open = await Begin(child, DateTimeOffset.UtcNow);
        await Answers(child, open, DateTimeOffset.UtcNow, 7, "");
        await AssertTheSameSoFar();
        await schools.InA(connection => Children.Teach(connection, child, Stage.HalfPast, null, new Dictionary<string, string>()));
        await AssertTheSameSoFar();
        await schools.InA(connection => new Asking(Model, TimeProvider.System).Stop(connection, open));
        await schools.InA(async connection =>
        {
            await new Asking(Model, TimeProvider.System).TellDay(connection, (await Sittings.Find(connection, open))!,
                DateOnly.FromDateTime(DateTime.UtcNow.AddDays(-60)));
            return true;
        });
        await AssertTheSame(child);
        Assert.Equal(open, (await Load(child)).Sittings[0].Sitting.Id);

        // While the sitting goes on it is told as soon as it has been worked out beside the requests.
        async Task AssertTheSameSoFar()
        {
            await Renewing.Renew(schools.App, Model, schools.A, child, DateTime.UtcNow, default);
            await AssertTheSame(child);
        }
    }

    [Fact]
    public async Task What_is_reckoned_anew_for_the_caseload_is_kept_and_not_reckoned_again()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, DateTimeOffset.UtcNow.AddDays(-10), "hands-swapped");
        await schools.InA(connection =>
            connection.ExecuteAsync("update sitting set concluded_from = 'an older engine' where child = @child", new { child }));
        var (first, from) = await Listed();
        Assert.Equal("an older engine", from);
        var (second, now) = await Listed();
        Assert.StartsWith(ReadingModel.Version, now, StringComparison.Ordinal);
        Assert.Equal(first, second);

        async Task<(IEnumerable<(string, Label)> Labels, string? From)> Listed()
        {
            var listed = (await schools.InA(connection => Caseload.Load(connection, Model))).Single(school => school.Child.Id == child);
            return (listed.Labels.Select(label => (label.Pattern.Id, label.Label)).Order().ToList(), listed.Child.ConcludedFrom);
        }
    }

    /// <summary>A second view begins while the first has kept what it computed, and has not ended.</summary>
    [Fact]
    public async Task Two_views_at_once_of_what_an_older_engine_computed_come_to_the_same()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, DateTimeOffset.UtcNow.AddDays(-10), "hands-swapped");
        await schools.InA(connection =>
            connection.ExecuteAsync("update sitting set concluded_from = 'an older engine' where child = @child", new { child }));
        Task<IReadOnlyList<CaseloadChild>>? second = null;
        var first = await schools.InA(async connection =>
        {
            var listed = await Caseload.Load(connection, Model);
            second = schools.InA(another => Caseload.Load(another, Model));
            while (!second.IsCompleted && await connection.QuerySingleAsync<long>("select count(*) from pg_locks where not granted") == 0)
                await Task.Yield();
            return listed;
        });
        Assert.Equal(LabelsIn(first), LabelsIn(await second!));
        await AssertTheSame(child);

        List<(string, Label)> LabelsIn(IReadOnlyList<CaseloadChild> listed) =>
            [.. listed.Single(each => each.Child.Id == child).Labels.Select(label => (label.Pattern.Id, label.Label)).Order()];
    }

    /// <summary>A belief is being kept while its school is erased: the erasing waits for it, and nothing is left.</summary>
    [Fact]
    public async Task A_school_is_erased_while_what_is_believed_of_a_child_is_being_kept()
    {
        var school = new SchoolId(Guid.NewGuid());
        await schools.Owner.InSchool(school, connection => Schools.Add(connection, new School(school, "Noss")));
        var child = await schools.Child(school);
        var asking = new Asking(Model, TimeProvider.System);
        var sitting = await schools.App.InSchool(school, connection => asking.Start(connection, child, new AskingOptions()));
        Task? erased = null;
        await schools.App.InSchool(school, async connection =>
        {
            await Children.Lock(connection, child);
            await connection.ExecuteAsync(
                "insert into marginal (school, sitting, pattern, belief, label, engine) values (@school, @sitting, 'next-hour', 1, "
                    + "'Likely', 'now')",
                new { school, sitting });
            erased = schools.Owner.InSchool(school, Schools.Erase);
            while (!erased.IsCompleted && await connection.QuerySingleAsync<long>("select count(*) from pg_locks where not granted") == 0)
                await Task.Yield();
        });
        await erased!;
        Assert.Null(await schools.App.InSchool(school, connection => Children.Find(connection, child)));
    }

    private async Task AssertTheSame(ChildId child)
    {
        var record = await Load(child);
        var listed = (await schools.InA(connection => Caseload.Load(connection, Model))).Single(school => school.Child.Id == child);
        Assert.Equal(record.First.Select(impact => (impact.Finding.Pattern.Id, impact.Finding.Label)),
            listed.Labels.Where(label => label.Label is Label.Likely or Label.Possible).Select(label => (label.Pattern.Id, label.Label)));
        Assert.Equal(record.SummaryOn(Today).Next, listed.SummaryOn(Today).Next);
        // What is kept after the last finished sitting is what is believed then.
        var last = record.Sittings.ToList().FindLastIndex(sitting => sitting.Sitting.EndedAt is not null);
        var kept = (await schools.InA(connection =>
            Marginals.After(connection, [record.Sittings[last].Sitting.Id])))[record.Sittings[last].Sitting.Id];
        Assert.Equal(record.After(last).Findings.Select(finding => (finding.Pattern.Id, finding.Label)).Order(),
            kept.Select(each => (each.Pattern.Id, each.Label)).Order());
    }

    /// <summary>What is kept of belief after each sitting.</summary>
    private async Task<List<List<string>>> Kept(ChildId child)
    {
        var sittings = (await Load(child)).Sittings.Select(sitting => sitting.Sitting.Id).ToArray();
        var rows = (await schools.InA(connection => connection.QueryAsync<(SittingId Sitting, string Told)>(
            "select sitting, pattern || ' ' || label || ' ' || round(belief::numeric, 6) from marginal where sitting = any(@sittings) "
                + "order by pattern", new { sittings }))).ToLookup(row => row.Sitting, row => row.Told);
        return [.. sittings.Select(sitting => rows[sitting].ToList())];
    }

    private async Task<SittingId> Asked(ChildId child, DateTimeOffset at, string pattern)
    {
        var sitting = await Begin(child, at);
        await Answers(child, sitting, at, 12, pattern);
        return sitting;
    }

    private async Task Answers(ChildId child, SittingId sitting, DateTimeOffset at, int count, string pattern)
    {
        var simulated = new SimulatedChild(Model, Catalogue.Find(pattern) is { } known ? [known] : [], 1, new Random(7));
        for (var i = 0; i < count; i++)
        {
            var now = (await Load(child)).SittingsAsked.Single(each => each.Sitting.Id == sitting);
            var item = now.Questions.Single(question => question.Asked.Place == now.Sitting.CurrentPlace).Asked.Item;
            var submission = new Submission(Guid.NewGuid(), now.Sitting.CurrentPlace, simulated.Answer(item, item.Task.Aloud),
                item.Task.Aloud, 2);
            await schools.InA(connection => new Asking(Model, new StartChecks(at)).Answer(connection, sitting, submission, Teacher));
        }
    }

    private async Task<SittingId> Begin(ChildId child, DateTimeOffset at) =>
        (await schools.InA(connection => new Asking(Model, new StartChecks(at)).Start(connection, child)))!.Value;

    private async Task<DateOnly?> Day(SittingId sitting) => (await schools.InA(connection => Sittings.Find(connection, sitting)))!.Day;

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;
}
