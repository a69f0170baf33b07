using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>A pattern that is believed, but has not shown itself enough to be called.</summary>
/// <param name="Pattern">The pattern.</param>
/// <param name="Seen">The minutes at which it has shown itself, where it must be seen at others; else none.</param>
public sealed record UnconfirmedPattern(Pattern Pattern, IReadOnlyList<int> Seen)
{
    /// <summary>The patterns that are believed after these answers, and cannot be called yet.</summary>
    public static IReadOnlyList<UnconfirmedPattern> After(ReadingModel model, Belief belief, IReadOnlyList<ObservedAnswer> answers)
    {
        var wanting = new List<UnconfirmedPattern>();
        foreach (var pattern in model.Patterns)
        {
            if (belief.ProbabilityOf(pattern) < ModelParameters.WorthSeeingFrom) continue;
            var evidence = Evidence.For(pattern, model, belief, answers);
            if (!evidence.Suffices) wanting.Add(new UnconfirmedPattern(pattern, evidence.SeenApart ? [] : [.. evidence.MinutesSeen]));
        }
        return wanting;
    }
}
