using Umbick.Core.Patterns;

namespace Umbick.Core.Reports;

/// <summary>The practice of one pattern with one child within a term.</summary>
/// <param name="Child">The child.</param>
/// <param name="Pattern">The pattern.</param>
/// <param name="VisitsUntilFinished">On how many days it was asked cold until it was finished within the term; null where it was
/// not.</param>
public sealed record TermPractice(ChildId Child, Pattern Pattern, int? VisitsUntilFinished);

/// <summary>A row of the service's term: one pattern, or all those of which too few children are told, together.</summary>
/// <param name="Patterns">The pattern, or the patterns.</param>
/// <param name="Practised">With how many children it was practised; null: withheld.</param>
/// <param name="Finished">With how many it was finished; null: withheld.</param>
/// <param name="Visits">How many visits that took, in the middle of them; null where nothing was finished, or it is withheld.</param>
public sealed record ServiceRow(IReadOnlyList<Pattern> Patterns, int? Practised, int? Finished, double? Visits);

/// <summary>
/// What a service did in a term, told so that no child can be picked out: patterns with fewer than five children are told together, and
/// where those are fewer than five the next one goes with them; what is fewer even then is withheld.
/// </summary>
/// <param name="Seen">How many children were seen; null: withheld.</param>
/// <param name="Sessions">On how many days, counted child by child; null where the children are withheld.</param>
/// <param name="Rows">By pattern, the commonest first; the patterns that are told together last.</param>
public sealed record ServiceTerm(int? Seen, int? Sessions, IReadOnlyList<ServiceRow> Rows)
{
    /// <summary>Fewer children than these are not told of.</summary>
    public const int Fewest = 5;

    /// <summary>Puts it together.</summary>
    /// <param name="seen">How many children were seen.</param>
    /// <param name="sessions">On how many days, counted child by child.</param>
    /// <param name="practice">What was practised.</param>
    public static ServiceTerm From(int seen, int sessions, IReadOnlyList<TermPractice> practice)
    {
        var patterns = practice.GroupBy(each => each.Pattern).OrderByDescending(Children).ThenBy(each => each.Key.Id,
            StringComparer.Ordinal)
            .Select(each => each.ToList()).ToList();
        var together = patterns.FindAll(each => !IsTold(Children(each)));
        patterns.RemoveAll(together.Contains);
        // Fewer than five could be had from all by taking away the others.
        while (together.Count > 0 && patterns.Count > 0 && !IsTold(Children(together.SelectMany(each => each))))
        {
            together.Add(patterns[^1]);
            patterns.RemoveAt(patterns.Count - 1);
        }
        return new ServiceTerm(IsTold(seen) ? seen : null, IsTold(seen) ? sessions : null,
            [.. patterns.Select(Row), .. together.Count == 0 ? [] : new[] { Row([.. together.SelectMany(each => each)]) }]);
    }

    private static ServiceRow Row(List<TermPractice> practice)
    {
        var all = Children(practice);
        var finished = practice.Where(each => each.VisitsUntilFinished is not null).ToList();
        // Who finished is told where the ones who did not could not be picked out either.
        var isTold = IsTold(all) && IsTold(Children(finished)) && IsTold(all - Children(finished));
        return new ServiceRow([.. practice.Select(each => each.Pattern).Distinct()], IsTold(all) ? all : null,
            isTold ? Children(finished) : null,
            isTold && finished.Count > 0 ? Middle([.. finished.Select(each => each.VisitsUntilFinished!.Value).Order()]) : null);
    }

    private static int Children(IEnumerable<TermPractice> practice) => practice.Select(each => each.Child).Distinct().Count();

    private static bool IsTold(int count) => count is 0 or >= Fewest;

    private static double Middle(List<int> sorted) =>
        sorted.Count % 2 == 1 ? sorted[sorted.Count / 2] : (sorted[(sorted.Count / 2) - 1] + sorted[sorted.Count / 2]) / 2.0;
}
