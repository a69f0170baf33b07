using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Timetabling;

namespace Umbick.Core.Progress;

/// <summary>The words of a case, where they are about no one pattern.</summary>
public static class CaseTexts
{
    /// <summary>What stands out of a child where no pattern does.</summary>
    internal static string Without(CaseFacts facts) => facts.Beside switch
    {
        _ when facts.IsNotWorkedOut => "What the answers say is being worked out.",
        BesidePatterns.Guessing => $"{facts.Alias}’s answers do not follow the clock yet.",
        BesidePatterns.SameAnswer => $"{facts.Alias} gives one answer again and again.",
        BesidePatterns.OtherWay => $"{facts.Alias} takes one step some other way.",
        BesidePatterns.MuchWrong => "More comes out wrong than right, and in no one way.",
        _ when facts.Sittings > 0 => "No pattern stands out.",
        _ => facts.IsUnderWay ? "No pattern stands out yet." : "Nothing has been asked yet.",
    };

    /// <summary>Where the work stands: what waits for a decision, who waits for a place, what is looked at again.</summary>
    internal static string Where(CaseSummary summary, bool isActive)
    {
        if (summary.Offers is [var (_, offer), ..]) return DecisionTexts.For(offer).Question;
        if (summary.CouldWork) return isActive ? "in active work" : $"waits: {Wording.Number(ActiveWork.Most)} others are in active work";
        var ended = summary.Facts.Courses.All.Values.Where(course => course.HasEnded).ToList();
        return ended.Count == 0 ? "" : DecisionTexts.InWords(ended.MinBy(course => course.Phase)!);
    }
}
