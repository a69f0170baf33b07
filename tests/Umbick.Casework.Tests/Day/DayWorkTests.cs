using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;

namespace Umbick.Casework.Tests;

/// <summary>The day as it is loaded: a school of its own for each test, at a moment that is given.</summary>
public sealed class DayWorkTests(TestSchool schools) : IClassFixture<TestSchool>, IAsyncLifetime
{
    private static readonly ReadingModel Model = new();
    private static readonly PersonId Teacher = Guid.NewGuid();

    /// <summary>A Monday in March, 9:30 where the school is.</summary>
    private static readonly DateTime Now = new(2026, 3, 2, 9, 30, 0, DateTimeKind.Utc);

    private static readonly DateOnly Monday = DateOnly.FromDateTime(Now);

    private readonly SchoolId _school = Guid.NewGuid();

    public async ValueTask InitializeAsync() =>
        await schools.Owner.InSchool(_school, connection => Schools.Add(connection, new School(_school, "Noss")));

    public async ValueTask DisposeAsync() => await schools.Owner.InSchool(_school, Schools.Erase);

    [Fact]
    public async Task The_slot_that_is_on_comes_first_then_the_next_and_when_all_were_seen_the_day_is_done()
    {
        var (first, second) = (await schools.Child(_school), await schools.Child(_school));
        await Slot(9, 20, first);
        await Slot(9, 45, second);
        Assert.Equal(new TimeOnly(9, 20), (await Load(Now)).Next!.Slot.From);
        Assert.Equal(new TimeOnly(9, 45), (await Load(Now.AddMinutes(2))).Next!.Slot.From);
        Assert.Null((await Load(Now.AddMinutes(27))).Next);
        await Seen(first, Now);
        Assert.True((await Load(Now)).IsSeen(first.Value));
        Assert.Equal(new TimeOnly(9, 45), (await Load(Now)).Next!.Slot.From);
        await Seen(second, Now);
        Assert.Null((await Load(Now)).Next);
    }

    [Fact]
    public async Task An_absence_is_noted_and_taken_back_and_a_substitute_comes()
    {
        var (absent, other) = (await schools.Child(_school), await schools.Child(_school));
        var slot = await Slot(9, 20, absent);
        await In(connection => Timetables.NoteAbsence(connection, absent, Monday, absent: false, Teacher, Now));
        var planned = Assert.Single((await Load(Now)).Plan.Slots);
        Assert.Equal(NotPlaced.NotReleased, Assert.Single(planned.Seats).Why);
        Assert.Equal([other.Value], planned.Substitutes);
        // Twice the same press is one.
        for (var press = 0; press < 2; press++)
            await In(connection => Timetables.NoteStandIn(connection, new StandIn(slot, Monday, other.Value), comes: true, Teacher, Now));
        Assert.Equal([absent.Value, other.Value], (await Load(Now)).Plan.Slots[0].Seats.Select(seat => seat.Child));
        Assert.Single((await Load(Now.AddDays(7))).Plan.Slots[0].Seats);
        await In(connection => Timetables.NoteStandIn(connection, new StandIn(slot, Monday, other.Value), comes: false, Teacher, Now));
        await In(connection => Timetables.NoteAbsence(connection, absent, Monday, absent: null, Teacher, Now));
        Assert.Null(Assert.Single((await Load(Now)).Plan.Slots[0].Seats).Why);
    }

    [Fact]
    public async Task A_slot_that_is_taken_out_takes_its_stand_ins_with_it_and_nothing_else()
    {
        var child = await schools.Child(_school);
        var slot = await Slot(9, 20, child);
        await In(connection => Timetables.NoteStandIn(connection, new StandIn(slot, Monday, child.Value), comes: true, Teacher, Now));
        await In(connection => Timetables.RemoveSlot(connection, slot));
        Assert.Empty((await Load(Now)).Timetable.Slots);
        Assert.Empty((await Load(Now)).Timetable.StandIns);
        Assert.True((await Load(Now)).Children.ContainsKey(child.Value));
    }

    [Theory]
    [InlineData("2026-03-07T10:00:00Z", "2026-03-07")]
    [InlineData("2026-03-08T10:00:00Z", "2026-03-08")]
    public async Task At_a_weekend_no_slot_is_on_and_nothing_breaks(string at, string day)
    {
        await Slot(9, 20);
        var work = await Load(DateTime.Parse(at, System.Globalization.CultureInfo.InvariantCulture,
            System.Globalization.DateTimeStyles.AdjustToUniversal));
        Assert.Equal(day, work.Today.ToString("O"));
        Assert.Empty(work.Plan.Slots);
    }

    [Fact]
    public async Task When_the_clocks_change_a_slot_keeps_its_time_where_the_school_is()
    {
        await In(connection => Schools.MoveTo(connection, "Europe/London"));
        var child = await schools.Child(_school);
        await Slot(9, 20, child);
        // 27 March is the last Friday of winter time, 30 March the first Monday of summer time.
        Assert.NotNull((await Load(new DateTime(2026, 3, 23, 9, 25, 0, DateTimeKind.Utc))).Next);
        Assert.NotNull((await Load(new DateTime(2026, 3, 30, 8, 25, 0, DateTimeKind.Utc))).Next);
        Assert.Null((await Load(new DateTime(2026, 3, 30, 9, 25, 0, DateTimeKind.Utc))).Next);
    }

    [Fact]
    public async Task A_child_of_whom_nothing_is_known_comes_into_a_slot_that_is_kept_free()
    {
        var child = new ChildId(Guid.NewGuid());
        await In(connection => Children.Add(connection, new Child(child, "Skua", Stage.FiveMinutesTo), Now.AddDays(-1)));
        await Slot(10, 0);
        Assert.Equal(child.Value, Assert.Single((await Load(Now)).Plan.Slots[0].Seats).Child);
        Assert.Single((await Load(Now)).NotAssessed);
    }

