using Umbick.Core.Clocks;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>One of the ways that stand open at a step.</summary>
/// <param name="Rule">The way.</param>
/// <param name="Patterns">The patterns it belongs to: mostly one; none for the correct way and for some other way.</param>
/// <param name="Prior">Its share before anything is asked, 0 to 1.</param>
public sealed record StepState(StepRule Rule, IReadOnlyList<Pattern> Patterns, double Prior)
{
    /// <summary>Whether this is a way that nobody has listed.</summary>
    public bool IsOther => Rule is UnlistedRule;

    /// <summary>Whether it belongs to a pattern, or to one that the pattern may be.</summary>
    public bool Holds(Pattern pattern) => Patterns.Any(pattern.Covers);

    /// <summary>What is read this way, as a noun.</summary>
    public string ReadsIn(Wording wording) => Patterns.Count > 0
        ? string.Join(" and ", Patterns.Select(pattern => pattern.TextsIn(wording).Reads))
        : IsOther ? "some other way" : Catalogue.ReadsRightly(Rule.Step, wording);
}
