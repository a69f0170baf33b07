using System.Globalization;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Tests;

/// <summary>School time, and the filling of a week's slots.</summary>
public sealed class TimetableTests
{
    private static readonly DateOnly Monday = new(2026, 3, 2);
    private static readonly DateOnly Friday = Monday.AddDays(4);
    private static readonly SchoolYear Year =
        new([new Holiday("Lamp week", new(2026, 3, 16), new(2026, 3, 20)), new Holiday("Ferry day", new(2026, 3, 27), new(2026, 3, 27))]);

    [Theory]
    [InlineData("2026-03-02", "2026-03-03")]
    [InlineData("2026-03-06", "2026-03-09")]
    [InlineData("2026-03-13", "2026-03-23")]
    [InlineData("2026-03-26", "2026-03-30")]
    [InlineData("2026-03-18", "2026-03-23")]
    public void The_next_school_day(string day, string next) => Assert.Equal(On(next), Year.NextDay(On(day)));

    [Theory]
    [InlineData("2026-03-02", 1, "2026-03-09")]
    [InlineData("2026-03-06", 1, "2026-03-09")]
    [InlineData("2026-03-09", 1, "2026-03-23")]
    [InlineData("2026-03-02", 3, "2026-03-30")]
    [InlineData("2026-03-08", 1, "2026-03-09")]
    public void So_many_school_weeks_later(string day, int weeks, string later) => Assert.Equal(On(later), Year.WeeksAfter(On(day), weeks));

    [Theory]
    [InlineData("2026-03-02", "2026-03-23")]
    [InlineData("2026-03-16", null)]
    [InlineData("2026-03-15", "2026-03-23")]
    [InlineData("2026-04-01", null)]
    public void The_first_day_after_the_next_long_holiday(string day, string? after) =>
        Assert.Equal(after is null ? null : On(after), Year.AfterNextHoliday(On(day)));

    [Fact]
    public void A_year_that_never_opens_still_has_weekdays() =>
        Assert.Equal(Monday.AddDays(1),
            new SchoolYear([.. Enumerable.Range(0, 20)
                .Select(i => new Holiday("shut", Monday.AddDays(100 * i), Monday.AddDays((100 * i) + 99)))]).NextDay(Monday));

    [Theory]
    [InlineData(9, 40, 12, "9:52", "", null)]
    [InlineData(9, 40, 12, "9:50", "a", "a is in another slot at that time, at 9:50.")]
    [InlineData(9, 40, 12, "9:52", "a", null)]
    [InlineData(9, 40, 4, "12:00", "", "A slot has 5 to 60 minutes.")]
    [InlineData(23, 55, 12, "12:00", "", "The slot has to end on the same day.")]
    public void A_slot_that_cannot_stand_says_why(int hour, int minute, int minutes, string other, string shared, string? fault)
    {
        var (a, at) = (Guid.NewGuid(), TimeOnly.Parse(other, CultureInfo.InvariantCulture));
        ChildId[] who = shared.Length > 0 ? [a] : [];
        var slot = new Slot(Guid.NewGuid(), DayOfWeek.Monday, new TimeOnly(hour, minute), minutes, who);
        Assert.Equal(fault, slot.Fault([new Slot(Guid.NewGuid(), DayOfWeek.Monday, at, 12, who)], _ => "a"));
    }

    [Fact]
    public void What_is_due_is_done_in_the_child_s_own_slot_and_else_in_one_that_is_kept_free()
    {
        var (own, other) = (Guid.NewGuid(), Guid.NewGuid());
        var (thursday, free) = (Slot(DayOfWeek.Thursday, 9, own), Slot(DayOfWeek.Monday, 10));
        var (days, unplaced) = Table([thursday, free]).Fill([Child(own, Due(own)), Child(other, Due(other))], Monday, Friday);
        Assert.Empty(unplaced);
        Assert.Equal(other, Assert.Single(days[0].Slots[0].Seats).Child);
        Assert.Equal(JobNeed.Due, Assert.Single(Assert.Single(days[3].Slots[0].Seats).Jobs).Need);
    }

    [Fact]
    public void In_place_of_a_child_who_is_absent_somebody_with_something_due_is_offered_first_and_taken_by_one_press()
    {
        var (a, due, waiting) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        var slot = Slot(DayOfWeek.Monday, 9, a);
        Attendee[] children = [Child(a, Regular(a)), Child(waiting, Regular(waiting)), Child(due, Due(due))];
        var table = Table([slot]) with { Absences = [new Absence(a, Monday)] };
        var planned = table.Fill(children, Monday, Monday).Days[0].Slots[0];
        Assert.Equal(NotPlaced.Absent, Assert.Single(planned.Seats).Why);
        Assert.Equal([due, waiting], planned.Substitutes);
        var taken = (table with { StandIns = [new StandIn(slot.Id, Monday, due)] }).Fill(children, Monday, Monday);
        Assert.Equal((due, true), (taken.Days[0].Slots[0].Seats[1].Child, taken.Days[0].Slots[0].Seats[1].IsStandIn));
        Assert.Empty(taken.Days[0].Slots[0].Substitutes);
        Assert.Empty(taken.Unplaced);
    }

