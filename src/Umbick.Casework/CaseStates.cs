using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Where cases stand.</summary>
public static class CaseStates
{
    /// <summary>Where the case stands on a day, when patterns have these labels, this stands out beside them, and the work with them has come so far.</summary>
    public static CaseState StateWith(this CaseloadRow child, IEnumerable<(Pattern Pattern, Label Label)> labels, Unnamed unnamed, PatternWork work, DateOnly today)
    {
        // A finished pattern is not practised, whatever the belief; its return is a decision of its own.
        var open = labels.Where(one => !work.Finished.Contains(one.Pattern)).ToList();
        var due = work.Due;
        return new CaseState(
            child.Sittings,
            CaseState.Labelled(open, Label.Likely),
            CaseState.Labelled(open, Label.Possible),
            child.OpenAsking is not null,
            child.OpenSet is not null,
            child.PractisedSinceAsked,
            unnamed,
            due.FirstOrDefault(check => check.IsDueOn(today)),
            due.FirstOrDefault(check => !check.IsDueOn(today)),
            CaseState.Labelled(open, Label.Likely) is [var first, ..] && work.CourseOf(first).Colds.Count > 0);
    }
}
