namespace Umbick.Core.Patterns;

/// <summary>Gathers what may be in a child's mind after a step: thoughts, each with its share. Equal thoughts are put together.</summary>
public sealed class PartialReadings
{
    private PartialReading[] _thoughts = new PartialReading[8];
    private double[] _shares = new double[8];

    /// <summary>How many different thoughts there are.</summary>
    public int Count { get; private set; }

    /// <summary>The thoughts.</summary>
    public ReadOnlySpan<PartialReading> All => _thoughts.AsSpan(0, Count);

    /// <summary>The share of each of <see cref="All"/>.</summary>
    public ReadOnlySpan<double> Shares => _shares.AsSpan(0, Count);

    /// <summary>Adds a thought.</summary>
    /// <param name="thought">The thought.</param>
    /// <param name="share">Its share, 0 to 1.</param>
    public void Add(in PartialReading thought, double share)
    {
        for (var i = 0; i < Count; i++)
        {
            if (!_thoughts[i].Equals(thought)) continue;
            _shares[i] += share;
            return;
        }
        if (Count == _thoughts.Length)
        {
            Array.Resize(ref _thoughts, 2 * Count);
            Array.Resize(ref _shares, 2 * Count);
        }
        (_thoughts[Count], _shares[Count]) = (thought, share);
        Count++;
    }

    /// <summary>Forgets all of them.</summary>
    public void Clear() => Count = 0;
}
