using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>Picks items one after another so that no task and time comes twice and hours and minutes are spread.</summary>
/// <param name="seed">The same seed picks the same.</param>
/// <param name="taken">Times to be taken last.</param>
internal sealed class ItemPicker(int seed, IReadOnlyCollection<ClockTime>? taken = null)
{
    private const double SameTime = 20;
    private const double SameHour = 3;
    private const double SameMinute = 1.5;
    private const double TakenElsewhere = 100;

    private readonly Random _random = new(seed);
    private readonly HashSet<ClockTime> _taken = [.. taken ?? []];
    private readonly List<(ClockTask Task, ClockTime Time)> _picked = [];

    /// <summary>True or false, each half the time.</summary>
    public bool Toss() => _random.Next(2) == 0;

    /// <summary>
    /// The items that were not picked, each with what it would cost: much like those that were is dear. Equals differ by the seed.
    /// </summary>
    public IReadOnlyList<(Item Item, double Cost)> Weigh(IEnumerable<Item> items) =>
        [.. items.Where(item => !_picked.Contains((item.Task, item.Time)))
            .Select(item => (item, CostOf(item.Time) + _random.NextDouble()))];

    /// <summary>Picks the one that costs least; null where there is none left.</summary>
    public Item? Pick(IEnumerable<Item> items) => Weigh(items) is { Count: > 0 } open ? Use(open.MinBy(each => each.Cost).Item) : null;

    /// <summary>Takes an item as picked.</summary>
    public Item Use(Item item)
    {
        _picked.Add((item.Task, item.Time));
        return item;
    }

    private double CostOf(ClockTime time) => (_taken.Contains(time) ? TakenElsewhere : 0) + _picked.Sum(earlier =>
        (earlier.Time == time ? SameTime : 0) + (earlier.Time.Hour == time.Hour ? SameHour : 0)
            + (earlier.Time.Minute == time.Minute ? SameMinute : 0));
}
