namespace Umbick.Core.Patterns;

/// <summary>Gathers what may be in a child's mind after a step: readings, each with its share. Equal readings are put together.</summary>
public sealed class PartialReadings
{
    private PartialReading[] _readings = new PartialReading[8];
    private double[] _shares = new double[8];

    /// <summary>How many different readings there are.</summary>
    public int Count { get; private set; }

    /// <summary>The readings.</summary>
    public ReadOnlySpan<PartialReading> All => _readings.AsSpan(0, Count);

    /// <summary>The share of each of <see cref="All"/>.</summary>
    public ReadOnlySpan<double> Shares => _shares.AsSpan(0, Count);

    /// <summary>Adds a reading.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="share">Its share, 0 to 1.</param>
    public void Add(in PartialReading reading, double share)
    {
        for (var i = 0; i < Count; i++)
        {
            if (!_readings[i].Equals(reading)) continue;
            _shares[i] += share;
            return;
        }
        if (Count == _readings.Length)
        {
            Array.Resize(ref _readings, 2 * Count);
            Array.Resize(ref _shares, 2 * Count);
        }
        (_readings[Count], _shares[Count]) = (reading, share);
        Count++;
    }

    /// <summary>Forgets all of them.</summary>
    public void Clear() => Count = 0;
}
