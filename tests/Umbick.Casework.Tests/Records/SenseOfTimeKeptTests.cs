using Umbick.Core.Teaching;

namespace Umbick.Casework.Tests;

/// <summary>What a child guessed of time is kept once, told in order, and gone with the child.</summary>
public sealed class SenseOfTimeKeptTests(TestSchool schools) : IClassFixture<TestSchool>
{
    [Fact]
    public async Task Tries_are_kept_once_and_go_with_the_child()
    {
        var child = await schools.Child(schools.A, Core.Items.Stage.OClock);
        var (id, by) = (TimeTryId.New(), PersonId.New());
        for (var time = 0; time < 2; time++) Assert.Null(await Keep(id, TimeCard.All[0], new(40, 60), new(52, 60)));
        Assert.Null(await Keep(TimeTryId.New(), TimeCard.All[1], new(12, 20), null));
        var sense = (await schools.InA(connection => SenseOfTime.Load(connection, child)))!;
        Assert.Equal(["a-minute", "half-a-minute"], sense.Tries.Select(each => each.Try.Card.Id));
        Assert.Equal(new GuessAndReal(52, 60), sense.Tries[0].Try.Last);

        // Another child has tries of their own.
        var other = await schools.Child(schools.A, Core.Items.Stage.OClock);
        Assert.Empty((await schools.InA(connection => SenseOfTime.Load(connection, other)))!.Tries);
        // Another school finds neither the child nor the tries.
        Assert.Null(await schools.App.InSchool(schools.B, connection => SenseOfTime.Load(connection, child)));
        var alias = sense.Child.Alias;
        await schools.InA(connection => Children.Erase(connection, child, alias));
        Assert.Equal(0, await schools.InA(connection => connection.ExecuteScalarAsync<int>(
            "select count(*) from time_try where child = @child", new { child })));

        Task<string?> Keep(TimeTryId which, TimeCard card, GuessAndReal first, GuessAndReal? second) => schools.InA(connection =>
            SenseOfTime.Keep(connection, which, child, card, first, second, by, DateTime.UtcNow));
    }

    [Fact]
    public async Task What_cannot_be_a_guess_is_told_and_not_kept()
    {
        var child = await schools.Child(schools.A, Core.Items.Stage.OClock);
        foreach (var (card, first, second, told) in new (TimeCard, GuessAndReal, GuessAndReal?, string)[]
        {
            (TimeCard.All[0], new(0, 60), null, "above nought"), (TimeCard.All[0], new(40, 60), new(40, -1), "above nought"),
            (TimeCard.Find("stretch")!, new(40, 60), null, "nothing to note"),
        })
        {
            var why = await schools.InA(connection =>
                SenseOfTime.Keep(connection, TimeTryId.New(), child, card, first, second, PersonId.New(), DateTime.UtcNow));
            Assert.Contains(told, why, StringComparison.Ordinal);
        }
        Assert.NotNull(await schools.InA(connection => SenseOfTime.Keep(connection, TimeTryId.New(), ChildId.New(), TimeCard.All[0],
            new(40, 60), null, PersonId.New(), DateTime.UtcNow)));
        Assert.Empty((await schools.InA(connection => SenseOfTime.Load(connection, child)))!.Tries);
    }

    [Fact]
    public async Task A_school_that_has_named_no_day_has_the_usual_one_and_one_that_has_keeps_it_to_itself()
    {
        Assert.Equal(Core.Items.SchoolMoment.Usual, await schools.App.InSchool(schools.B, SchoolTimes.Load));
        var day = Core.Items.SchoolMoment.Usual.Select(moment => moment with { Words = $"{moment.Words} here" }).ToList();
        for (var time = 0; time < 2; time++)
            Assert.Null(await schools.InA(connection => SchoolTimes.Keep(connection, day, PersonId.New(), DateTime.UtcNow)));
        Assert.Equal(day, await schools.InA(SchoolTimes.Load));
        Assert.NotNull(await schools.InA(connection => SchoolTimes.Keep(connection, [.. day.Reverse<Core.Items.SchoolMoment>()],
            PersonId.New(), DateTime.UtcNow)));
        Assert.Equal(day, await schools.InA(SchoolTimes.Load));
        Assert.Equal(Core.Items.SchoolMoment.Usual, await schools.App.InSchool(schools.B, SchoolTimes.Load));
    }
}
