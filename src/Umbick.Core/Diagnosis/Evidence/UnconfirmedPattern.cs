using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A pattern that is believed, but has not shown itself enough to be called.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Seen">The minutes at which it has shown itself, where it must be seen at others; else none.</param>
public sealed record UnconfirmedPattern(Pattern Pattern, IReadOnlyList<int> Seen)
{
    /// <summary>The patterns that are believed after these answers, and cannot be called yet.</summary>
    /// <param name="model">The model.</param>
    /// <param name="belief">What is believed.</param>
    /// <param name="answers">The answers.</param>
    /// <param name="reach">What the times taught so far can show; null for those that were asked.</param>
    public static IReadOnlyList<UnconfirmedPattern> After(
        ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers, Reach? reach = null)
    {
        var wanting = new List<UnconfirmedPattern>();
        reach ??= Reach.Of(model, answers);
        var pairs = Catalogue.Pairs.Where(pair => NotParted.Holds(pair, model, belief, answers, reach)).ToList();
        foreach (var pattern in model.Patterns.Where(pattern => !pairs.Exists(pair => pair.Covers(pattern))).Concat(pairs))
        {
            if (belief.ProbabilityOf(pattern) < ModelParameters.WorthSeeingFrom) continue;
            var evidence = Evidence.For(pattern, model, belief, answers, reach: reach);
            if (!evidence.Suffices) wanting.Add(new UnconfirmedPattern(pattern, evidence.SeenApart ? [] : [.. evidence.MinutesSeen]));
        }
        return wanting;
    }
}
