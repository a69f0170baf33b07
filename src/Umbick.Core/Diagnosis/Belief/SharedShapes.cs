using System.Collections.Concurrent;
using System.Runtime.InteropServices;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// What predictions have in common is kept once. Twenty past four and twenty past five are the same question with other answers: the same
/// procedures go together, with the same shares.
/// </summary>
internal sealed class SharedShapes
{
    private readonly ConcurrentDictionary<ushort[], ushort[]> _places = new(new SamePlaces());
    private readonly ConcurrentDictionary<Distribution, Distribution> _distributions = new(new SameDistribution());
    private readonly ConcurrentDictionary<Distribution[], Distribution[]> _lists = new(new SameList());

    /// <summary>The same places, kept once.</summary>
    public ushort[] Share(ushort[] places) => _places.GetOrAdd(places, places);

    /// <summary>The same distributions, kept once.</summary>
    public Distribution[] Share(IEnumerable<Distribution> distributions)
    {
        Distribution[] list = [.. distributions.Select(distribution => _distributions.GetOrAdd(distribution, distribution))];
        return _lists.GetOrAdd(list, list);
    }

    private sealed class SamePlaces : IEqualityComparer<ushort[]>
    {
        public bool Equals(ushort[]? x, ushort[]? y) => x.AsSpan().SequenceEqual(y);

        public int GetHashCode(ushort[] places)
        {
            var hash = new HashCode();
            hash.AddBytes(MemoryMarshal.AsBytes(places.AsSpan()));
            return hash.ToHashCode();
        }
    }

    private sealed class SameDistribution : IEqualityComparer<Distribution>
    {
        public bool Equals(Distribution? x, Distribution? y) =>
            x!.Likeliest == y!.Likeliest && x.Ids.AsSpan().SequenceEqual(y.Ids) && x.Shares.AsSpan().SequenceEqual(y.Shares);

        public int GetHashCode(Distribution distribution)
        {
            var hash = new HashCode();
            hash.AddBytes(MemoryMarshal.AsBytes(distribution.Ids.AsSpan()));
            hash.AddBytes(MemoryMarshal.AsBytes(distribution.Shares.AsSpan()));
            return hash.ToHashCode();
        }
    }

    /// <summary>Distributions are kept once already: to compare them by reference is enough.</summary>
    private sealed class SameList : IEqualityComparer<Distribution[]>
    {
        public bool Equals(Distribution[]? x, Distribution[]? y) => x!.Length == y!.Length
            && x.Zip(y).All(pair => ReferenceEquals(pair.First, pair.Second));

        public int GetHashCode(Distribution[] list) =>
            list.Aggregate(list.Length,
                (hash, distribution) => (hash * 31) + System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(distribution));
    }
}
