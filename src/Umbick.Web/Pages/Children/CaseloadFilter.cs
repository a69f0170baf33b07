using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Web.Pages.Children;

/// <summary>What a child of the caseload may wait for.</summary>
public enum WaitingFor
{
    /// <summary>A decision that the cold starts suggest.</summary>
    Decision,

    /// <summary>A recheck or a check form that is due.</summary>
    Look,

    /// <summary>The first asking.</summary>
    FirstAsking,
}

/// <summary>Which children of the caseload are shown.</summary>
public sealed record CaseloadFilter
{
    /// <summary>What was typed to find a child by.</summary>
    public string Find { get; init; } = "";

    /// <summary>A pattern that they are to practise.</summary>
    public Pattern? Pattern { get; init; }

    public Stage? Stage { get; init; }

    public string Class { get; init; } = "";

    public WaitingFor? Waiting { get; init; }

    /// <summary>Whether all are shown.</summary>
    public bool IsOff => IsOnlyFind && Find.Length == 0;

    /// <summary>Whether nothing is chosen but a name.</summary>
    public bool IsOnlyFind => this == new CaseloadFilter { Find = Find };

    /// <summary>Reads what an address asks for; what it does not know it leaves aside.</summary>
    public static CaseloadFilter From(string? find, string? pattern, Stage? stage, string? className, string? waiting) => new()
    {
        Find = find is { Length: <= Alias.Longest } ? find.Trim() : "",
        Pattern = Catalogue.Find(pattern),
        Stage = stage is { } each && Enum.IsDefined(each) ? each : null,
        Class = (className ?? "").Trim(),
        Waiting = Enum.TryParse<WaitingFor>(waiting, ignoreCase: true, out var known) && Enum.IsDefined(known) ? known : null,
    };

    /// <summary>What is waited for, in a few words.</summary>
    public static string Name(WaitingFor waiting) => waiting switch
    {
        WaitingFor.Decision => "a decision",
        WaitingFor.Look => "a recheck or a form",
        _ => "the first asking",
    };

    /// <summary>Whether a child is shown.</summary>
    public bool Holds(CaseloadChild child, DateOnly today) =>
        child.Child.Alias.Contains(Find, StringComparison.CurrentCultureIgnoreCase)
        && (Pattern is null || child.SummaryOn(today).ToPractise.Contains(Pattern))
        && (Stage is null || child.Child.Stage == Stage)
        && (Class.Length == 0 || child.Child.ClassName == Class)
        && Waiting switch
        {
            WaitingFor.Decision => child.SummaryOn(today).Offers.Count > 0,
            WaitingFor.Look => child.SummaryOn(today).State.Due is not null,
            WaitingFor.FirstAsking => child.Child.Sittings == 0,
            _ => true,
        };
}
