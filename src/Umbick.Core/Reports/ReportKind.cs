namespace Umbick.Core.Reports;

/// <summary>Whom a report is for.</summary>
/// <param name="Id">Its id, which stands in the database.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Title">What stands above it.</param>
public sealed record ReportKind(string Id, string Name, string Title)
{
    /// <summary>For the class teacher.</summary>
    public static ReportKind ClassTeacher { get; } = new("class-teacher", "For the class teacher", "Reading clocks: for the class");

    /// <summary>For whoever leads the school's support.</summary>
    public static ReportKind Lead { get; } = new("lead", "For the lead", "Reading clocks: the work so far");

    /// <summary>For the family.</summary>
    public static ReportKind Family { get; } = new("family", "For the family", "Reading clocks together");

    /// <summary>All of them.</summary>
    public static IReadOnlyList<ReportKind> All { get; } = [ClassTeacher, Lead, Family];

    /// <summary>The one with this id, or null.</summary>
    public static ReportKind? Find(string? id) => All.FirstOrDefault(kind => kind.Id == id);
}
