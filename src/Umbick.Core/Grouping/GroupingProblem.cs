namespace Umbick.Core.Grouping;

/// <summary>A child of a problem, by number.</summary>
/// <param name="Seats">How many usual slots they are to have, 1 or more.</param>
/// <param name="Pattern">The number of their pattern.</param>
/// <param name="Class">The number of their class; each whose class is not known has one of their own.</param>
/// <param name="IsInRechecks">Whether they are only looked at again.</param>
/// <param name="Slots">The slots that they can come to.</param>
/// <param name="Now">The slots that they have now.</param>
public sealed record ProblemChild(
    int Seats, int Pattern, int Class, bool IsInRechecks, IReadOnlyList<int> Slots, IReadOnlyList<int> Now);

/// <summary>A slot of a problem, by number.</summary>
/// <param name="Day">The day of the week.</param>
/// <param name="Teacher">The number of its teacher.</param>
/// <param name="Minutes">How long it is.</param>
public sealed record ProblemSlot(int Day, int Teacher, int Minutes);

/// <summary>
/// Which children come to which slots, as a problem of numbers: nothing in it says who anybody is, so that it can be handed to another
/// process.
/// </summary>
/// <param name="Children">The children.</param>
/// <param name="Slots">The slots that may be filled.</param>
/// <param name="Apart">Pairs of children who are not in one group, the smaller number first.</param>
/// <param name="MostFilled">How many slots may be filled.</param>
public sealed record GroupingProblem(
    IReadOnlyList<ProblemChild> Children, IReadOnlyList<ProblemSlot> Slots, IReadOnlyList<IReadOnlyList<int>> Apart, int MostFilled)
{
    /// <summary>How many of a child's seats a slot fills: a long one fills several.</summary>
    public int SeatsIn(int slot, int child) => Math.Clamp(Slots[slot].Minutes / Timetabling.Slot.Usual, 1, Children[child].Seats);
}

/// <summary>
/// What a plan is worth. A child more in the plan goes before all else; then more of their minutes; then that nobody is moved; and last
/// that
/// a group comes from one class, that a child has one teacher, and that slots are left free.
/// </summary>
public static class PlanWorth
{
    /// <summary>What each part is worth. The first goes before all the others together, in a school of any size that is planned.</summary>
    public const long Placed = 1_000_000, Practised = 2_000, FurtherSeat = 1_000, Stays = 300, OtherTeacher = -30, OtherClass = -20,
        FilledSlot = -10;

    /// <summary>Reckons it.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">For each child the slots that they come to.</param>
    public static long Of(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> plan)
    {
        var worth = 0L;
        foreach (var (slots, child) in plan.Select((slots, child) => (slots, child)))
        {
            if (slots.Count == 0) continue;
            var known = problem.Children[child];
            worth += Placed + (known.IsInRechecks ? 0 : Practised)
                + (FurtherSeat * (slots.Sum(slot => problem.SeatsIn(slot, child)) - 1))
                + (Stays * slots.Count(known.Now.Contains))
                + (OtherTeacher * (slots.Select(slot => problem.Slots[slot].Teacher).Distinct().Count() - 1));
        }
        foreach (var filled in Filled(plan))
            worth += FilledSlot + (OtherClass * (filled.Select(child => problem.Children[child].Class).Distinct().Count() - 1));
        return worth;
    }

    /// <summary>How many children more a plan could place than this one does, at most.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="bound">What no plan is worth more than.</param>
    public static int MoreAtMost(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> plan, long bound)
    {
        // A plan costs no more than this, so that whoever places so many is worth at least that much less.
        var costs = -problem.Slots.Count * (FilledSlot + (OtherClass * Together.MostInRechecks))
            - (problem.Children.Count * 5 * OtherTeacher);
        var placed = plan.Count(slots => slots.Count > 0);
        return (int)Math.Clamp(((bound + costs) / Placed) - placed, 0, problem.Children.Count - placed);
    }

    private static IEnumerable<IReadOnlyList<int>> Filled(IReadOnlyList<IReadOnlyList<int>> plan) =>
        plan.SelectMany((slots, child) => slots.Select(slot => (Slot: slot, Child: child))).GroupBy(seat => seat.Slot)
            .Select(seats => (IReadOnlyList<int>)[.. seats.Select(seat => seat.Child)]);
}

/// <summary>What is handed to whoever looks for a better plan.</summary>
/// <param name="Problem">The problem.</param>
/// <param name="Start">A plan to begin with.</param>
public sealed record PlanAsked(GroupingProblem Problem, IReadOnlyList<IReadOnlyList<int>> Start);
