namespace Umbick.Core.Timetabling;

/// <summary>The filling of a timetable, day by day.</summary>
internal sealed class TimetableFilling(Timetable timetable, IReadOnlyList<Attendee> attendees, DateOnly from, DateOnly to, TimeOnly? now)
{
    private readonly Dictionary<ChildId, Attendee> _attendees = attendees.ToDictionary(attendee => attendee.Child);
    private readonly ILookup<DayOfWeek, Slot> _slots =
        timetable.Slots.OrderBy(slot => slot.From).ThenBy(slot => slot.Id).ToLookup(slot => slot.Weekday);
    private readonly HashSet<Job> _placed = [];

    /// <summary>Who comes when on the day that is being filled.</summary>
    private readonly List<(Slot Slot, ChildId Child)> _coming = [];

    public (IReadOnlyList<DayPlan> Days, IReadOnlyList<UnplacedJob> Unplaced) Make()
    {
        var days = new List<DayPlan>();
        for (var day = from; day <= to; day = day.AddDays(1))
            days.Add(timetable.Year.IsOpen(day) ? Fill(day) : new DayPlan(day, timetable.Year.HolidayOn(day), []));
        return (days, [.. attendees.SelectMany(attendee => attendee.Jobs)
            .Where(job => job.Need == JobNeed.Due && job.Due <= to && !_placed.Contains(job))
            .Select(job => new UnplacedJob(job, WhyNot(job)))]);
    }

    private DayPlan Fill(DateOnly day)
    {
        _coming.Clear();
        var seats = _slots[day.DayOfWeek].ToDictionary(slot => slot.Id, _ => new List<Seat>());
        foreach (var slot in _slots[day.DayOfWeek])
        {
            foreach (var child in slot.Children) seats[slot.Id].Add(SeatOf(slot, day, child, isStandIn: false));
            foreach (var standIn in timetable.StandIns.Where(each =>
                each.Slot == slot.Id && each.Day == day && !slot.Children.Contains(each.Child)))
                seats[slot.Id].Add(SeatOf(slot, day, standIn.Child, isStandIn: true));
        }
        foreach (var need in new[] { JobNeed.Due, JobNeed.Whenever })
        {
            foreach (var slot in _slots[day.DayOfWeek].Where(slot => slot.IsFree && !IsOver(slot, day)))
                FillFree(slot, day, need, seats[slot.Id]);
        }
        return new DayPlan(day, null,
            [.. _slots[day.DayOfWeek].Select(slot => new PlannedSlot(slot, seats[slot.Id], Substitutes(slot, day, seats[slot.Id])))]);
    }

    private Seat SeatOf(Slot slot, DateOnly day, ChildId child, bool isStandIn)
    {
        if (!_attendees.TryGetValue(child, out var attendee)) return new Seat(child, [], NotPlaced.Gone, isStandIn);
        if ((timetable.InTheWay(slot, day, attendee) ?? (IsElsewhere(slot, child) ? NotPlaced.Elsewhere : null)) is { } why)
            return new Seat(child, [], why, isStandIn);
        _coming.Add((slot, child));
        return new Seat(child, Assign(attendee, day, slot.Minutes), null, isStandIn);
    }

    /// <summary>What is due of a child as far as there is time; where nothing is, what they do regularly, or else whenever.</summary>
    private List<Job> Assign(Attendee attendee, DateOnly day, int minutes)
    {
        var jobs = new List<Job>();
        foreach (var job in attendee.Jobs.Where(job => job.Need == JobNeed.Due && job.Due <= day && !_placed.Contains(job)))
        {
            // The first is done also where the slot is short.
            if (jobs.Count > 0 && job.Minutes > minutes) continue;
            jobs.Add(job);
            minutes -= job.Minutes;
        }
        if (jobs.Count == 0 && attendee.Jobs.FirstOrDefault(job => job.Need != JobNeed.Due) is { } other) jobs.Add(other);
        _placed.UnionWith(jobs);
        return jobs;
    }

