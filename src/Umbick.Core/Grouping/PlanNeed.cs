using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Core.Grouping;

/// <summary>What a child needs a place in the week for.</summary>
public enum PlanNeed
{
    /// <summary>Nothing: nothing is practised and nothing is to be looked at again.</summary>
    Nothing,

    /// <summary>More is to be asked first, which is done in a slot that is kept free.</summary>
    Asking,

    /// <summary>A pattern is practised.</summary>
    Practice,

    /// <summary>The answers follow nothing yet: the child is seen alone.</summary>
    Alone,

    /// <summary>Practice has ended; it is looked at from time to time whether that holds.</summary>
    Rechecks,
}

/// <summary>What a case needs a place for.</summary>
/// <param name="Need">What.</param>
/// <param name="Pattern">Which pattern; null where none is practised or looked at.</param>
public sealed record CaseNeed(PlanNeed Need, Pattern? Pattern)
{
    /// <summary>How long a child is seen in a week, in minutes, where nobody has said otherwise.</summary>
    public int Minutes => Need switch
    {
        PlanNeed.Practice => 24,
        PlanNeed.Alone or PlanNeed.Rechecks => 12,
        _ => 0,
    };

    /// <summary>Reads it off what is known of a child.</summary>
    public static CaseNeed From(CaseSummary summary)
    {
        if (summary.State.Sittings == 0) return new(PlanNeed.Asking, null);
        if (summary.ToPractise is [var first, ..]) return new(PlanNeed.Practice, first);
        // What comes right by now is practised all the same until somebody decides that it is finished.
        if (summary is { WorkedOn: { } workedOn, Course: { Phase: PatternPhase.Practising, Practised: not null } })
            return new(PlanNeed.Practice, workedOn);
        if (summary.Facts.Beside is Diagnosis.BesidePatterns.Guessing or Diagnosis.BesidePatterns.SameAnswer)
            return new(PlanNeed.Alone, null);
        if (summary.Facts.Courses.Due.OrderBy(check => check.Day).FirstOrDefault(check => check.Pattern is not null) is { } due)
            return new(PlanNeed.Rechecks, due.Pattern);
        return new(summary.State.Possible.Count > 0 || summary.State.AskingOpen ? PlanNeed.Asking : PlanNeed.Nothing, null);
    }
}
