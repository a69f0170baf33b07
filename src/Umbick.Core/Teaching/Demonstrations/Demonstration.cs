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

    /// <summary>The demonstration with this id, or null.</summary>
    public static Demonstration? Find(string? id) => All.FirstOrDefault(one => one.Id == id);

    /// <summary>
    /// The demonstrations for a pattern: first those that were not shown to a child yet, then those shown longest ago; among equals those that
    /// name it sooner. What did not help is not said over again in the same words.
    /// </summary>
    /// <param name="pattern">The pattern.</param>
    /// <param name="shown">The ids of those that were shown, the latest first.</param>
    public static IReadOnlyList<Demonstration> Offered(Pattern pattern, IReadOnlyList<string> shown) =>
        [.. All.Where(one => one.For.Contains(pattern.Id)).OrderByDescending(one => shown.Contains(one.Id) ? shown.Index().First(before => before.Item == one.Id).Index : int.MaxValue).ThenBy(one => one.For.Index().First(named => named.Item == pattern.Id).Index)];
}
