using Umbick.Core.Progress;

namespace Umbick.Rows;

/// <summary>A cycle of work with a child.</summary>
public sealed class CycleRow
{
    /// <summary>The most signs that a reason has.</summary>
    public const int LongestReason = 300;

    public CycleId Id { get; init; }

    public ChildId Child { get; init; }

    public DateOnly BeganOn { get; init; }

    public DateOnly EndsOn { get; init; }

    public int Goal { get; init; }

    public string EntryReason { get; init; } = "";

    /// <summary>The day on which it was ended; null while it goes on.</summary>
    public DateOnly? EndedOn { get; init; }

    public string? ExitReason { get; init; }

    public CheckCycle Cycle => new(BeganOn, EndsOn, Goal);
}
