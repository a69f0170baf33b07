using Umbick.Casework.Running;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Casework.Tests;

/// <summary>What was stopped today goes on where it was; what has come to its end, or another day, stays as it is.</summary>
public sealed class ReopeningTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;
    private static readonly PersonId Teacher = Guid.NewGuid();
    private readonly Asking _asking = new(Model, TimeProvider.System);

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task An_asking_goes_on_at_its_question_with_what_was_left_out_still_left_out(bool listed)
    {
        var (child, sitting) = await Asked(listed);
        await Send(sitting, 1, "4:12");
        await schools.InA(connection => _asking.Skip(connection, sitting, 2));
        var asked = await Now(sitting);
        await schools.InA(connection => _asking.Stop(connection, sitting));
        Assert.Null((await Now(sitting)).Asked);
        for (var twice = 0; twice < 2; twice++)
            Assert.Equal(Reopened.GoesOn, await schools.InA(connection => _asking.Reopen(connection, sitting)));
        var again = await Now(sitting);
        Assert.Equal(asked.Asked, again.Asked);
        Assert.Equal(asked.Rows.Asked, again.Rows.Asked);
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 3, "5:12"));
        await schools.InA(connection => _asking.Stop(connection, sitting));
        var record = (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;
        Assert.Equal(["4:12", "5:12"], record.Sittings.Single().Answered.Select(question => question.Given!.Raw));
    }

    [Fact]
    public async Task What_has_come_to_its_end_or_was_stopped_on_another_day_stays_as_it_is()
    {
        var (_, sitting) = await Asked(listed: true);
        foreach (var place in new[] { 1, 2, 3 }) await Send(sitting, place, "4:12");
        Assert.Equal(Reopened.IsOver, await schools.InA(connection => _asking.Reopen(connection, sitting)));
        var (_, other) = await Asked(listed: true);
        await schools.InA(connection => _asking.Stop(connection, other));
        var tomorrow = new Asking(Model, new AheadClock(TimeSpan.FromDays(1)));
        Assert.Equal(Reopened.IsOver, await schools.InA(connection => tomorrow.Reopen(connection, other)));
        Assert.Equal(Reopened.NotFound, await schools.InA(connection => _asking.Reopen(connection, SittingId.New())));
    }

    [Fact]
    public async Task A_child_in_the_middle_of_something_else_is_not_asked_two_things()
    {
        var (child, first) = await Asked(listed: false);
        await schools.InA(connection => _asking.Stop(connection, first));
        await schools.InA(connection => _asking.Start(connection, child));
        Assert.Equal(Reopened.Busy, await schools.InA(connection => _asking.Reopen(connection, first)));
        Assert.Null((await Now(first)).Asked);
    }

    /// <summary>Wherever it is stopped, with a child who has gone, it goes on there and comes to the same end.</summary>
    [Fact]
    public async Task A_visit_goes_on_wherever_it_was_stopped_and_comes_to_the_same_end()
    {
        var visiting = new Visiting(Model, _asking, new Practising(Model, TimeProvider.System), TimeProvider.System);
        ChildId[] children = [await schools.Child(schools.A), await schools.Child(schools.A)];
        VisitId visit = Guid.NewGuid();
        await schools.InA(connection => visiting.Begin(connection, visit, NextHour, children, "has-it-arrived", Teacher));
        var parts = new List<VisitPart>();
        for (var turn = 0; turn < 30 && await At() is { Visit.EndedAt: null } before; turn++)
        {
            await schools.InA(connection => visiting.Stop(connection, visit));
            Assert.True(await schools.InA(async connection => await visiting.CanGoOn(connection, await At())));
            Assert.Equal(Reopened.GoesOn, await schools.InA(connection => visiting.Reopen(connection, visit)));
            var again = await At();
            Assert.Equal((before.Visit.Part, before.Visit.Place, before.Asked), (again.Visit.Part, again.Visit.Place, again.Asked));
            parts.Add(before.Visit.Part);
            foreach (var child in children.Where(_ => before.Visit.Part != VisitPart.Show))
                await schools.InA(connection => visiting.Answer(connection, visit, child, before.Visit.Part,
                    new Submission(Guid.NewGuid(), before.Visit.Place, "4:12", AnswerMode.Said, null), Teacher));
            await schools.InA(connection =>
                visiting.GoOn(connection, visit, before.Visit.Part, before.Visit.Place, null, Teacher));
        }
        Assert.Equal([VisitPart.Room, VisitPart.Cold, VisitPart.Show, VisitPart.Practise, VisitPart.Close], parts.Distinct());
        Assert.Equal(Reopened.IsOver, await schools.InA(connection => visiting.Reopen(connection, visit)));
        var over = await At();
        Assert.All(over.Children, child => Assert.All(child.Cold!.Questions.Concat(child.Practice!.Questions),
            question => Assert.NotNull(question.Given)));

        Task<VisitState> At() => schools.InA(async connection => (await VisitState.Load(connection, visit))!);
    }

    private async Task<(ChildId Child, SittingId Sitting)> Asked(bool listed)
    {
        var child = await schools.Child(schools.A);
        var options = listed
            ? new AskingOptions(Plan.Chosen) { Tasks = ["read-digital", "read-words", "read-digital"] }
            : new AskingOptions(Plan.Adaptive);
        return (child, (await schools.InA(connection => _asking.Start(connection, child, options)))!.Value);
    }

    private Task<SittingState> Now(SittingId sitting) =>
        schools.InA(async connection => (await SittingState.Load(connection, sitting))!);

    private Task<AnswerOutcome> Send(SittingId sitting, int place, string raw) => schools.InA(connection =>
        _asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Said, null), Teacher));
}
