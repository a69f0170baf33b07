using Umbick.Simulation;

namespace Umbick.Training;

/// <summary>How likely each verdict is after each of some answers.</summary>
/// <param name="verdicts">The verdicts.</param>
/// <param name="after">For each verdict its share, 0 to 1, before any answer, after the first, and so on.</param>
/// <param name="traits">For each verdict with patterns how the child has them likeliest, before any answer, and so on.</param>
public sealed class Weighing(IReadOnlyList<Verdict> verdicts, double[][] after, Traits[][] traits)
{
    private readonly Dictionary<Verdict, int> _places = verdicts.Index().ToDictionary(each => each.Item, each => each.Index);

    /// <summary>How many answers were weighed.</summary>
    public int Count => after[0].Length - 1;

    /// <summary>How likely a verdict is after so many answers, 0 to 1; 0 for one that no child has.</summary>
    public double Of(Verdict verdict, int answers) => _places.TryGetValue(verdict, out var place) ? after[place][answers] : 0;

    /// <summary>How a child has the patterns of a verdict, likeliest, after so many answers; null for a verdict without patterns.</summary>
    public Traits? TraitsOf(Verdict verdict, int answers) =>
        _places.TryGetValue(verdict, out var place) && place < traits.Length ? traits[place][answers] : null;

    /// <summary>The likeliest after so many answers, the likeliest first.</summary>
    /// <param name="answers">After how many answers.</param>
    /// <param name="least">The least likely of them, 0 to 1.</param>
    public IReadOnlyList<(Verdict Verdict, double Share)> Open(int answers, double least) =>
        [.. verdicts.Select((verdict, i) => (Verdict: verdict, Share: after[i][answers])).Where(each => each.Share >= least)
            .OrderByDescending(each => each.Share)];

    /// <summary>
    /// After how many answers a verdict was, for the first time, as likely as that and stayed so; null where it never was.
    /// </summary>
    public int? SureFrom(Verdict verdict, double share)
    {
        var first = Count + 1;
        while (first > 0 && Of(verdict, first - 1) >= share) first--;
        return first > Count ? null : first;
    }
}
