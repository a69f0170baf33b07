using System.Text.Json;

namespace Umbick.Rows;

/// <summary>A line of a report that was kept.</summary>
/// <param name="Id">What it says.</param>
/// <param name="Heading">Its heading.</param>
/// <param name="Text">The text.</param>
public sealed record KeptReportLine(string Id, string Heading, string Text)
{
    /// <summary>What it rests on, in words: answers by day, or what is on the record.</summary>
    public string From { get; init; } = "";

    /// <summary>The clock beside it, as its time; null for none.</summary>
    public string? Clock { get; init; }

    /// <summary>Cold starts that are drawn beside it: day, right, of how many, whether a recheck.</summary>
    public IReadOnlyList<KeptColdStart> Colds { get; init; } = [];
}

/// <summary>A cold start that is drawn in a report.</summary>
public sealed record KeptColdStart(DateOnly Day, int Right, int Asked, bool IsRecheck);

/// <summary>A report of a child, as it was offered and as it was sent.</summary>
public sealed class KeptReport
{
    public ReportId Id { get; init; }

    public ChildId Child { get; init; }

    public string Kind { get; init; } = "";

    /// <summary>The day on which it was kept, where the school is.</summary>
    public DateOnly MadeOn { get; init; }

    /// <summary>The name of whoever kept it.</summary>
    public string MadeBy { get; init; } = "";

    public string OfferedText { get; init; } = "[]";

    public string SentText { get; init; } = "[]";

    /// <summary>Its lines as they were offered.</summary>
    public IReadOnlyList<KeptReportLine> Offered => Read(OfferedText);

    /// <summary>Its lines as they were sent; a line that was left out is not among them.</summary>
    public IReadOnlyList<KeptReportLine> Sent => Read(SentText);

    /// <summary>Lines as they stand in a row.</summary>
    public static string Write(IReadOnlyList<KeptReportLine> lines) => JsonSerializer.Serialize(lines);

    private static IReadOnlyList<KeptReportLine> Read(string text) => JsonSerializer.Deserialize<IReadOnlyList<KeptReportLine>>(text)!;
}
