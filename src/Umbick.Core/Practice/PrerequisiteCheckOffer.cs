using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Practice;

/// <summary>When the check of prerequisite skills is worth a sitting.</summary>
public static class PrerequisiteCheckOffer
{
    /// <summary>Whether the check is worth offering: the minutes go wrong in a way nobody has listed, or in several ways at once.</summary>
    /// <param name="otherAt">The steps that are taken in some other way.</param>
    /// <param name="believed">The patterns that are likely or possible.</param>
    public static bool IsWorthOffering(IEnumerable<Step> otherAt, IEnumerable<Pattern> believed) =>
        otherAt.Contains(Step.Minutes) || believed.Count(pattern => pattern.Step == Step.Minutes) > 1;
}
