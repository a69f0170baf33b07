namespace Umbick.Core.Grouping;

/// <summary>
/// A plain plan: who has a place keeps it where the rules allow; each other child joins the first group that takes them; each group gets
/// one slot, the larger ones first, and then what further ones are left. It is what a better plan begins with, and what is used where none
/// can be looked for.
/// </summary>
public static class GreedyPlan
{
    /// <summary>Makes it.</summary>
    /// <returns>For each child the slots that they come to.</returns>
    public static IReadOnlyList<IReadOnlyList<int>> Make(GroupingProblem problem) => new Making(problem).Make();

    private sealed record Group(List<int> Slots, List<int> Children);

    private sealed class Making(GroupingProblem problem)
    {
        private readonly HashSet<(int, int)> _apart = problem.Apart.Select(pair => (pair[0], pair[1])).ToHashSet();
        private readonly List<Group> _groups = [];

        public IReadOnlyList<IReadOnlyList<int>> Make()
        {
            // Who is practised with goes first, and of those the ones who can come to the fewest slots.
            var order = Enumerable.Range(0, problem.Children.Count).OrderBy(child => problem.Children[child].IsInRechecks)
                .ThenBy(child => problem.Children[child].Slots.Count).ThenBy(child => child).ToList();
            foreach (var child in order.Where(child => problem.Children[child].Now.Count > 0)) Keep(child);
            foreach (var child in order.Where(child => !_groups.Exists(group => group.Children.Contains(child))))
            {
                if (_groups.Find(group => Takes(group, child)) is { } group) group.Children.Add(child);
                else _groups.Add(new Group([], [child]));
            }
            var byNeed = _groups.OrderByDescending(group => group.Slots.Count > 0).ThenByDescending(group => group.Children.Count)
                .ThenBy(group => Common(group).Count()).ToList();
            foreach (var group in byNeed.Where(group => group.Slots.Count == 0)) Give(group);
            // Nobody waits for a first slot by now: what is left is shared out, one at a time.
            var given = true;
            while (given)
            {
                given = false;
                foreach (var group in byNeed.Where(group => group.Slots.Count > 0)) given |= Give(group);
            }
            return [.. Enumerable.Range(0, problem.Children.Count)
                .Select(child => _groups.Find(group => group.Children.Contains(child))!.Slots)];
        }

        /// <summary>Whoever comes to the same slots as another now stays with them, where the two may still be together.</summary>
        private void Keep(int child)
        {
            List<int> slots = [];
            foreach (var slot in problem.Children[child].Now.Where(problem.Children[child].Slots.Contains).Order())
            {
                if (Fits([child], slots, slot)) slots.Add(slot);
            }
            if (slots.Count == 0) return;
            if (_groups.Find(group => group.Slots.SequenceEqual(slots)) is { } same)
            {
                if (Takes(same, child)) same.Children.Add(child);
            }
            else if (slots.TrueForAll(IsLeft) && Filled + slots.Count <= problem.MostFilled) _groups.Add(new Group(slots, [child]));
        }

        private bool Takes(Group group, int child)
        {
            var with = group.Children.Append(child).ToList();
            return with.Count <= (with.TrueForAll(each => problem.Children[each].IsInRechecks) ? Together.MostInRechecks : Together.Most)
                && group.Children.TrueForAll(other => !_apart.Contains((Math.Min(other, child), Math.Max(other, child))))
                && with.Select(each => problem.Children[each].Pattern).Distinct().Count() <= Together.MostPatterns
                && group.Slots.TrueForAll(problem.Children[child].Slots.Contains)
                && group.Slots.Sum(slot => problem.SeatsIn(slot, child)) <= problem.Children[child].Seats
                && (group.Slots.Count > 0 || Common(new Group([], with)).Any());
        }

        /// <summary>Gives a group one slot more, where there is one for all of it.</summary>
        private bool Give(Group group)
        {
            if (Filled >= problem.MostFilled) return false;
            var slots = Common(group).Where(slot => IsLeft(slot) && Fits(group.Children, group.Slots, slot)).Take(1).ToList();
            group.Slots.AddRange(slots);
            return slots.Count > 0;
        }

        private bool Fits(List<int> children, List<int> slots, int slot) =>
            !slots.Exists(other => problem.Slots[other].Day == problem.Slots[slot].Day)
            && children.TrueForAll(child =>
                slots.Append(slot).Sum(each => problem.SeatsIn(each, child)) <= problem.Children[child].Seats);

        private IEnumerable<int> Common(Group group) => group.Children.Skip(1).Aggregate(
            problem.Children[group.Children[0]].Slots.AsEnumerable(), (common, child) => common.Intersect(problem.Children[child].Slots));

        private bool IsLeft(int slot) => !_groups.Exists(group => group.Slots.Contains(slot));

        private int Filled => _groups.Sum(group => group.Slots.Count);
    }
}
