using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>Picks items one after another so that no task and time comes twice and hours and minutes are spread.</summary>
/// <param name="seed">The same seed picks the same.</param>
/// <param name="taken">Times to be taken last.</param>
/// <param name="before">The child's earlier sets: what they asked lately comes again only where nothing else is left, the oldest
/// first.</param>
internal sealed class ItemPicker(int seed, IReadOnlyCollection<ClockTime>? taken = null, EarlierSets? before = null)
{
    /// <summary>At most so many of a set show one hand alone, where the pattern shows with both.</summary>
    public const int MostOfOneHand = 2;

    private const double SameTime = 20;
    private const double SameHour = 3;
    private const double SameMinute = 1.5;
    private const double Stale = 10_000;

    private readonly Random _random = new(seed);
    private readonly HashSet<ClockTime> _taken = [.. taken ?? []];
    private readonly List<(ClockTask Task, ClockTime Time)> _picked = [];

    /// <summary>True or false, each half the time.</summary>
    public bool Toss() => _random.Next(2) == 0;

    /// <summary>One of some, each as often.</summary>
    public T One<T>(IReadOnlyList<T> some) => some[_random.Next(some.Count)];

    /// <summary>
    /// How far an item is to be passed over: 0 where it was in none of the child's last sets and its time is in no other child's; the more
    /// the later it was asked.
    /// </summary>
    public int Staleness(Item item) => (2 * (before?.Lately(item.Task, item.Time) ?? 0)) + (_taken.Contains(item.Time) ? 1 : 0);

    /// <summary>Whether an item need not be passed over.</summary>
    public bool IsFresh(Item item) => Staleness(item) == 0;

    /// <summary>Whether a task may come once more: of one hand alone only a few.</summary>
    public bool HasRoomFor(ClockTask task) =>
        !IsOfOneHand(task) || _picked.Count(earlier => IsOfOneHand(earlier.Task)) < MostOfOneHand;

    private static bool IsOfOneHand(ClockTask task) => task.Stimulus is Stimulus.HourHand or Stimulus.MinuteHand;

    /// <summary>
    /// The items that were not picked, each with what it would cost: much like those that were is dear. Equals differ by the seed.
    /// </summary>
    public IReadOnlyList<(Item Item, double Cost)> Weigh(IEnumerable<Item> items) =>
        [.. items.Where(item => !_picked.Contains((item.Task, item.Time)))
            .Select(item => (item, CostOf(item) + _random.NextDouble()))];

    /// <summary>Picks the one that costs least; null where there is none left.</summary>
    public Item? Pick(IEnumerable<Item> items) => Weigh(items) is { Count: > 0 } open ? Use(open.MinBy(each => each.Cost).Item) : null;

    /// <summary>Takes an item as picked.</summary>
    public Item Use(Item item)
    {
        _picked.Add((item.Task, item.Time));
        return item;
    }

    private double CostOf(Item item) => (Stale * Staleness(item)) + _picked.Sum(earlier =>
        (earlier.Time == item.Time ? SameTime : 0) + (earlier.Time.Hour == item.Time.Hour ? SameHour : 0)
            + (earlier.Time.Minute == item.Time.Minute ? SameMinute : 0));
}