    [Fact]
    public async Task A_slot_is_for_children_of_the_caseload()
    {
        var (known, elsewhere) = (await schools.Child(_school), await schools.Child(schools.B));
        var plan = await schools.App.InSchool(_school, connection => TermPlan.Load(connection, Monday));
        Assert.Null(await Add(known));
        Assert.Equal("Choose children of your caseload.", await Add(elsewhere));
        Assert.Equal(known, Assert.Single(Assert.Single((await Load(Now)).Plan.Slots).Slot.Children));

        Task<string?> Add(ChildId child) => schools.App.InSchool(_school, connection =>
            plan.AddSlot(connection, new Slot(SlotId.New(), DayOfWeek.Monday, new TimeOnly(11, 0), 12, [child])));
    }

    [Fact]
    public async Task A_slot_on_several_days_is_added_once_on_each_or_on_none_and_a_new_term_keeps_the_times()
    {
        var child = await schools.Child(_school);
        var slot = new Slot(SlotId.New(), default, new TimeOnly(11, 0), 12, [child]);
        DayOfWeek[] days = [DayOfWeek.Tuesday, DayOfWeek.Friday];
        for (var twice = 0; twice < 2; twice++) Assert.Null(await Change(plan => connection => plan.AddSlots(connection, slot, days)));
        Assert.Equal(days, (await Slots()).Select(each => each.Weekday));
        Assert.NotNull(await Change(plan => connection =>
            plan.AddSlots(connection, slot with { Id = SlotId.New() }, [DayOfWeek.Monday, DayOfWeek.Friday])));
        Assert.Equal(2, (await Slots()).Count);
        await Change(plan => async connection =>
        {
            await plan.Empty(connection);
            return null;
        });
        Assert.All(await Slots(), each => Assert.True(each is { IsFree: true, IsByHand: false }));
        Assert.Equal(days, (await Slots()).Select(each => each.Weekday));

        Task<string?> Change(Func<TermPlan, Func<SchoolConnection, Task<string?>>> change) => schools.App.InSchool(_school,
            async connection => await change(await TermPlan.Load(connection, Monday))(connection));

        Task<IReadOnlyList<Slot>> Slots() => schools.App.InSchool(_school, async connection =>
            (await Timetables.Load(connection, Monday, Monday)).Slots);
    }

    [Fact]
    public async Task A_class_on_a_trip_is_noted_by_one_press_and_taken_back_by_one_and_who_is_ill_stays_ill()
    {
        var (first, ill, other) = (await schools.Child(_school), await schools.Child(_school), await schools.Child(_school));
        await In(async connection =>
        {
            foreach (var child in new[] { first, ill }) await Children.SetClass(connection, child, "Tide class");
            await ComingToday.NoteAbsence(connection, ill, Monday, true, Teacher, Now);
        });
        for (var twice = 0; twice < 2; twice++) Assert.True(await Away(away: true));
        Assert.Equal([(first, false), (ill, true)], (await Absences()).OrderBy(absence => absence.IsAbsent)
            .Select(absence => (absence.Child, absence.IsAbsent)));
        Assert.True(await Away(away: false));
        Assert.Equal(ill, Assert.Single(await Absences()).Child);
        Assert.DoesNotContain(other, (await Absences()).Select(absence => absence.Child));

        Task<bool> Away(bool away) => schools.App.InSchool(_school, connection =>
            ComingToday.NoteClassAway(connection, "Tide class", Monday, away, Teacher, Now));

        Task<IReadOnlyList<Absence>> Absences() => schools.App.InSchool(_school, async connection =>
            (await Timetables.Load(connection, Monday, Monday)).Absences);
    }

    private Task<DayWork> Load(DateTime now) => schools.App.InSchool(_school, async connection =>
    {
        var (day, time) = await Schools.LocalNow(connection, now);
        return await DayWork.Load(connection, Model, day, time);
    });

    private async Task<SlotId> Slot(int hour, int minute, params ChildId[] children)
    {
        var id = Guid.NewGuid();
        await In(connection => Timetables.AddSlot(connection,
            new Slot(id, DayOfWeek.Monday, new TimeOnly(hour, minute), 12, [.. children.Select(child => child.Value)])));
        return id;
    }

    private Task Seen(ChildId child, DateTime now) => In(async connection =>
    {
        var asking = new Asking(Model, new StartChecks(new DateTimeOffset(now)));
        var id = (await asking.Start(connection, child))!.Value;
        await asking.Answer(connection, id, new Submission(Guid.NewGuid(), 1, "4:00", AnswerMode.Said, null), Teacher);
        await asking.Stop(connection, id);
    });

    private Task In(Func<SchoolConnection, Task> act) => schools.App.InSchool(_school, act);

    [Theory]
    [InlineData("next-hour", "nearest-hour", "One demonstration serves all: Has it arrived?")]
    [InlineData("says-sixty", "ticks-in-fives", "They share the step that goes wrong.")]
    [InlineData("next-hour", "numeral-as-minutes", "They share nothing that could be shown at once: see one after the other.")]
    public void Who_come_together_with_different_needs_are_told_of_with_what_they_share(string one, string other, string shared)
    {
        var told = new SlotNeeds([("Fennel", Core.Patterns.Catalogue.Find(one)!), ("Kestrel", Core.Patterns.Catalogue.Find(other)!)])
            .InWords(Core.Clocks.Wording.Usual);
        Assert.StartsWith("Not the same: Fennel ", told, StringComparison.Ordinal);
        Assert.EndsWith(shared, told, StringComparison.Ordinal);
    }
}
