using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;

namespace Umbick.Casework;

/// <summary>Something that is begun by one press: a visit for all in a slot who practise the same, or one child's job.</summary>
/// <param name="Children">Who it is with.</param>
/// <param name="What">What is done.</param>
public sealed record Beginning(IReadOnlyList<CaseloadChild> Children, WhatNext What)
{
    /// <summary>The pattern of the visit that it is; null where it is another job, which begins with the one child.</summary>
    public Pattern? VisitFor => What is { Step: NextStep.Practise, Pattern: { } pattern } ? pattern : null;

    /// <summary>What there is to begin in a slot: those who practise the same together, all else child by child.</summary>
    public static IReadOnlyList<Beginning> InSlot(DayWork work, PlannedSlot slot) =>
    [
        .. from seat in slot.Seats
           where seat.Why is null && !work.IsSeen(seat.Child)
           from job in seat.Jobs
           let what = work.Jobs[job].What
           group work.Children[seat.Child] by what.Step == NextStep.Practise ? (what.Step, what.Pattern?.Id, default(ChildId))
               : (what.Step, what.Pattern?.Id, seat.Child) into same
           select new Beginning([.. same], WhatOf(work, slot, same.First(), same.Key.Step, same.Key.Item2)),
    ];

    private static WhatNext WhatOf(DayWork work, PlannedSlot slot, CaseloadChild child, NextStep step, string? pattern) =>
        slot.Seats.First(seat => seat.Child == child.Child.Id).Jobs.Select(job => work.Jobs[job].What)
            .First(what => what.Step == step && what.Pattern?.Id == pattern);
}
