using System.Collections.Concurrent;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>Which hour is read off a hand.</summary>
/// <param name="read">From where the hand points (0 ≤ x &lt; 12) to the hours that are said (1 to 12).</param>
public sealed class HourRule(Func<double, IReadOnlyList<Weighted<int>>> read) : StepRule(Step.Hour)
{
    private readonly ConcurrentDictionary<(int Hour, double Into), IReadOnlyList<Weighted<int>>> _places = new();

    /// <summary>The numeral last passed, or stood on.</summary>
    public static int LastPassed(double pointer) => Hours.Named((int)Math.Floor(pointer + 1e-9));

    /// <summary>Whether a hand stands between two numerals.</summary>
    public static bool IsBetween(double pointer) => Math.Abs(pointer - Math.Round(pointer)) > 1e-9;

    /// <inheritdoc/>
    public override void Read(in PartialReading reading, double share, PartialReadings after)
    {
        foreach (var hour in read(reading.HourPointer)) after.Add(reading with { Hour = hour.Value }, share * hour.Weight);
    }

    /// <summary>The hand goes where their own way of reading gives the hour asked for; where no place does, to the correct one.</summary>
    public override void Invert(in PartialReading reading, double share, PartialReadings after)
    {
        foreach (var place in _places.GetOrAdd((reading.Hour.Value, IntoSpace(reading.HourHandOffset)), PlacesFor))
        {
            after.Add(
                reading with
                {
                    Placed = HandPositions.Wrapped(place.Value + reading.HourHandOffset, reading.Placed.Minute),
                    Hour = 0,
                    HourHandOffset = 0
                },
                share * place.Weight);
        }
    }

    /// <summary>How far into a space the hand is thought to be: what is put on the next numeral is thought to be on its own.</summary>
    private static double IntoSpace(double offset) => Math.Abs(offset) % 1;

    private IReadOnlyList<Weighted<int>> PlacesFor((int Hour, double Into) asked)
    {
        var places = Enumerable.Range(0, 12)
            .Select(numeral => new Weighted<int>(numeral, Reads(numeral + asked.Into, asked.Hour)))
            .Where(place => place.Weight > 0)
            .ToList();
        var correct = places.Find(place => place.Value == asked.Hour % 12);
        if (places.Count == 0 || correct.Weight >= 0.5) return [new(asked.Hour % 12, 1)];
        var total = places.Sum(place => place.Weight);
        return [.. places.Select(place => new Weighted<int>(place.Value, place.Weight / total))];
    }

    private double Reads(double pointer, int hour) => read(pointer % 12).Where(read => read.Value == hour).Sum(read => read.Weight);
}
