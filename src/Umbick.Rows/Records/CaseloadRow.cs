using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Rows;

/// <summary>A child on the caseload, with what is waiting.</summary>
public sealed class CaseloadRow
{
    public ChildId Id { get; init; }

    public string Alias { get; init; } = "";

    public Stage Stage { get; init; }

    /// <summary>How many sittings were answered and are over.</summary>
    public int Sittings { get; init; }

    /// <summary>The day of the latest sitting in which anything was answered.</summary>
    public DateOnly? LastSeen { get; init; }

    public SittingId? OpenAsking { get; init; }

    /// <summary>The visit that the open asking is a part of; null where the child is asked alone.</summary>
    public VisitId? OpenVisit { get; init; }

    public SetId? OpenSet { get; init; }

    /// <summary>A sitting that goes on and in which something is answered; null where there is none.</summary>
    public SittingId? UnderWay { get; init; }

    /// <summary>When the latest set was finished that was not a part of a visit.</summary>
    public DateTime? LastSetAlone { get; init; }

    /// <summary>When the latest asking was held that is over.</summary>
    public DateTime? LastAsking { get; init; }

    /// <summary>Whether the child is on the caseload; else only on a screened class's list.</summary>
    public bool OnCaseload { get; init; }

    /// <summary>The ids of the tasks that the child has met; null: those of the stage.</summary>
    public string[]? TasksMet { get; init; }

    /// <summary>What is chosen for this child alone, as it stands in the row.</summary>
    public string SettingsText { get; init; } = "{}";

    /// <summary>What the school has chosen, as it stands in the row.</summary>
    public string SchoolSettingsText { get; init; } = "{}";

    /// <summary>How clocks are taught, said and drawn for this child.</summary>
    public TeachingPreferences Preferences =>
        _preferences ??= new(Rows.SettingsText.Read(SchoolSettingsText), Rows.SettingsText.Read(SettingsText));

    private TeachingPreferences? _preferences;

    /// <summary>
    /// The last sitting that is over, or a class's sheet: its marginals are what is believed now, while <see cref="ConcludedFrom"/> says
    /// so.
    /// </summary>
    public SittingId? LastSitting { get; init; }

    /// <summary>What the marginals of the last finished sitting were computed from.</summary>
    public string? ConcludedFrom { get; init; }

    /// <summary>What stands out after it beside the patterns, as it stands in the row.</summary>
    public string? BesideName { get; init; }

    /// <summary>The same, as far as this version knows it.</summary>
    public BesidePatterns Beside => Enum.TryParse<BesidePatterns>(BesideName, out var beside) && Enum.IsDefined(beside) ? beside
        : BesidePatterns.None;

    /// <summary>The number of the latest answer; 0 where there is none.</summary>
    public long LatestAnswer { get; init; }

    /// <summary>How often the teacher has said something of a pattern, or taken that back.</summary>
    public int TeacherWords { get; init; }

    /// <summary>The class that the child is fetched from; empty where it is not known.</summary>
    public string ClassName { get; init; } = "";

    /// <summary>The day on which they were last practised with, where the school is; null where they never were.</summary>
    public DateOnly? LastPractised { get; init; }

    /// <summary>The day on which the child came onto the caseload.</summary>
    public DateOnly AddedOn { get; init; }
}
