using Umbick.Core.Patterns;

namespace Umbick.Core.Progress;

/// <summary>The sets that a child was given for a pattern, on paper, on a screen or in a visit.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="LastGiven">When the latest of them was given, done or not.</param>
/// <param name="First">The day of the first answer in any of them; null where none was answered: then nothing was practised.</param>
/// <param name="Last">The day of the latest set that was answered; null where none was.</param>
public sealed record SetsGiven(Pattern Pattern, DateTime LastGiven, DateOnly? First, DateOnly? Last);

/// <summary>What was really practised in the work on a pattern: sets that were answered, not sets that were given.</summary>
/// <param name="First">The day on which it began.</param>
/// <param name="Last">The day of the latest practice.</param>
/// <param name="As">The patterns that the sets were made for, the latest first: look-alikes may have changed places since.</param>
public sealed record Practised(DateOnly First, DateOnly Last, IReadOnlyList<Pattern> As)
{
    /// <summary>What these sets make; null where none of them was answered.</summary>
    public static Practised? From(IEnumerable<SetsGiven> given)
    {
        var done = given.Where(sets => sets.First is not null).OrderByDescending(sets => sets.Last).ToList();
        return done.Count == 0 ? null
            : new Practised(done.Min(sets => sets.First!.Value), done[0].Last!.Value, [.. done.Select(sets => sets.Pattern)]);
    }
}
