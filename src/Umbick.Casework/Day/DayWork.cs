using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>The work of a day, and of the rest of its week.</summary>
/// <param name="Today">The day.</param>
/// <param name="Now">The time that it is.</param>
/// <param name="Timetable">The timetable.</param>
/// <param name="Days">The days from today to the end of the week; the first is today.</param>
/// <param name="Unplaced">What is due this week and has no time, with why.</param>
/// <param name="Children">Everybody on the caseload.</param>
/// <param name="Jobs">What each job is.</param>
/// <param name="Active">Who is in active work.</param>
public sealed record DayWork(
    DateOnly Today, TimeOnly Now, Timetable Timetable, IReadOnlyList<DayPlan> Days, IReadOnlyList<(ChildJob Job, NotPlaced Why)> Unplaced,
    IReadOnlyDictionary<ChildId, CaseloadChild> Children, IReadOnlyDictionary<Job, ChildJob> Jobs, IReadOnlySet<ChildId> Active)
{
    /// <summary>The teacher whose slots are looked at; null: the whole school's.</summary>
    public PersonId? Whose { get; private init; }

    /// <summary>Today's plan, as far as it is looked at.</summary>
    public DayPlan Plan => Of(Days[0]);

    /// <summary>A day as far as it is looked at: a teacher's own slots, and those that have no teacher.</summary>
    public DayPlan Of(DayPlan day) => Whose is { } teacher
        ? day with { Slots = [.. day.Slots.Where(slot => slot.Slot.Teacher is not { } other || other == teacher)] } : day;

    /// <summary>Whether others have slots of their own, so that a teacher's day is not the school's.</summary>
    public bool IsShared(PersonId teacher) => Timetable.Slots.Any(slot => slot.Teacher is { } other && other != teacher);

    /// <summary>The day of one teacher.</summary>
    public DayWork OfTeacher(PersonId teacher) => this with { Whose = teacher };

    /// <summary>Whether a child was seen today.</summary>
    public bool IsSeen(ChildId child) => Children.TryGetValue(child, out var known) && known.Child.LastSeen == Today;

    /// <summary>
    /// The slot that is on or comes next: the first that is not over and has somebody who comes and was not seen yet. Null where the day is
    /// done.
    /// </summary>
    public PlannedSlot? Next =>
        Plan.Slots.FirstOrDefault(slot => !slot.Slot.IsOverAt(Now) && slot.Seats.Any(seat => seat.Why is null && !IsSeen(seat.Child)));

    /// <summary>What is due today of children who do not come today.</summary>
    public IReadOnlyList<ChildJob> DueElsewhere =>
        [.. Jobs.Values.Where(job =>
            job.Job.Need == JobNeed.Due && job.Job.Due <= Today
                && !Days[0].Slots.SelectMany(slot => slot.Seats).Any(seat => seat.Jobs.Contains(job.Job)))];

    /// <summary>What a child practises first; null where that is nothing.</summary>
    public Pattern? NeedOf(ChildId child) =>
        Children.TryGetValue(child, out var known) && known.SummaryOn(Today).ToPractise is [var first, ..] ? first : null;

    /// <summary>Why a child could come in an empty place of a slot, in a few words.</summary>
    public string InsteadInWords(PlannedSlot slot, ChildId child, Wording wording) => NeedOf(child) is { } need
        && slot.Seats.Any(seat => seat.Why is not null && NeedOf(seat.Child) == need) ? $"also {need.TextsIn(wording).Reads}"
        : Jobs.Values.FirstOrDefault(job => job.Job.Child == child) is { } job ? JobNames.NameOf(job.What) : "";

    /// <summary>Children for whom a decision is to be taken.</summary>
    public IReadOnlyList<CaseloadChild> ToDecide => [.. Children.Values.Where(child => child.SummaryOn(Today).Offers.Count > 0)];

    /// <summary>Children of whom nothing is known yet.</summary>
    public IReadOnlyList<CaseloadChild> NotAssessed => [.. Children.Values.Where(child => child.Child.Sittings == 0)];

    /// <summary>Those who could be practised with and wait, for others are in active work.</summary>
    public IReadOnlyList<CaseloadChild> Waiting =>
        [.. Children.Values.Where(child => child.SummaryOn(Today).CouldWork && !Active.Contains(child.Child.Id))];

    /// <summary>Loads the work of a day, as it is at a time where the school is.</summary>
    public static async Task<DayWork> Load(SchoolConnection connection, ReadingModel model, DateOnly today, TimeOnly now)
    {
        var end = SchoolYear.Monday(today).AddDays(4) is var friday && friday < today ? today : friday;
        var caseload = await Caseload.Load(connection, model);
        var timetable = await Timetables.Load(connection, today, end);
        return Build(caseload, timetable, today, end, now);
    }

    /// <summary>Puts the work of some days together.</summary>
    public static DayWork Build(IReadOnlyList<CaseloadChild> caseload, Timetable timetable, DateOnly today, DateOnly end, TimeOnly now)
    {
        var jobs = caseload.ToDictionary(child => child.Child.Id, child => ChildJob.For(child, today, end));
        var known = jobs.Values.SelectMany(each => each).ToDictionary(job => job.Job);
        var (days, unplaced) = timetable.Fill(
            [.. caseload.Select(child =>
                new Attendee(child.Child.Id, child.Child.ClassName, [.. jobs[child.Child.Id].Select(job => job.Job)])
                {
                    Need = child.SummaryOn(today).ToPractise is [var first, ..] ? first.Id : null,
                    Level = (int)child.Child.Stage
                })], today, end, now);
        return new DayWork(
            today, now, timetable, days, [.. unplaced.Select(job => (known[job.Job], job.Why))],
            caseload.ToDictionary(child => child.Child.Id), known, InActiveWork(caseload, timetable, today));
    }

    /// <summary>Who is in active work.</summary>
    public static async Task<IReadOnlySet<ChildId>> InActiveWork(
        SchoolConnection connection, IEnumerable<CaseloadChild> caseload, DateOnly today) =>
        InActiveWork(caseload, await Timetables.Load(connection, today, today), today);

    /// <summary>Who is in active work.</summary>
    public static IReadOnlySet<ChildId> InActiveWork(IEnumerable<CaseloadChild> caseload, Timetable timetable, DateOnly today)
    {
        var withSlot = timetable.Slots.SelectMany(slot => slot.Children).ToHashSet();
        return ActiveWork.Choose(
            caseload.Where(child => child.SummaryOn(today).CouldWork)
                .Select(child => new CouldWork(child.Child.Id, withSlot.Contains(child.Child.Id), child.Child.LastPractised,
                child.Child.AddedOn)), timetable.Year, today);
    }
}
