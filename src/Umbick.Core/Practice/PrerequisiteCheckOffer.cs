using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>When the check of prerequisite skills is worth a sitting.</summary>
public static class PrerequisiteCheckOffer
{
    /// <summary>
    /// Whether the check is worth offering: nothing of the clock is followed, or the minutes go wrong in a way nobody has listed, or in
    /// several ways at once.
    /// </summary>
    /// <param name="conclusion">What the answers say.</param>
    /// <param name="believed">The patterns that are likely or possible.</param>
    public static bool IsWorthOffering(Conclusion conclusion, IEnumerable<Pattern> believed) =>
        conclusion.Beside is BesidePatterns.Guessing or BesidePatterns.SameAnswer or BesidePatterns.MuchWrong
            || conclusion.OtherAt.Any(other => other.Step == Step.Minutes) || believed.Count(pattern => pattern.Step == Step.Minutes) > 1;
}
