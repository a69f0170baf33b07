using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Rows;

/// <summary>A practice set that was assigned.</summary>
public sealed class AssignedSet
{
    public SetId Id { get; init; }

    public ChildId Child { get; init; }

    public string Alias { get; init; } = "";

    /// <summary>The id of the pattern that it mends; null where it is for reading at ease.</summary>
    public string? PatternId { get; init; }

    public string StartSupport { get; init; } = "";

    /// <summary>The day on which it was given, where the school is.</summary>
    public DateOnly AssignedDay { get; init; }

    /// <summary>The sitting in which it is being done or was done; null before.</summary>
    public SittingId? Sitting { get; init; }

    public DateTime? DoneAt { get; init; }

    /// <summary>Whether a device of the child's own is at it.</summary>
    public bool IsOnDevice { get; init; }

    /// <summary>How many items it has.</summary>
    public int Items { get; init; }

    /// <summary>How many items were answered.</summary>
    public int Done { get; init; }

    /// <summary>The day of its first answer, where the school is; null before.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>
    /// How long the line beside a question would run, in seconds: kept when it was assigned; null where it mends a pattern.
    /// </summary>
    public float? LineSeconds { get; init; }

    /// <summary>Whether it is for reading at ease.</summary>
    public bool IsAtEase => PatternId is null;

    /// <summary>The pattern it is for; null where it is for none, or a later catalogue has dropped it.</summary>
    public Pattern? Pattern => Catalogue.Find(PatternId);

    public Support Support => ItemText.Support(StartSupport);
}
