using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Grouping;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Timetabling;

namespace Umbick.Casework.Tests;

/// <summary>Groups as they are proposed, kept and looked through again: a school of its own for each test.</summary>
public sealed class TermGroupsTests(TestSchool schools) : IClassFixture<TestSchool>, IAsyncLifetime
{
    private static readonly ReadingModel Model = new();
    private static readonly PersonId Teacher = Guid.NewGuid();

    /// <summary>A Monday in March.</summary>
    private static readonly DateTime Now = new(2026, 3, 2, 9, 30, 0, DateTimeKind.Utc);

    private static readonly DateOnly Monday = DateOnly.FromDateTime(Now);

    private readonly SchoolId _school = Guid.NewGuid();

    private readonly TermGroups _groups = new(new NoSolver(), new FixedTime(Now));

    private sealed class NoSolver : IPlanSolver
    {
        public Task<SolvedPlan?> Solve(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> start, CancellationToken cancel) =>
            Task.FromResult<SolvedPlan?>(null);
    }

    private sealed class FixedTime(DateTime now) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => now;
    }

    public async ValueTask InitializeAsync() =>
        await schools.Owner.InSchool(_school, connection => Schools.Add(connection, new School(_school, "Noss")));

    public async ValueTask DisposeAsync() => await schools.Owner.InSchool(_school, Schools.Erase);

    private Task<T> In<T>(Func<SchoolConnection, Task<T>> work) => schools.App.InSchool(_school, work);

    private Task<GroupsNow> Load(DateOnly? day = null) => In(connection => GroupsNow.Load(connection, Model, day ?? Monday));

    private async Task<GroupPlan> Propose() => await _groups.Propose(await Load(), TestContext.Current.CancellationToken);

    private async Task Slots(params DayOfWeek[] days)
    {
        foreach (var day in days)
            await In(async connection => await (await TermPlan.Load(connection, Monday)).AddSlot(connection,
                new Slot(Guid.NewGuid(), day, new TimeOnly(9, 40), 12, [])));
    }

    /// <summary>Three children whose latest answers go one way, so that there is something to practise.</summary>
    private async Task<IReadOnlyList<ChildId>> Three()
    {
        var (children, held) = (new List<ChildId>(), HeldPattern.Plain(Model, Core.Patterns.Catalogue.Find("next-hour")!));
        for (var i = 0; i < 3; i++)
        {
            var child = await schools.Child(_school, Stage.FiveMinutesTo);
            children.Add(child);
            await In(async connection =>
            {
                var asking = new Asking(Model, TimeProvider.System);
                var sitting = (await asking.Start(connection, child))!.Value;
                for (var place = 1; (await Sittings.AskedIn(connection, [sitting]))[sitting].ToList() is var asked
                    && asked.Count >= place; place++)
                {
                    await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place,
                        held.AnswerTo(asked[place - 1].Item).Short(Wording.Usual), AnswerMode.Said, null), Teacher);
                }
                return 0;
            });
        }
        return children;
    }

    [Fact]
    public async Task A_plan_is_kept_as_it_was_shown_and_again_changes_nothing()
    {
        var children = await Three();
        await Slots(DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday);
        var plan = await Propose();
        Assert.All(plan.LeftOut, left => Assert.NotEqual(LeftOut.NoRoom, left.Why));
        Assert.Equal(children.Order(), plan.Groups.SelectMany(group => group.Children).Select(child => child.Child).Order());
        for (var press = 0; press < 2; press++)
        {
            var now = await Load();
            Assert.Null(await In(async connection => await _groups.Keep(connection, now, (await Propose()).Mark, Teacher)));
        }
        var kept = await Load();
        Assert.Equal(Monday, kept.LastKept);
        Assert.Empty((await Propose()).Changes);
        Assert.All(kept.Timetable.Slots, slot => Assert.False(slot.IsByHand));
        Assert.Equal(plan.Groups.Sum(group => group.Slots.Count * group.Children.Count), kept.Timetable.Slots.Sum(slot =>
            slot.Children.Count));
        Assert.False(kept.IsToBeLookedThrough(Monday.AddDays(20)));
        Assert.True(kept.IsToBeLookedThrough(Monday.AddDays(21)));
    }

    [Fact]
    public async Task A_plan_that_is_no_longer_what_was_shown_is_not_kept()
    {
        var children = await Three();
        await Slots(DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday);
        var plan = await Propose();
        Assert.Null(await In(connection => _groups.KeepApart(connection, children[0], children[1], apart: true, Teacher)));
        var now = await Load();
        Assert.Contains("Nothing was kept", await In(connection => _groups.Keep(connection, now, plan.Mark, Teacher)),
            StringComparison.Ordinal);
        Assert.All((await Load()).Timetable.Slots, slot => Assert.Empty(slot.Children));
        Assert.DoesNotContain((await Propose()).Groups, group => children.Take(2).All(child => group.Children.Any(each =>
            each.Child == child)));
        // Taken back, whoever is named first, it is as it was.
        Assert.Null(await In(connection => _groups.KeepApart(connection, children[1], children[0], apart: false, Teacher)));
        Assert.Equal(plan.Mark, (await Propose()).Mark);
    }

    [Fact]
    public async Task What_a_person_moved_stays_until_they_let_it_go()
    {
        var children = await Three();
        await Slots(DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday);
        var slot = (await Load()).Timetable.Slots[0];
        Assert.Null(await In(async connection =>
            await (await TermPlan.Load(connection, Monday)).Seat(connection, slot.Id, [children[2]], null)));
        var plan = await Propose();
        Assert.Equal([slot.Id], plan.ByHand.Select(byHand => byHand.Id));
        Assert.DoesNotContain(slot.Id, plan.Seats.Keys);
        await In(async connection =>
        {
            await TermPlan.LetPlansFill(connection, slot.Id);
            return 0;
        });
        Assert.Contains(slot.Id, (await Propose()).Seats.Keys);
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(60, true)]
    [InlineData(null, true)]
    [InlineData(61, false)]
    [InlineData(-1, false)]
    public async Task Minutes_a_week_are_changed_within_bounds(int? minutes, bool isKept)
    {
        var child = await schools.Child(_school, Stage.FiveMinutesTo);
        Assert.Equal(isKept, await In(connection => TermGroups.ChooseMinutes(connection, child, minutes)) is null);
        Assert.Equal(isKept && minutes is not null, (await Load()).Minutes.ContainsKey(child));
    }

    [Fact]
    public async Task A_teacher_is_in_one_slot_at_a_time()
    {
        var teacher = (await schools.Owner.InSchool(_school,
            connection => People.Add(connection, $"{Guid.NewGuid():N}@noss.example", "Gale", ""))).Id;
        var slot = new Slot(Guid.NewGuid(), DayOfWeek.Monday, new TimeOnly(9, 40), 12, []) { Teacher = teacher };
        async Task<string?> Add(Slot slot) => await In(async connection => await (await TermPlan.Load(connection,
            Monday)).AddSlot(connection, slot));
        Assert.Null(await Add(slot));
        Assert.Equal("Its teacher has another slot at that time, at 9:40.",
            await Add(slot with { Id = Guid.NewGuid(), From = new TimeOnly(9, 45) }));
        Assert.Null(await Add(slot with { Id = Guid.NewGuid(), From = new TimeOnly(9, 45), Teacher = null }));
        Assert.Equal("Choose a teacher of your school.", await Add(slot with { Id = Guid.NewGuid(), Teacher = (PersonId)Guid.NewGuid() }));
        Assert.Equal(teacher, (await Load()).Timetable.Slots.Single(known => known.Id == slot.Id).Teacher);
    }
}