    [Fact]
    public void In_place_of_a_child_somebody_with_the_same_need_comes_before_what_is_due_and_the_nearer_in_level_the_sooner()
    {
        var (a, same, near, due) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        Attendee[] children =
        [
            Child(a, Regular(a)) with { Need = "next-hour", Level = 9 }, Child(due, Due(due)) with { Need = "hands-swapped", Level = 9 },
            Child(same, Regular(same)) with { Need = "next-hour", Level = 6 },
            Child(near, Regular(near)) with { Need = "next-hour", Level = 8 },
        ];
        var table = Table([Slot(DayOfWeek.Monday, 9, a)]) with { Absences = [new Absence(a, Monday)] };
        Assert.Equal([near, same, due], table.Fill(children, Monday, Monday).Days[0].Slots[0].Substitutes);
    }

    [Fact]
    public void Who_are_kept_apart_are_offered_in_no_place_and_put_into_no_free_slot_beside_each_other()
    {
        var (absent, comes, apart, other) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        Attendee[] children =
            [Child(absent, Regular(absent)), Child(comes, Regular(comes)), Child(apart, Regular(apart)), Child(other, Regular(other))];
        var table = Table([Slot(DayOfWeek.Monday, 9, absent, comes)]) with
        {
            Absences = [new Absence(absent, Monday)],
            KeptApart = [(apart, comes)],
        };
        Assert.Equal([other], table.Fill(children, Monday, Monday).Days[0].Slots[0].Substitutes);
        // Due on one day, the second waits for another slot.
        var free = Table([Slot(DayOfWeek.Monday, 9), Slot(DayOfWeek.Tuesday, 9)]) with { KeptApart = [(comes, apart)] };
        var days = free.Fill([Child(comes, Due(comes)), Child(apart, Due(apart))], Monday, Friday).Days;
        Assert.All(days.Take(2), day => Assert.Single(Assert.Single(day.Slots).Seats));
    }

    [Theory]
    [InlineData("nothing", NotPlaced.NoSlot)]
    [InlineData("barred", NotPlaced.Barred)]
    [InlineData("absent", NotPlaced.Absent)]
    [InlineData("not released", NotPlaced.NotReleased)]
    [InlineData("full", NotPlaced.NoRoom)]
    public void What_is_due_and_has_no_time_is_told_with_why(string inTheWay, NotPlaced why)
    {
        var (child, first) = (Guid.NewGuid(), Guid.NewGuid());
        var table = Table(inTheWay == "nothing" ? [] : [Slot(DayOfWeek.Monday, 9)]);
        table = inTheWay switch
        {
            "barred" => table with { Barred = [new BarredTime("Tide class", DayOfWeek.Monday, new(8, 0), new(9, 1), "singing")] },
            "absent" or "not released" => table with { Absences = [new Absence(child, Monday, inTheWay == "absent")] },
            _ => table,
        };
        List<Attendee> children = [Child(child, Due(child))];
        if (inTheWay == "full") children.Add(Child(first, Due(first) with { Minutes = 12, Due = Monday.AddDays(-3) }));
        Assert.Equal(why, Assert.Single(table.Fill(children, Monday, Friday).Unplaced).Why);
    }

    [Fact]
    public void On_a_holiday_nothing_is_planned()
    {
        var day = Table([Slot(DayOfWeek.Monday, 9)]).Fill([], new DateOnly(2026, 3, 16), new DateOnly(2026, 3, 16)).Days[0];
        Assert.Empty(day.Slots);
        Assert.Equal("Lamp week", day.Holiday!.Name);
    }

    [Fact]
    public void A_free_slot_that_is_over_is_not_filled_any_more()
    {
        var child = Guid.NewGuid();
        var table = Table([Slot(DayOfWeek.Monday, 9), Slot(DayOfWeek.Monday, 11)]);
        var slots = table.Fill([Child(child, Due(child))], Monday, Monday, new TimeOnly(9, 12)).Days[0].Slots;
        Assert.Equal([0, 1], slots.Select(slot => slot.Seats.Count));
        Assert.Equal([1, 0], table.Fill([Child(child, Due(child))], Monday, Monday, new TimeOnly(9, 11)).Days[0].Slots.Select(slot =>
            slot.Seats.Count));
    }

