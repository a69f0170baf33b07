using Umbick.Core.Clocks;
using Umbick.Core.Practice;

namespace Umbick.Casework;

/// <summary>What practice sets are called.</summary>
public static class SetHeadings
{
    /// <summary>A set's heading; of a set for a pattern that is no longer in the catalogue only that it is practice.</summary>
    public static string HeadingIn(this AssignedSet set, Wording wording) =>
        set.IsAtEase || set.Pattern is not null ? PracticeSet.Heading(set.Pattern, wording) : "Practice";
}
