using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Where cases stand.</summary>
public static class CaseStates
{
    /// <summary>Where the case stands when patterns have these labels, and this stands out beside them.</summary>
    public static CaseState StateWith(this CaseloadRow child, IReadOnlyCollection<(Pattern Pattern, Label Label)> labels, Unnamed unnamed) => new(
        child.Sittings,
        CaseState.Labelled(labels, Label.Likely),
        CaseState.Labelled(labels, Label.Possible),
        child.OpenAsking is not null,
        child.OpenSet is not null,
        child.PractisedSinceAsked,
        unnamed);
}
