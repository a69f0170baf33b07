using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;

namespace Umbick.Casework.Tests;

/// <summary>What is kept of a child is brought up to date beside the requests; lists say of when it is what they tell.</summary>
public sealed class RenewingTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly PersonId Teacher = Guid.NewGuid();

    [Fact]
    public async Task A_list_tells_what_is_kept_of_those_it_may_not_wait_for_and_they_are_brought_up_to_date_once()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, 9, "hands-swapped");
        // So many that a page may not wait; nothing was read of them.
        await schools.InA(connection => connection.ExecuteAsync(
            """
            insert into sitting (school, id, child, kind, stage, length, started_at, first_answer_at, ended_at, plan, delivery)
            select @school, gen_random_uuid(), @child, 'asking', 5, 1, now() - interval '90 days', now() - interval '90 days',
              now() - interval '90 days', 'adaptive', 'conversation' from generate_series(1, 61)
            """, new { school = schools.A, child }));
        await OfAnOlderEngine(child);
        var before = await Listed(child);
        Assert.True(before.IsBehind);
        Assert.Equal("being brought up to date", before.AsOf);
        Assert.Contains(before.Labels, label => label is { Pattern.Id: "hands-swapped", Label: Label.Likely });
        Assert.Contains(child, await Renewing.Behind(schools.App, schools.A, default));
        Assert.Equal(Renewed.Kept, await Renew(child));
        Assert.Equal(Renewed.Nothing, await Renew(child));
        Assert.DoesNotContain(child, await Renewing.Behind(schools.App, schools.A, default));
        var after = await Listed(child);
        Assert.Equal((false, "", before.Labels.Count), (after.IsBehind, after.AsOf, after.Labels.Count));
        // Of answers of which nothing was worked out yet nothing is said.
        await schools.InA(connection => connection.ExecuteAsync(
            "delete from marginal where sitting in (select id from sitting where child = @child)", new { child }));
        await schools.InA(connection => connection.ExecuteAsync("update sitting set concluded_from = null where child = @child",
            new { child }));
        Assert.Equal("What the answers say is being worked out.", (await Listed(child)).SummaryOn(default).InALine);
    }

    [Fact]
    public async Task One_child_who_is_opened_is_never_told_as_before()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, 9, "hands-swapped");
        await OfAnOlderEngine(child);
        var one = await schools.InA(async connection =>
            await Caseload.LoadOne(connection, Model, (await Children.Find(connection, child))!));
        Assert.False(one.IsBehind);
        Assert.Equal(Renewed.Nothing, await Renew(child));
    }

    [Fact]
    public async Task In_the_middle_of_a_sitting_a_list_tells_what_was_said_so_far_with_its_time()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, 9, "hands-swapped");
        var sitting = await Begin(child, 0);
        await Answers(child, sitting, 6, "next-hour", 0);
        // Nothing is worked out for a list: until it was, what stood before the sitting is told.
        Assert.True((await Listed(child)).IsBehind);
        Assert.Equal(Renewed.Kept, await Renew(child));
        var said = await Listed(child);
        Assert.Matches(@"^so far, at \d{1,2}:\d\d$", said.AsOf);
        Assert.Equal((await Load(child)).Labels, said.Labels);
        // What stands at ends knows nothing of it.
        var kept = await schools.InA(connection => Marginals.After(connection, [sitting]));
        Assert.Empty(kept[sitting]);
        await schools.InA(connection => new Asking(Model, TimeProvider.System).Stop(connection, sitting));
        Assert.Equal("", (await Listed(child)).AsOf);
        Assert.Equal(0, await Count(child, "sitting_so_far"));
    }

    [Fact]
    public async Task What_was_overtaken_by_an_answer_is_not_kept()
    {
        var child = await schools.Child(schools.A);
        await Asked(child, 9, "hands-swapped");
        await OfAnOlderEngine(child);
        var sitting = (await Load(child)).Sittings[0];
        var meanwhile = new Meanwhile(schools.App, () => schools.InA(connection =>
            new Asking(Model, TimeProvider.System).Answer(connection, sitting.Sitting.Id,
                new Submission(Guid.NewGuid(), 1, "12:34", AnswerMode.Said, null) { Corrects = sitting.Questions[0].Given!.Id }, Teacher)));
        Assert.Equal(Renewed.Overtaken, await Renewing.Renew(meanwhile, Model, schools.A, child, DateTime.UtcNow, default));
        Assert.Equal(Renewed.Nothing, await Renew(child));
        var anew = await schools.InA(connection => ChildRecord.Load(connection, new ReadingModel(), child));
        Assert.Equal(anew!.Labels, (await Listed(child)).Labels);
    }

    [Fact]
    public async Task Points_are_kept_at_the_ends_of_the_last_three_days_gone_on_from_and_erased_with_the_child()
    {
        var child = await schools.Child(schools.A);
        for (var day = 12; day > 6; day--)
        {
            await Asked(child, day, day > 8 ? "next-hour" : "hands-swapped");
            if (day == 8) await Asked(child, day, "");
        }
        Assert.Equal(3, await Count(child, "replay_point"));
        var kept = await Load(child);
        await schools.InA(connection => connection.ExecuteAsync("delete from replay_point where child = @child", new { child }));
        var anew = await schools.InA(connection => ChildRecord.Load(connection, Model, child));
        Assert.All(Model.Patterns, pattern =>
            Assert.Equal(anew!.Replay.Belief.ProbabilityOf(pattern), kept.Replay.Belief.ProbabilityOf(pattern), 1e-6));
        Assert.Equal(anew!.Now.Findings.Select(Told), kept.Now.Findings.Select(Told));
        await Asked(child, 5, "hands-swapped");
        Assert.Equal(3, await Count(child, "replay_point"));
        var alias = (await schools.InA(connection => Children.AliasOf(connection, child)))!;
        Assert.True(await schools.InA(connection => Children.Erase(connection, child, alias)));
        Assert.Equal(0, await schools.InA(connection =>
            connection.ExecuteScalarAsync<int>("select count(*)::int from replay_point where child = @child", new { child })));

        static string Told(Finding finding) => $"{finding.Pattern.Id} {finding.Label} {finding.Evidence.Count}";
    }

    [Fact]
    public async Task Views_answers_and_renewing_at_once_all_end_and_come_to_what_is_replayed()
    {
        var child = await schools.Child(schools.A);
        for (var day = 12; day > 8; day--) await Asked(child, day, "hands-swapped");
        for (var round = 0; round < 3; round++)
        {
            await OfAnOlderEngine(child);
            var last = (await Load(child)).Sittings[^1];
            var given = last.Questions[round].Given!;
            await Task.WhenAll(
                Renew(child), Renew(child), Listed(child), Listed(child),
                schools.InA(connection => new Asking(Model, TimeProvider.System).Answer(connection, last.Sitting.Id,
                    new Submission(Guid.NewGuid(), given.Place, "6:30", AnswerMode.Said, null) { Corrects = given.Id }, Teacher)));
            await Renew(child);
            var anew = await schools.InA(connection => ChildRecord.Load(connection, new ReadingModel(), child));
            Assert.Equal(anew!.Labels, (await Listed(child)).Labels);
            Assert.Equal(Renewed.Nothing, await Renew(child));
        }
    }

    private Task<Renewed> Renew(ChildId child) => Renewing.Renew(schools.App, Model, schools.A, child, DateTime.UtcNow, default);

    private Task<int> Count(ChildId child, string table) => schools.InA(connection => connection.ExecuteScalarAsync<int>(
        $"select count(*)::int from {table} join sitting on sitting.id = {table}.sitting where sitting.child = @child", new { child }));

    private Task<int> OfAnOlderEngine(ChildId child) => schools.InA(connection => connection.ExecuteAsync(
        "update sitting set concluded_from = 'an older engine' where child = @child", new { child }));

    private async Task<CaseloadChild> Listed(ChildId child) =>
        (await schools.InA(connection => Caseload.Load(connection, Model))).Single(listed => listed.Child.Id == child);

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private async Task Asked(ChildId child, int daysAgo, string pattern) =>
        await Answers(child, await Begin(child, daysAgo), 12, pattern, daysAgo);

    private async Task<SittingId> Begin(ChildId child, int daysAgo) =>
        (await schools.InA(connection => new Asking(Model, At(daysAgo)).Start(connection, child)))!.Value;

    private async Task Answers(ChildId child, SittingId sitting, int count, string pattern, int daysAgo)
    {
        var simulated = new SimulatedChild(Model, Catalogue.Find(pattern) is { } known ? [known] : [], 1, new Random(7));
        await schools.InA(async connection =>
        {
            for (var i = 0; i < count; i++)
            {
                var now = (await Sittings.Find(connection, sitting))!;
                var item = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == now.CurrentPlace).Item;
                await new Asking(Model, At(daysAgo)).Answer(connection, sitting,
                    new Submission(Guid.NewGuid(), now.CurrentPlace, simulated.Answer(item, item.Task.Aloud), item.Task.Aloud, 2), Teacher);
            }
            return true;
        });
    }

    private static StartChecks At(int daysAgo) => new(DateTimeOffset.UtcNow.AddDays(-daysAgo));

    /// <summary>A database in which something comes between the first piece of work and the second.</summary>
    private sealed class Meanwhile(IDatabase database, Func<Task> comes) : IDatabase
    {
        private int _worked;

        public async Task<T> InSchool<T>(SchoolId school, Func<SchoolConnection, Task<T>> work, CancellationToken cancel = default)
        {
            if (_worked++ == 1) await comes();
            return await database.InSchool(school, work, cancel);
        }

        public Task InSchool(SchoolId school, Func<SchoolConnection, Task> work, CancellationToken cancel = default) =>
            database.InSchool(school, work, cancel);

        public Task<bool> IsDemo(CancellationToken cancel = default) => database.IsDemo(cancel);
    }
}
