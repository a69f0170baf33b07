namespace Umbick.Core.Diagnosis;

/// <summary>The answers that some procedures give to an item, with their shares.</summary>
/// <param name="Ids">Places in <see cref="Prediction.Answers"/>.</param>
/// <param name="Shares">The share of each; they add up to 1.</param>
/// <param name="Likeliest">The answer given most often.</param>
internal sealed record Distribution(int[] Ids, double[] Shares, int Likeliest)
{
    /// <summary>The chance of an answer that fits each of the answers so far, 0 to 1.</summary>
    public double ChanceOf(ReadOnlySpan<double> fits)
    {
        var chance = 0.0;
        for (var i = 0; i < Ids.Length; i++) chance += Shares[i] * fits[Ids[i]];
        return chance;
    }
}
