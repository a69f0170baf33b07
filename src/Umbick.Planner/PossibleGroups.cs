using Umbick.Core.Grouping;

namespace Umbick.Planner;

/// <summary>Every group that the rules allow, the smaller ones first.</summary>
internal static class PossibleGroups
{
    /// <summary>Lists them, each by its children's numbers in order.</summary>
    public static IEnumerable<IReadOnlyList<int>> Of(GroupingProblem problem)
    {
        var apart = problem.Apart.Select(pair => (pair[0], pair[1])).ToHashSet();
        var groups = Enumerable.Range(0, problem.Children.Count).Select(child => (IReadOnlyList<int>)[child]).ToList();
        for (var size = 1; size <= Together.MostInRechecks && groups.Count > 0; size++)
        {
            foreach (var group in groups) yield return group;
            groups = [.. groups.SelectMany(group => Enumerable.Range(group[^1] + 1, problem.Children.Count - group[^1] - 1)
                .Where(child => Takes(group, child)).Select(child => (IReadOnlyList<int>)[.. group, child]))];
        }

        bool Takes(IReadOnlyList<int> group, int child) =>
            group.All(other => !apart.Contains((other, child)))
            && (group.Count < Together.Most || group.Append(child).All(each => problem.Children[each].IsInRechecks))
            && group.Append(child).Select(each => problem.Children[each].Pattern).Distinct().Count() <= Together.MostPatterns;
    }
}