    [Fact]
    public void Whatever_the_timetable_nobody_is_twice_at_once_or_where_they_cannot_be_no_slot_moves_and_all_that_is_due_is_told_of()
    {
        for (var seed = 0; seed < 300; seed++)
        {
            var random = new Random(seed);
            var children = Enumerable.Range(0, random.Next(1, 60)).Select(_ => Some(random)).ToList();
            string[] classes = ["", "Tide", "Lamp", "Ferry"];
            var slots = Enumerable.Range(0, random.Next(0, 40))
                .Select(_ => new Slot(Some(random), (DayOfWeek)random.Next(1, 6), new TimeOnly(random.Next(9, 15), random.Next(12) * 5),
                random.Next(5, 31), [.. children.OrderBy(_ => random.Next()).Take(random.Next(0, 5))])).ToList();
            var table = new Timetable(
                random.Next(3) == 0 ? new SchoolYear([new Holiday("shut", Monday.AddDays(random.Next(5)), Monday.AddDays(5))])
                    : SchoolYear.Plain,
                slots,
                [.. Enumerable.Range(0, 6)
                    .Select(_ => new BarredTime(classes[random.Next(1, 4)], (DayOfWeek)random.Next(1, 6),
                    new TimeOnly(random.Next(9, 12), 0), new TimeOnly(random.Next(12, 15), 0), ""))],
                [.. children.Where(_ => random.Next(5) == 0)
                    .Select(child => new Absence(child, Monday.AddDays(random.Next(5)), random.Next(2) == 0))],
                [.. slots.Where(_ => random.Next(5) == 0)
                    .Select(slot => new StandIn(slot.Id, Monday.AddDays((int)slot.Weekday - 1), children[random.Next(children.Count)]))]);
            var attendees = children.Select(child =>
                new Attendee(child, classes[random.Next(4)],
                    [.. Enumerable.Range(0, random.Next(0, 3))
                        .Select(i => new Job($"look {i}", child, JobNeed.Due, Monday.AddDays(random.Next(-9, 9)), 4)),
                        .. random.Next(2) == 0 ? [] : new[] { new Job("visit", child, (JobNeed)random.Next(1, 3), Monday, 12) }])).ToList();
            var (days, unplaced) = table.Fill(attendees, Monday, Friday);

            foreach (var day in days)
            {
                Assert.Equal(table.Year.IsOpen(day.Day)
                    ? slots.Where(slot => slot.Weekday == day.Day.DayOfWeek).OrderBy(slot => slot.From).ThenBy(slot => slot.Id)
                    .Select(slot => (slot.From, slot.Minutes)) : [], day.Slots.Select(slot => (slot.Slot.From, slot.Slot.Minutes)));
                var coming = day.Slots.SelectMany(slot => slot.Seats.Where(seat => seat.Why is null).Select(seat => (slot.Slot, seat)))
                    .ToList();
                foreach (var (slot, seat) in coming)
                {
                    var attendee = attendees.Single(each => each.Child == seat.Child);
                    Assert.Null(table.InTheWay(slot, day.Day, attendee));
                    Assert.Single(coming, other =>
                        other.seat.Child == seat.Child && (other.Slot.Id == slot.Id || other.Slot.Overlaps(slot)));
                    Assert.All(seat.Jobs, job => Assert.True(job.Need != JobNeed.Due || job.Due <= day.Day));
                }
                Assert.All(day.Slots.Where(slot => !slot.Slot.IsFree),
                    slot => Assert.Equal(slot.Slot.Children, slot.Seats.Where(seat => !seat.IsStandIn).Select(seat => seat.Child)));
            }
            var placed = days.SelectMany(day => day.Slots).SelectMany(slot => slot.Seats).SelectMany(seat => seat.Jobs)
                .Where(job => job.Need == JobNeed.Due).ToList();
            Assert.Equal(placed.Count, placed.Distinct().Count());
            Assert.Equal(
                attendees.SelectMany(each => each.Jobs).Where(job => job.Need == JobNeed.Due && job.Due <= Friday)
                    .OrderBy(job => (job.Child, job.Id)),
                placed.Concat(unplaced.Select(job => job.Job)).OrderBy(job => (job.Child, job.Id)));
        }
    }

    [Fact]
    public void Ten_are_in_active_work_those_with_a_slot_first_then_those_in_the_middle_of_it_then_those_who_wait_longest()
    {
        var children = Enumerable.Range(0, 14)
            .Select(i => new CouldWork(Guid.NewGuid(), HasSlot: i is 12 or 13,
            Since: i < 4 ? Monday.AddDays(-10) : i == 4 ? Monday.AddDays(-60) : null, Monday.AddDays(-20 + i))).ToList();
        var active = ActiveWork.Choose(children, Year, Monday);
        Assert.Equal(ActiveWork.Most, active.Count);
        Assert.All(children.Where((_, i) => i is < 8 or 12 or 13), child => Assert.Contains(child.Child, active));
    }

    private static Guid Some(Random random) => new([.. Enumerable.Range(0, 16).Select(_ => (byte)random.Next(256))]);

    private static Timetable Table(IReadOnlyList<Slot> slots) => new(Year, slots, [], [], []);

    private static Slot Slot(DayOfWeek weekday, int hour, params ChildId[] children) =>
        new(Guid.NewGuid(), weekday, new TimeOnly(hour, 0), Timetabling.Slot.Usual, children);

    private static Attendee Child(ChildId child, params Job[] jobs) => new(child, "Tide class", jobs);

    private static Job Due(ChildId child) => new("look", child, JobNeed.Due, Monday, 4);

    private static Job Regular(ChildId child) => new("visit", child, JobNeed.Regular, Monday, 12);

    private static DateOnly On(string day) => DateOnly.Parse(day, CultureInfo.InvariantCulture);
}