    private void FillFree(Slot slot, DateOnly day, JobNeed need, List<Seat> seats)
    {
        var left = slot.Minutes - seats.Sum(seat => seat.Jobs.Sum(job => job.Minutes));
        foreach (var job in attendees.SelectMany(attendee => attendee.Jobs)
            .Where(job => job.Need == need && job.Due <= day && !_placed.Contains(job)).OrderBy(job => job.Due).ThenBy(job => job.Child))
        {
            if (left <= 0 || seats.Count >= Slot.MostChildren) return;
            if (job.Minutes > left && seats.Count > 0) continue;
            var attendee = _attendees[job.Child];
            if (HasOwnSlot(attendee, day) || !CanCome(slot, day, attendee) || timetable.IsKeptApart(job.Child, Coming(seats))) continue;
            seats.Add(new Seat(job.Child, [job]));
            _coming.Add((slot, job.Child));
            _placed.Add(job);
            left -= job.Minutes;
        }
    }

    private List<ChildId> Substitutes(Slot slot, DateOnly day, List<Seat> seats)
    {
        var empty = seats.Count(seat => seat.Why is not null) - seats.Count(seat => seat.IsStandIn && seat.Why is null);
        if (empty <= 0) return [];
        var missing = seats.Where(seat => seat.Why is not null).Select(seat => _attendees.GetValueOrDefault(seat.Child)).OfType<Attendee>()
            .ToList();
        return
        [
            .. attendees
                .Where(attendee => attendee.Jobs.Count > 0 && !_coming.Exists(each => each.Child == attendee.Child)
                && !seats.Exists(seat => seat.Child == attendee.Child) && CanCome(slot, day, attendee)
                && !timetable.IsKeptApart(attendee.Child, Coming(seats)))
                .OrderBy(attendee => missing.Exists(other => other.Need is not null && other.Need == attendee.Need) ? 0 : 1)
                .ThenBy(attendee => attendee.Jobs[0].Need == JobNeed.Due && attendee.Jobs[0].Due <= day ? 0 : 1)
                .ThenBy(attendee => missing.Select(other => Math.Abs(other.Level - attendee.Level)).DefaultIfEmpty(0).Min())
                .ThenBy(attendee => _placed.Contains(attendee.Jobs[0]) ? 1 : 0)
                .ThenBy(attendee => attendee.Jobs[0].Due)
                .Take(Timetable.MostSubstitutes)
                .Select(attendee => attendee.Child),
        ];
    }

    private static IEnumerable<ChildId> Coming(List<Seat> seats) => seats.Where(seat => seat.Why is null).Select(seat => seat.Child);

    private bool CanCome(Slot slot, DateOnly day, Attendee attendee) => timetable.InTheWay(slot, day, attendee) is null
        && !IsElsewhere(slot, attendee.Child);

    private bool IsElsewhere(Slot slot, ChildId child) =>
        _coming.Exists(each => each.Child == child && (each.Slot.Id == slot.Id || each.Slot.Overlaps(slot)));

    /// <summary>Whether a child comes to a slot of their own on a day or later in these days: what is due is done there.</summary>
    private bool HasOwnSlot(Attendee attendee, DateOnly day)
    {
        for (var later = day; later <= to; later = later.AddDays(1))
        {
            if (timetable.Year.IsOpen(later)
                && _slots[later.DayOfWeek]
                .Any(slot => slot.Children.Contains(attendee.Child) && timetable.InTheWay(slot, later, attendee) is null)) return true;
        }
        return false;
    }

    private bool IsOver(Slot slot, DateOnly day) => day == from && now is { } time && slot.IsOverAt(time);

    private NotPlaced WhyNot(Job job)
    {
        var attendee = _attendees[job.Child];
        var (barred, away, any) = (false, default(NotPlaced?), false);
        for (var day = from; day <= to; day = day.AddDays(1))
        {
            if (!timetable.Year.IsOpen(day) || job.Due > day) continue;
            foreach (var slot in _slots[day.DayOfWeek].Where(slot => slot.IsFree || slot.Children.Contains(job.Child)))
            {
                switch (timetable.InTheWay(slot, day, attendee))
                {
                    case null: any = true; break;
                    case NotPlaced.Barred: barred = true; break;
                    case var why: away = why; break;
                }
            }
        }
        return any ? NotPlaced.NoRoom : away ?? (barred ? NotPlaced.Barred : NotPlaced.NoSlot);
    }
}
