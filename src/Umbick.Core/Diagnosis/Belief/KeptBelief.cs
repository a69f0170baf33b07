using System.Runtime.Intrinsics;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// A belief as it is kept at a sitting's end: at each level of consistency the shares that can matter once days have loosened it, and all
/// others as one sum, which the prior divides. Days move nothing from one level to another: what counts little at one that holds much may
/// be all that is left of one that holds little. It is a fraction of the whole, and goes on as the whole would.
/// </summary>
internal static class KeptBelief
{
    private const int Levels = 4;

    /// <summary>Writes a belief. Each choice's best procedure is written whatever its share: answers are looked at by it.</summary>
    public static void Write(BinaryWriter to, ReadOnlySpan<Vector256<double>> shares, double scale, double guessing, double repeating,
        IReadOnlySet<int> best)
    {
        var sum = Vector256<double>.Zero;
        foreach (var share in shares) sum += share;
        var least = Vector256.Sqrt(sum * scale) * (ModelParameters.KeptFrom / scale);
        var rest = sum;
        var kept = new List<(int Procedure, int Which)>();
        for (var procedure = 0; procedure < shares.Length; procedure++)
        {
            var own = shares[procedure];
            var which = best.Contains(procedure) ? (1 << Levels) - 1
                : (int)Vector256.GreaterThanOrEqual(own, least).ExtractMostSignificantBits();
            if (which == 0) continue;
            kept.Add((procedure, which));
            for (var level = 0; level < Levels; level++)
            {
                if (Has(which, level)) rest = rest.WithElement(level, rest[level] - own[level]);
            }
        }
        to.Write(guessing);
        to.Write(repeating);
        for (var level = 0; level < Levels; level++)
        {
            to.Write(sum[level] * scale);
            to.Write(Math.Max(0, rest[level] / sum[level]));
        }
        to.Write7BitEncodedInt(shares.Length);
        to.Write7BitEncodedInt(kept.Count);
        var before = 0;
        foreach (var (procedure, which) in kept)
        {
            to.Write7BitEncodedInt(procedure - before);
            before = procedure;
            to.Write((byte)which);
            for (var level = 0; level < Levels; level++)
            {
                if (Has(which, level)) to.Write((float)(shares[procedure][level] / sum[level]));
            }
        }
    }

    /// <summary>Reads a belief that was written.</summary>
    /// <exception cref="InvalidDataException">It is of another space of procedures.</exception>
    public static (double Guessing, double Repeating) Read(BinaryReader from, ProcedureSpace space, Vector256<double>[] shares)
    {
        var (guessing, repeating) = (from.ReadDouble(), from.ReadDouble());
        var (sum, rest) = (Vector256<double>.Zero, Vector256<double>.Zero);
        for (var level = 0; level < Levels; level++)
        {
            sum = sum.WithElement(level, from.ReadDouble());
            rest = rest.WithElement(level, from.ReadDouble());
        }
        if (from.Read7BitEncodedInt() != shares.Length) throw new InvalidDataException("This belief is of another space of procedures.");
        var kept = new byte[shares.Length];
        var left = Vector256<double>.One;
        for (var (count, procedure) = (from.Read7BitEncodedInt(), 0); count > 0; count--)
        {
            procedure += from.Read7BitEncodedInt();
            kept[procedure] = from.ReadByte();
            for (var level = 0; level < Levels; level++)
            {
                if (!Has(kept[procedure], level)) continue;
                shares[procedure] = shares[procedure].WithElement(level, from.ReadSingle() * sum[level]);
                left = left.WithElement(level, left[level] - space.Prior(procedure));
            }
        }
        rest *= sum / Vector256.Max(left, Vector256.Create(1e-9));
        for (var procedure = 0; procedure < shares.Length; procedure++)
        {
            for (var level = 0; level < Levels; level++)
            {
                if (!Has(kept[procedure], level))
                    shares[procedure] = shares[procedure].WithElement(level, rest[level] * space.Prior(procedure));
            }
        }
        return (guessing, repeating);
    }

    private static bool Has(int which, int level) => (which & (1 << level)) != 0;
}
