using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Minutes read off a hand.</summary>
/// <param name="Minutes">The minutes said; a muddled count can pass 59.</param>
/// <param name="HoursOn">How many hours on from the hour read: 1 where the coming hour is said with them.</param>
/// <param name="Hour">The hour, 1 to 12, that is said with them whatever was read as the hour; null where it is the one read.</param>
public readonly record struct MinutesRead(int Minutes, int HoursOn = 0, int? Hour = null);

/// <summary>Which minutes are read off a hand.</summary>
public sealed class MinutesRule : StepRule
{
    private const int Ticks = 60;

    private readonly Func<int, bool, IReadOnlyList<Weighted<MinutesRead>>> _read;
    private readonly IReadOnlyList<Weighted<MinutesRead>>[] _reads;
    private readonly IReadOnlyList<Weighted<int>>[] _places;

    /// <summary>Makes a rule.</summary>
    /// <param name="read">From the tick the hand is at (0 to 59), and whether the hour hand is between two numerals, to the
    /// minutes.</param>
    public MinutesRule(Func<int, bool, IReadOnlyList<Weighted<MinutesRead>>> read) : base(Step.Minutes)
    {
        _read = read;
        _reads = [.. Both((tick, between) => read(tick, between))];
        _places = [.. Both(PlacesFor)];
    }

    /// <summary>The same rule, but o'clock, half and quarters are known as wholes and come out right.</summary>
    public MinutesRule WithBenchmarks() => Where(tick => tick % 15 != 0);

    /// <summary>The same rule where it holds; where it does not, the minutes come out right.</summary>
    /// <param name="holds">Whether it holds at a tick, 0 to 59.</param>
    public MinutesRule Where(Func<int, bool> holds) => new((tick, between) => holds(tick) ? _read(tick, between) : [new(new(tick), 1)]);

    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after)
    {
        foreach (var minutes in _reads[Index(reading.MinutePointer, HourRule.IsBetween(reading.HourPointer))])
        {
            var hour = reading.Hour.IsAnyWrong ? reading.Hour
                : minutes.Value.Hour ?? Hours.Named(reading.Hour.Value + minutes.Value.HoursOn);
            after.Add(reading with { Minutes = minutes.Value.Minutes, Hour = hour, HourPointer = 0, MinutePointer = 0 },
                share * minutes.Weight);
        }
    }

    /// <summary>
    /// The hand goes where their own way of reading gives the minutes asked for; where no place does, to the correct one.
    /// </summary>
    public override void Invert(in PartialReading reading, double share, PartialReadings after)
    {
        foreach (var place in _places[Index(reading.Minutes.Value, HourRule.IsBetween(reading.HourPointer))])
            after.Add(reading with { Placed = reading.Placed with { Minute = place.Value }, HourPointer = 0, MinutePointer = 0 },
                share * place.Weight);
    }

    private IReadOnlyList<Weighted<int>> PlacesFor(int minutes, bool between)
    {
        var places = Enumerable.Range(0, Ticks)
            .Select(tick => new Weighted<int>(tick,
            _reads[Index(tick, between)].Where(read => read.Value.Minutes == minutes).Sum(read => read.Weight)))
            .Where(place => place.Weight > 0)
            .ToList();
        var correct = places.Find(place => place.Value == minutes);
        if (places.Count == 0 || correct.Weight >= 0.5) return [new(minutes, 1)];
        // A numeral is an easier place to aim at than a tick between two.
        if (places.Exists(place => place.Value % 5 == 0)) places = [.. places.Where(place => place.Value % 5 == 0)];
        var total = places.Sum(place => place.Weight);
        return [.. places.Select(place => new Weighted<int>(place.Value, place.Weight / total))];
    }

    private static IEnumerable<T> Both<T>(Func<int, bool, T> of)
    {
        foreach (var between in new[] { false, true })
        {
            for (var tick = 0; tick < Ticks; tick++) yield return of(tick, between);
        }
    }

    private static int Index(int tick, bool between) => tick + (between ? Ticks : 0);
}
