namespace Umbick.Core.Timetabling;

/// <summary>What is fixed for a term, and what is known of single days.</summary>
/// <param name="Year">The school's year.</param>
/// <param name="Slots">The slots. They are filled and never moved.</param>
/// <param name="Barred">When classes may not be fetched.</param>
/// <param name="Absences">Who cannot come on which day.</param>
/// <param name="StandIns">Who comes in another's place on which day.</param>
public sealed record Timetable(
    SchoolYear Year, IReadOnlyList<Slot> Slots, IReadOnlyList<BarredTime> Barred, IReadOnlyList<Absence> Absences,
    IReadOnlyList<StandIn> StandIns)
{
    /// <summary>Pairs of children who are not to be seen together, whichever is named first.</summary>
    public IReadOnlyList<(ChildId One, ChildId Other)> KeptApart { get; init; } = [];

    /// <summary>Whether a child is to be kept apart from one of some others.</summary>
    public bool IsKeptApart(ChildId child, IEnumerable<ChildId> others) =>
        KeptApart.Count > 0 && others.Any(other => KeptApart.Contains((child, other)) || KeptApart.Contains((other, child)));

    /// <summary>How many are offered in the place of a child who does not come.</summary>
    public const int MostSubstitutes = 3;

    /// <summary>
    /// Puts jobs into the slots of some days. Whoever has slots of their own is seen there, what is due first; what is due of the others
    /// goes into the slots that are kept free, the longest due first; and what can be done whenever takes what room is left.
    /// </summary>
    /// <param name="attendees">The children.</param>
    /// <param name="from">The first day.</param>
    /// <param name="to">The last day.</param>
    /// <param name="now">The time that it is on the first day: no free slot that is over by then is filled. Null: none is over.</param>
    /// <returns>The days, and what was due and has no time in them.</returns>
    public (IReadOnlyList<DayPlan> Days, IReadOnlyList<UnplacedJob> Unplaced) Fill(
        IReadOnlyList<Attendee> attendees, DateOnly from, DateOnly to, TimeOnly? now = null) =>
        new TimetableFilling(this, attendees, from, to, now).Make();

    /// <summary>Why a child cannot come to a slot on a day, as far as the timetable says; null where they can.</summary>
    public NotPlaced? InTheWay(Slot slot, DateOnly day, Attendee attendee)
    {
        if (Absences.FirstOrDefault(absence => absence.Child == attendee.Child && absence.Day == day) is { } absence)
            return absence.IsAbsent ? NotPlaced.Absent : NotPlaced.NotReleased;
        return Barred.Any(barred => barred.Bars(slot, attendee.Class)) ? NotPlaced.Barred : null;
    }
}
