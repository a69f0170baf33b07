namespace Umbick.Core.Grouping;

/// <summary>The rules that every plan keeps, whoever made it.</summary>
public static class PlanRules
{
    /// <summary>The first rule that a plan breaks; null where it breaks none.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">For each child the slots that they come to.</param>
    public static string? Broken(GroupingProblem problem, IReadOnlyList<IReadOnlyList<int>> plan)
    {
        if (plan.Count != problem.Children.Count) return "it is of other children";
        for (var child = 0; child < plan.Count; child++)
        {
            var (known, slots) = (problem.Children[child], plan[child]);
            if (slots.Any(slot => !known.Slots.Contains(slot))) return "a child cannot come to a slot";
            if (slots.GroupBy(slot => problem.Slots[slot].Day).Any(day => day.Count() > 1)) return "a child comes twice a day";
            if (slots.Sum(slot => problem.SeatsIn(slot, child)) > known.Seats) return "a child has more minutes than they are to have";
        }
        var filled = plan.SelectMany((slots, child) => slots.Select(slot => (Slot: slot, Child: child)))
            .GroupBy(seat => seat.Slot, seat => seat.Child).Select(seats => seats.ToList()).ToList();
        if (filled.Count > problem.MostFilled) return "too few slots are kept free";
        var apart = problem.Apart.Select(pair => (pair[0], pair[1])).ToHashSet();
        foreach (var group in filled)
        {
            if (group.Exists(child => group.Exists(other => apart.Contains((child, other))))) return "two are together who are not to be";
            if (group.Select(child => problem.Children[child].Pattern).Distinct().Count() > Together.MostPatterns)
                return "a group has more than two patterns";
            if (group.Count > (group.TrueForAll(child => problem.Children[child].IsInRechecks) ? Together.MostInRechecks : Together.Most))
                return "a group is too large";
            if (group.Exists(child => !plan[child].Order().SequenceEqual(plan[group[0]].Order()))) return "a group is not always the same";
        }
        return null;
    }
}
