using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>Minutes read off a hand.</summary>
/// <param name="Minutes">The minutes said; a muddled count can pass 59.</param>
/// <param name="HoursOn">How many hours on from the hour read: 1 where the coming hour is said with them.</param>
public readonly record struct MinutesRead(int Minutes, int HoursOn = 0);

/// <summary>Which minutes are read off a hand.</summary>
/// <param name="read">From the tick the hand is at (0 to 59) and where the hour hand points, to the minutes.</param>
public sealed class MinutesWay(Func<int, double, IReadOnlyList<Weighted<MinutesRead>>> read) : Way(Step.Minutes)
{
    /// <summary>The same way, but o'clock, half and quarters are known as wholes and come out right.</summary>
    public MinutesWay WithBenchmarks() =>
        new((tick, hourPointer) => tick % 15 == 0 ? [new(new(tick), 1)] : read(tick, hourPointer));

    /// <inheritdoc/>
    public override IEnumerable<Weighted<Thought>> Read(Thought thought) =>
        read(thought.MinutePointer, thought.HourPointer).Select(minutes => new Weighted<Thought>(
            thought with
            {
                Minutes = minutes.Value.Minutes,
                Hour = thought.Hour == Thought.AnyWrong ? thought.Hour : Hours.Named(thought.Hour + minutes.Value.HoursOn),
            },
            minutes.Weight));

    /// <summary>The hand goes where her own way of reading gives the minutes asked for; where no place does, to the correct one.</summary>
    public override IEnumerable<Weighted<Thought>> Invert(Thought thought)
    {
        var places = Enumerable.Range(0, 60)
            .Select(tick => new Weighted<int>(tick, Reads(tick, thought)))
            .Where(place => place.Weight > 0)
            .ToList();
        var correct = places.Find(place => place.Value == thought.Minutes);
        if (places.Count == 0 || correct.Weight >= 0.5) places = [new(thought.Minutes, 1)];
        // A numeral is an easier place to aim at than a tick between two.
        if (places.Exists(place => place.Value % 5 == 0)) places = [.. places.Where(place => place.Value % 5 == 0)];
        var total = places.Sum(place => place.Weight);
        return places.Select(place => new Weighted<Thought>(
            thought with { Placed = thought.Placed with { Minute = place.Value } },
            place.Weight / total));
    }

    private double Reads(int tick, Thought thought) =>
        read(tick, thought.HourPointer).Where(minutes => minutes.Value.Minutes == thought.Minutes).Sum(minutes => minutes.Weight);
}
