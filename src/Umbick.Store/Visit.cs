using Umbick.Core.Clocks;
using Umbick.Core.Patterns;

namespace Umbick.Store;

/// <summary>A visit: one to four children, one pattern.</summary>
public sealed record Visit
{
    public Guid Id { get; init; }

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
    public VisitPart Part => Enum.Parse<VisitPart>(PartName, ignoreCase: true);

    /// <summary>The pattern; null where a later catalogue has dropped it.</summary>
    public Pattern? Pattern => Catalogue.Find(PatternId);

    internal string PartName { get; init; } = "";
}

/// <summary>A child in a visit.</summary>
/// <param name="Child">The child.</param>
/// <param name="LeftAt">When the child went, or was noted as not having come; null while they are there.</param>
public sealed record VisitChild(ChildId Child, DateTime? LeftAt);

/// <summary>What a child read off the room's own clock.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Child">The child.</param>
/// <param name="ClockTime">The time that it was.</param>
/// <param name="Raw">What the child said.</param>
public sealed record RoomClockReading(Guid Id, ChildId Child, string ClockTime, string Raw)
{
    /// <summary>What the child said, as it is read on a page.</summary>
    public string Said => Told(Raw);

    /// <summary>What was typed, as it is read on a page: a sign that stands for an answer is told in words.</summary>
    public static string Told(string raw) => AnswerParser.Parse(raw) switch
    {
        (SaidRight or NoAnswer or DontKnow) and var answer => answer.Short(Wording.Usual),
        _ => raw,
    };
}

/// <summary>A note of a visit.</summary>
/// <param name="Child">The child.</param>
/// <param name="Note">The note's id.</param>
public sealed record VisitNoteRow(ChildId Child, string Note);

/// <summary>How much an answer took.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Place">The place of its item.</param>
/// <param name="Rung">The rung's id.</param>
public sealed record PromptRow(SittingId Sitting, int Place, string Rung);
