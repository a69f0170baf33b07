using Umbick.Core.Patterns;

namespace Umbick.Rows;

/// <summary>A visit: one to four children, one pattern.</summary>
public sealed record Visit
{
    public VisitId Id { get; init; }

    /// <summary>The id of the pattern that is worked on.</summary>
    public string PatternId { get; init; } = "";

    /// <summary>The id of the demonstration that is to be shown; null where there is none.</summary>
    public string? Demonstration { get; init; }

    /// <summary>The place that is reached in the part, from 1.</summary>
    public int Place { get; init; }

    public DateTime StartedAt { get; init; }

    public DateTime? EndedAt { get; init; }

    /// <summary>The day on which it began, where the school is.</summary>
    public DateOnly Day { get; init; }

    /// <summary>The part that is reached.</summary>
    public VisitPart Part => VisitPartNames.PartOf(PartName);

    /// <summary>The pattern; null where a later catalogue has dropped it.</summary>
    public Pattern? Pattern => Catalogue.Find(PatternId);

    internal string PartName { get; init; } = "";
}
