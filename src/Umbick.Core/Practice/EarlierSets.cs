using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>The sets that a child had before: the next one differs from them.</summary>
/// <param name="Sets">The items of each in order, the latest set first.</param>
public sealed record EarlierSets(IReadOnlyList<IReadOnlyList<Item>> Sets)
{
    /// <summary>No task and time of so many sets before comes again while the stage has others.</summary>
    public const int Apart = 3;

    private readonly Dictionary<(ClockTask, ClockTime), int> _lately = Sets.Take(Apart).Index()
        .SelectMany(set => set.Item.Select(item => (Asked: (item.Task, item.Time), Lately: Apart - set.Index)))
        .GroupBy(asked => asked.Asked).ToDictionary(same => same.Key, same => same.Max(asked => asked.Lately));

    /// <summary>None.</summary>
    public static EarlierSets None { get; } = new([]);

    /// <summary>The sets of several children who practise together: what one of them had lately, all had.</summary>
    public static EarlierSets Together(IReadOnlyList<EarlierSets> each) => each.Count == 1 ? each[0]
        : new([.. Enumerable.Range(0, each.Max(sets => sets.Sets.Count))
            .Select(place => (IReadOnlyList<Item>)[.. each.SelectMany(sets => sets.Sets.ElementAtOrDefault(place) ?? [])])]);

    /// <summary>How lately a task and time was asked: 3 in the set before, 0 in none of the last three.</summary>
    internal int Lately(ClockTask task, ClockTime time) => _lately.GetValueOrDefault((task, time));

    /// <summary>
    /// Whether the next claim is to be true: what was the rarer so far, so that it is half the time and never three alike running; null
    /// where both were as often.
    /// </summary>
    internal bool? NextClaimIsTrue
    {
        get
        {
            var claims = Sets.SelectMany(set => set).Where(item => item.Task == ClockTasks.Judge).ToList();
            var balance = claims.Sum(item => item.ClaimIsRight ? 1 : -1);
            return balance == 0 ? null : balance < 0;
        }
    }

    /// <summary>The places of the claims in the set before.</summary>
    internal IReadOnlyList<int> ClaimedAt => Sets.Count == 0 ? []
        : [.. Sets[0].Index().Where(item => IsClaim(item.Item.Task)).Select(item => item.Index)];

    /// <summary>
    /// What the chance in a set is drawn from: another for each child, pattern and set, and the same whenever it is asked for.
    /// </summary>
    /// <param name="child">Whose set it is.</param>
    /// <param name="pattern">What it is for; null for reading at ease.</param>
    /// <param name="variant">Which of the sets that could be given now, from 0.</param>
    public int SeedFor(Guid child, Pattern? pattern, int variant = 0)
    {
        // A hash code of .NET's own differs from run to run.
        var seed = 2166136261u;
        foreach (var part in child.ToByteArray().Concat(System.Text.Encoding.UTF8.GetBytes(pattern?.Id ?? ""))
            .Concat(BitConverter.GetBytes(Sets.Count)).Concat(BitConverter.GetBytes(variant)))
            seed = unchecked((seed ^ part) * 16777619u);
        return unchecked((int)seed);
    }

    private static bool IsClaim(ClockTask task) => task == ClockTasks.Judge || task == ClockTasks.RepairClock;
}
