namespace Umbick.Core.Timetabling;

/// <summary>Why a child does not come to a slot, or a job has no time.</summary>
public enum NotPlaced
{
    /// <summary>The child is not there that day.</summary>
    Absent,

    /// <summary>The class did not let the child go.</summary>
    NotReleased,

    /// <summary>The class may not be fetched then.</summary>
    Barred,

    /// <summary>The child is in another slot at that time.</summary>
    Elsewhere,

    /// <summary>The child has left the caseload.</summary>
    Gone,

    /// <summary>Every slot that they could come to is full.</summary>
    NoRoom,

    /// <summary>The timetable has no slot that they could come to.</summary>
    NoSlot,
}

/// <summary>A child in a slot on one day.</summary>
/// <param name="Child">The child.</param>
/// <param name="Jobs">What is done with them, in order; none where nothing is due.</param>
/// <param name="Why">Why they do not come; null where they do.</param>
/// <param name="IsStandIn">Whether they come in another's place.</param>
public sealed record Seat(ChildId Child, IReadOnlyList<Job> Jobs, NotPlaced? Why = null, bool IsStandIn = false);

/// <summary>A slot on one day.</summary>
/// <param name="Slot">The slot, as it stands in the timetable.</param>
/// <param name="Seats">Who comes, and who does not.</param>
/// <param name="Substitutes">Who could come where a seat is empty: those with the same need first, then those with
/// something due, the nearer in what they are taught the sooner.</param>
public sealed record PlannedSlot(Slot Slot, IReadOnlyList<Seat> Seats, IReadOnlyList<ChildId> Substitutes);

/// <summary>One day of the plan.</summary>
/// <param name="Day">The day.</param>
/// <param name="Holiday">Its holiday; null where the school is open or it is a weekend.</param>
/// <param name="Slots">Its slots by time; none where the school is shut.</param>
public sealed record DayPlan(DateOnly Day, Holiday? Holiday, IReadOnlyList<PlannedSlot> Slots);

/// <summary>A job that was due and has no time.</summary>
/// <param name="Job">The job.</param>
/// <param name="Why">Why.</param>
public sealed record UnplacedJob(Job Job, NotPlaced Why);
