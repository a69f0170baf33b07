using Umbick.Core.Patterns;

namespace Umbick.Core.Teaching;

/// <summary>A way to show an idea on a big clock, position by position, at the teacher's own pace.</summary>
/// <param name="Id">Its stable id, which is kept with what was shown.</param>
/// <param name="Name">What it is called.</param>
/// <param name="For">The ids of the patterns that it is for.</param>
/// <param name="Positions">The positions, in order.</param>
public sealed record Demonstration(string Id, string Name, IReadOnlyList<string> For, IReadOnlyList<Position> Positions)
{
    /// <summary>Every demonstration.</summary>
    public static IReadOnlyList<Demonstration> All { get; } =
        [.. HandsAndHours.All, .. CountingMinutes.All, .. PastAndTo.All, .. WritingTimes.All, .. SettingHands.All, .. AroundTheDay.All];

    /// <summary>What calls it to mind for those who have seen it: its contrast; all of it where it has none.</summary>
    public IReadOnlyList<Position> Reminder => Positions.Any(position => position.IsContrast)
        ? [.. Positions.Where(position => position.IsContrast)] : Positions;

    /// <summary>Whether it is for a pattern, or for one that the pattern may be.</summary>
    public bool IsFor(Pattern pattern) => For.Contains(pattern.Id) || pattern.Either.Any(For.Contains);

    /// <summary>
    /// The one to propose: what was shown last is called to mind, unless the approach is to change; then, and at first, one not shown yet.
    /// </summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="shown">The ids of those that were shown, the latest first.</param>
    /// <param name="changesApproach">Whether what was shown has not helped.</param>
    public static Demonstration Proposed(Pattern pattern, IReadOnlyList<string> shown, bool changesApproach)
    {
        var offered = Offered(pattern, shown);
        return changesApproach ? offered[0]
            : shown.Select(id => offered.FirstOrDefault(demonstration => demonstration.Id == id))
            .FirstOrDefault(demonstration => demonstration is not null) ?? offered[0];
    }

    /// <summary>The demonstration with this id, or null.</summary>
    public static Demonstration? Find(string? id) => All.FirstOrDefault(demonstration => demonstration.Id == id);

    /// <summary>
    /// The demonstrations for a pattern: first those that were not shown to a child yet, then those shown longest ago; among equals those
    /// that name it sooner. What did not help is not said over again in the same words.
    /// </summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="shown">The ids of those that were shown, the latest first.</param>
    public static IReadOnlyList<Demonstration> Offered(Pattern pattern, IReadOnlyList<string> shown) =>
        [.. All.Where(demonstration => demonstration.IsFor(pattern))
            .OrderByDescending(demonstration =>
            shown.Contains(demonstration.Id) ? shown.Index().First(before => before.Item == demonstration.Id).Index : int.MaxValue)
                .ThenBy(demonstration => demonstration.For.Index().First(named =>
                named.Item == pattern.Id || pattern.Either.Contains(named.Item)).Index)];
}
