using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>A class that is screened with a short form.</summary>
public sealed class Screening
{
    public ScreeningId Id { get; init; }

    public string Title { get; init; } = "";

    public Stage Stage { get; init; }

    /// <summary>How many items the form has.</summary>
    public int Length { get; init; }

    public string Form { get; init; } = "";

    public int Seed { get; init; }

    public DateTime StartedAt { get; init; }

    /// <summary>The day on which it was made, where the school is.</summary>
    public DateOnly Day { get; init; }

    /// <summary>The day on which its sheets were done; null until it is told.</summary>
    public DateOnly? PaperDay { get; init; }
}
