using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>A child as a list of all has them.</summary>
public sealed record ListedChild
{
    public ChildId Id { get; init; }

    public string Alias { get; init; } = "";

    public string ClassName { get; init; } = "";

    public Stage Stage { get; init; }

    public bool OnCaseload { get; init; }

    /// <summary>Until when the record is kept; null where that is not settled.</summary>
    public DateOnly? KeepUntil { get; init; }
}
