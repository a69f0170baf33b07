using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Arithmetic on the share of every procedure, by which a belief is changed and read. A year of answers is some twenty thousand of them,
/// and the checking of bounds would be half their cost: parts and choices come from <see cref="SubSpace"/> alone, which numbers them within
/// its own size, and the lengths that a caller could get wrong are checked once, at the start.
/// </summary>
internal static class ShareArithmetic
{
    /// <summary>
    /// So many procedures are taken at a time where several passes follow each other: sixteen kilobytes, half of a processor's nearest
    /// store.
    /// </summary>
    public const int Block = 512;

    /// <summary>Multiplies each share by its likelihood, keeps it from falling below a floor, and adds all of them up.</summary>
    /// <param name="shares">The share of each procedure.</param>
    /// <param name="parts">The part of each procedure.</param>
    /// <param name="distributionOf">The distribution of each part.</param>
    /// <param name="likelihoods">The likelihood of each distribution.</param>
    /// <param name="floors">The least that a share may be.</param>
    /// <exception cref="ArgumentOutOfRangeException">There are not as many parts as shares.</exception>
    public static Vector256<double> Fold(
        Span<Vector256<double>> shares, ReadOnlySpan<int> parts, ReadOnlySpan<ushort> distributionOf, Vector256<double>[] likelihoods,
        Vector256<double> floors)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(parts.Length, shares.Length);
        ref var share = ref MemoryMarshal.GetReference(shares);
        ref var part = ref MemoryMarshal.GetReference(parts);
        ref var distribution = ref MemoryMarshal.GetReference(distributionOf);
        ref var likelihood = ref MemoryMarshal.GetArrayDataReference(likelihoods);
        var sum = Vector256<double>.Zero;
        for (nint procedure = 0; procedure < shares.Length; procedure++)
        {
            ref var own = ref Unsafe.Add(ref share, procedure);
            own = Vector256.Max(own * Unsafe.Add(ref likelihood, (nint)Unsafe.Add(ref distribution, Unsafe.Add(ref part, procedure))),
                floors);
            sum += own;
        }
        return sum;
    }

    /// <summary>Moves some of the belief between procedures that differ at one step alone.</summary>
    /// <param name="shares">The share of each procedure.</param>
    /// <param name="siblings">Procedures that differ at the step alone, as many together as it has choices.</param>
    /// <param name="kept">What each keeps.</param>
    /// <param name="moved">What of the belief in all siblings goes to each.</param>
    public static void Mix(Vector256<double>[] shares, int[] siblings, double kept, ReadOnlySpan<Vector256<double>> moved)
    {
        ref var share = ref MemoryMarshal.GetArrayDataReference(shares);
        var keeps = Vector256.Create(kept);
        for (var from = 0; from < siblings.Length; from += moved.Length)
        {
            var own = siblings.AsSpan(from, moved.Length);
            var sum = Vector256<double>.Zero;
            foreach (var procedure in own) sum += Unsafe.Add(ref share, procedure);
            for (var choice = 0; choice < own.Length; choice++)
            {
                ref var vector256 = ref Unsafe.Add(ref share, own[choice]);
                vector256 = (vector256 * keeps) + (sum * moved[choice]);
            }
        }
    }

    /// <summary>Adds up the shares of each procedure over the levels of consistency.</summary>
    public static void Flatten(Vector256<double>[] shares, double scale, double[] whole)
    {
        for (var procedure = 0; procedure < whole.Length; procedure++) whole[procedure] = Vector256.Sum(shares[procedure]) * scale;
    }

    /// <summary>What procedures give, weighed by the belief in each.</summary>
    /// <param name="whole">The belief in each procedure.</param>
    /// <param name="parts">The part of each procedure.</param>
    /// <param name="distributionOf">The distribution of each part.</param>
    /// <param name="chances">The chance that each distribution gives.</param>
    /// <exception cref="ArgumentOutOfRangeException">There are not as many parts as procedures.</exception>
    public static double Expect(double[] whole, int[] parts, ReadOnlySpan<ushort> distributionOf, ReadOnlySpan<double> chances)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(parts.Length, whole.Length);
        ref var distribution = ref MemoryMarshal.GetReference(distributionOf);
        ref var chance = ref MemoryMarshal.GetReference(chances);
        var sum = 0.0;
        for (var procedure = 0; procedure < whole.Length; procedure++)
        {
            sum += whole[procedure] * Unsafe.Add(ref chance, (nint)Unsafe.Add(ref distribution, parts[procedure]));
        }
        return sum;
    }
}
