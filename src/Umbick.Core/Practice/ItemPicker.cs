using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>Picks items one after another so that no task and time comes twice and hours and minutes are spread.</summary>
internal sealed class ItemPicker(int seed)
{
    private readonly Random _random = new(seed);
    private readonly List<(string Task, ClockTime Time)> _picked = [];

    /// <summary>Picks the item least like those picked before; among equals, by the seed.</summary>
    /// <exception cref="InvalidOperationException">Every item has been picked already.</exception>
    public Item Pick(IReadOnlyList<Item> items) => PickFirstOf(items);

    /// <summary>Picks from the first of some lists that still has an item.</summary>
    /// <exception cref="InvalidOperationException">Every item of every list has been picked already.</exception>
    public Item PickFirstOf(params IReadOnlyList<Item>[] lists)
    {
        foreach (var items in lists)
        {
            var open = items
                .Where(item => !_picked.Contains((item.Task.Id, item.Time)))
                .Select(item => (Item: item, Cost: Cost(item.Time) + _random.NextDouble()))
                .ToList();
            if (open.Count == 0) continue;
            var best = open.MinBy(item => item.Cost).Item;
            _picked.Add((best.Task.Id, best.Time));
            return best;
        }
        throw new InvalidOperationException("A set needs more times than this stage has.");
    }

    private double Cost(ClockTime time) => _picked.Sum(earlier =>
        (earlier.Time == time ? 20 : 0) + (earlier.Time.Hour == time.Hour ? 3 : 0) + (earlier.Time.Minute == time.Minute ? 1.5 : 0));
}
