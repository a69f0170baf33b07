using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;

namespace Umbick.Core.Progress;

/// <summary>Where a screened child belongs.</summary>
public enum ScreeningGroup
{
    /// <summary>They should join the caseload.</summary>
    Join,

    /// <summary>They should be looked at again in a few weeks.</summary>
    Watch,

    /// <summary>They read what is asked.</summary>
    Secure,

    /// <summary>Too little has been answered to say.</summary>
    NotYet,
}

/// <summary>What a short form says of one child of a class, in a sentence.</summary>
/// <param name="Group">Where they belong.</param>
/// <param name="Reason">Why.</param>
public sealed record ScreeningResult(ScreeningGroup Group, string Reason)
{
    /// <summary>From this share of right answers on a child is secure.</summary>
    public const double SecureFrom = 0.85;

    /// <summary>Below this share a child should join the caseload whatever the answers look like.</summary>
    public const double JoinBelow = 0.5;

    /// <summary>From this share of questions answered on, something can be said.</summary>
    public const double EnoughAnswered = 0.5;

    /// <summary>Sorts a child.</summary>
    /// <param name="asked">How many questions the form has.</param>
    /// <param name="answered">How many they answered, right or wrong; a blank left by them counts as answered, what
    /// cannot be read does not.</param>
    /// <param name="right">How many of them are right.</param>
    /// <param name="conclusion">What the answers say.</param>
    /// <param name="wording">How the reason says times.</param>
    public static ScreeningResult From(int asked, int answered, int right, Conclusion conclusion, Wording? wording = null)
    {
        if (answered < EnoughAnswered * asked)
            return new(ScreeningGroup.NotYet, answered == 0 ? "No answers yet." : $"Only {answered} of {asked} answered.");
        var share = right / (double)answered;
        var score = $"{right} of {answered} right";
        var pattern = conclusion.Findings.FirstOrDefault(finding =>
            finding.Label == Label.Likely
                || (finding.Label == Label.Possible && finding.Evidence.Count.ItsWay >= ModelParameters.TellingNeeded));
        var reads = pattern?.Pattern.TextsIn(wording ?? Wording.Usual).Reads;
        if (pattern is not null && share < SecureFrom)
            return new(ScreeningGroup.Join, $"{score}; {pattern.Evidence.Count.ItsWay} of the wrong ones go one way: {reads}.");
        if (share < JoinBelow) return new(ScreeningGroup.Join, $"{score}, and the wrong ones go no one way yet.");
        if (share >= SecureFrom) return new(ScreeningGroup.Secure, $"{score}.");
        return new(ScreeningGroup.Watch, pattern is null ? $"{score}; the wrong ones look like slips." : $"{score}; perhaps {reads}.");
    }
}
