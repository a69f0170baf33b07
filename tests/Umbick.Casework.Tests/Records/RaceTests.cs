using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Casework.Tests;

/// <summary>
/// Two deeds at once on the same rows: whichever comes first, both are told what came of them, nothing is half done, and the record can be
/// read.
/// </summary>
public sealed class RaceTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();

    private static readonly Asking Asking = new(Model, TimeProvider.System);

    private static readonly Practising Practising = new(Model, TimeProvider.System);

    private static readonly Visiting Visiting = new(Model, Asking, Practising, TimeProvider.System);

    private static readonly Deciding Deciding = new(Model, TimeProvider.System);

    /// <summary>What can be done to a child whose sitting stands open.</summary>
    private static readonly (string Name, Func<SchoolConnection, Case, Task> Do)[] Deeds =
    [
        ("answer", (connection, of) =>
            Asking.Answer(connection, of.Sitting, new Submission(Guid.NewGuid(), 1, "4:12", AnswerMode.Said, null), Guid.NewGuid())),
        ("stop", (connection, of) => Asking.Stop(connection, of.Sitting)),
        ("hand over", (connection, of) => Asking.Deliver(connection, of.Sitting, DeliveryMode.OnChildsScreen)),
        ("make a code", async (connection, of) =>
        {
            if (await Sittings.Find(connection, of.Sitting) is not null) await Codes.Make(connection, of.Sitting, DateTime.UtcNow);
        }),
        ("give a set", async (connection, of) =>
        {
            if (await ChildRecord.Load(connection, Model, of.Child) is { } record)
                await Practising.Assign(connection, record, Catalogue.Find("next-hour"), new SetChoices(), Guid.NewGuid());
        }),
        ("begin a visit", async (connection, of) =>
        {
            if (await Children.Find(connection, of.Child) is not null)
                await Visiting.Begin(connection, Guid.NewGuid(), Catalogue.Find("next-hour")!, [of.Child], null, Guid.NewGuid());
        }),
        ("decide", async (connection, of) =>
        {
            if (await ChildRecord.Load(connection, Model, of.Child) is { } record)
                await Deciding.Say(connection, Guid.NewGuid(), of.Child, Catalogue.Find("next-hour")!, holds: true, "seen",
                    record.Source, Guid.NewGuid());
        }),
        ("begin a cycle", async (connection, of) =>
        {
            if (await Children.Find(connection, of.Child) is not null)
                await Deciding.BeginCycle(connection, Guid.NewGuid(), of.Child, 8, 10, "screening", Guid.NewGuid());
        }),
        ("erase", (connection, of) => Children.Erase(connection, of.Child, of.Alias)),
    ];

    public static TheoryData<string, string> Pairs =>
        [.. from deed in Deeds from other in Deeds where string.CompareOrdinal(deed.Name, other.Name) <= 0 select (deed.Name, other.Name)];

    [Theory]
    [MemberData(nameof(Pairs))]
    public async Task Two_at_once_leave_a_record_that_can_be_read_or_none(string text, string other)
    {
        var of = await Begun();
        var faults = await Task.WhenAll(new[] { text, other }.Select(name => Fault(Deeds.Single(deed => deed.Name == name).Do, of)));
        // Where a record is erased meanwhile, what comes after it is refused by the database, whole.
        if (text != "erase" && other != "erase") Assert.All(faults, Assert.Null);
        Assert.All(faults, fault => Assert.True(fault is null or "23503" or "23505" or "40P01", fault));
        var gone = await schools.InA(connection => Children.Find(connection, of.Child)) is null;
        if (gone)
        {
            foreach (var table in new[] { "sitting", "practice_set", "decision", "cycle", "visit_child" })
                Assert.Equal(0, await schools.InA(connection =>
                    connection.ExecuteScalarAsync<int>($"select count(*) from {table} where child = @child", new { child = of.Child })));
            return;
        }
        var record = (await schools.InA(connection => ChildRecord.Load(connection, Model, of.Child)))!;
        record.EvidenceOf(record.SummaryOn(new DateOnly(2026, 11, 30)));
        Assert.InRange(await schools.InA(connection =>
            connection.ExecuteScalarAsync<int>(
                "select count(*) from sitting where child = @child and ended_at is null and kind = 'asking' and screening is null",
                new { child = of.Child })), 0, 1);
        Assert.InRange(await schools.InA(connection =>
            connection.ExecuteScalarAsync<int>("select count(*) from cycle where child = @child and ended_on is null",
                new { child = of.Child })), 0, 1);
    }

    private async Task<Case> Begun()
    {
        var child = await schools.Child(schools.A);
        var alias = (await schools.InA(connection => Children.AliasOf(connection, child)))!;
        return new Case(child, alias, (await schools.InA(connection => Asking.Start(connection, child)))!.Value);
    }

    /// <summary>How a deed was refused by the database; null where it was done, or was told that it cannot be.</summary>
    private async Task<string?> Fault(Func<SchoolConnection, Case, Task> deed, Case of)
    {
        try
        {
            await schools.App.InSchool(schools.A, connection => deed(connection, of));
            return null;
        }
        catch (Npgsql.PostgresException refused)
        {
            return refused.SqlState;
        }
    }

    private sealed record Case(ChildId Child, string Alias, SittingId Sitting);
}
