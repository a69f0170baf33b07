namespace Umbick.Core.Reports;

/// <summary>One line of a report, as it is offered.</summary>
/// <param name="Id">What it says, the same in every report of its kind.</param>
/// <param name="Heading">Its heading.</param>
/// <param name="Text">What it says; it can be edited before it goes.</param>
public sealed record ReportLine(string Id, string Heading, string Text)
{
    /// <summary>The most signs that a line has.</summary>
    public const int Longest = 1200;

    /// <summary>The answers that it rests on: their places among all answers of the child, from 0. Empty where it rests on none.</summary>
    public IReadOnlyList<int> Answers { get; init; } = [];

    /// <summary>
    /// What on the record it rests on, where that is not answers: decisions, dates, what somebody has told; in a few words.
    /// </summary>
    public string Record { get; init; } = "";

    /// <summary>The clock that stands beside it, as its time; null for none.</summary>
    public string? Clock { get; init; }

    /// <summary>Cold starts that are drawn beside it, the earliest first; none for none.</summary>
    public IReadOnlyList<DrawnColdStart> Colds { get; init; } = [];
}

/// <summary>A cold start as it is drawn.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Right">How many came right.</param>
/// <param name="Asked">Of how many.</param>
/// <param name="IsRecheck">Whether it was held after practice had ended.</param>
public sealed record DrawnColdStart(DateOnly Day, int Right, int Asked, bool IsRecheck);
