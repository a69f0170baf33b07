namespace Umbick.Training;

/// <summary>How far two who sort the same things agree beyond chance, with its interval.</summary>
/// <param name="Value">Cohen's kappa: 1 where they always agree, 0 where as often as by chance.</param>
/// <param name="Low">The lower end of its interval of 95 %, -1 or more.</param>
/// <param name="High">The upper end, 1 at most.</param>
public sealed record Kappa(double Value, double Low, double High)
{
    private const double Normal95 = 1.959964;

    /// <summary>
    /// Kappa of two who sorted things into kinds (J. Cohen, 1960), with the interval by its large-sample error (J. L. Fleiss, J. Cohen,
    /// B. S. Everitt, 1969). Null where there is nothing sorted, or both put everything into the same one kind.
    /// </summary>
    /// <param name="pairs">For each thing the kind that the one and the other put it into.</param>
    public static Kappa? Of<T>(IReadOnlyList<(T One, T Other)> pairs)
        where T : notnull
    {
        if (pairs.Count == 0) return null;
        var kinds = pairs.SelectMany(pair => new[] { pair.One, pair.Other }).Distinct().ToList();
        var table = new double[kinds.Count, kinds.Count];
        // Whole numbers first: tenths do not add up to one.
        foreach (var (one, other) in pairs) table[kinds.IndexOf(one), kinds.IndexOf(other)]++;
        for (var i = 0; i < kinds.Count; i++)
            for (var j = 0; j < kinds.Count; j++) table[i, j] /= pairs.Count;
        double[] rows = [.. kinds.Select((_, i) => Enumerable.Range(0, kinds.Count).Sum(j => table[i, j]))];
        double[] columns = [.. kinds.Select((_, j) => Enumerable.Range(0, kinds.Count).Sum(i => table[i, j]))];
        var agreed = Enumerable.Range(0, kinds.Count).Sum(i => table[i, i]);
        var byChance = Enumerable.Range(0, kinds.Count).Sum(i => rows[i] * columns[i]);
        if (byChance >= 1) return null;
        var kappa = (agreed - byChance) / (1 - byChance);
        double on = 0, off = 0;
        for (var i = 0; i < kinds.Count; i++)
        {
            on += table[i, i] * Math.Pow(1 - ((rows[i] + columns[i]) * (1 - kappa)), 2);
            for (var j = 0; j < kinds.Count; j++) if (i != j) off += table[i, j] * Math.Pow(columns[i] + rows[j], 2);
        }
        var variance = (on + (Math.Pow(1 - kappa, 2) * off) - Math.Pow(kappa - (byChance * (1 - kappa)), 2))
            / (pairs.Count * Math.Pow(1 - byChance, 2));
        var half = Normal95 * Math.Sqrt(Math.Max(0, variance));
        return new(kappa, Math.Max(-1, kappa - half), Math.Min(1, kappa + half));
    }
}
