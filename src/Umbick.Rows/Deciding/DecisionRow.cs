using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Rows;

/// <summary>A decision as it was taken, with what was shown then.</summary>
public sealed class DecisionRow
{
    /// <summary>The most signs that a reason has.</summary>
    public const int LongestReason = 300;

    public DecisionId Id { get; init; }

    public ChildId Child { get; init; }

    public string PatternId { get; init; } = "";

    public string KindId { get; init; } = "";

    /// <summary>Whether what was offered was taken; else it was turned down.</summary>
    public bool Taken { get; init; }

    public string Reason { get; init; } = "";

    /// <summary>The sitting after which it was said.</summary>
    public SittingId? AfterSitting { get; init; }

    /// <summary>The day, where the school is.</summary>
    public DateOnly Day { get; init; }

    /// <summary>By which rules it was offered.</summary>
    public string Engine { get; init; } = "";

    /// <summary>What was shown when it was taken.</summary>
    public string ShownText { get; init; } = "{}";

    /// <summary>Whether it was taken back since.</summary>
    public bool TakenBack { get; init; }

    /// <summary>The pattern; null where a later catalogue has dropped it.</summary>
    public Pattern? Pattern => Catalogue.Find(PatternId);

    /// <summary>What it is; null where this version does not know it.</summary>
    public DecisionKind? Kind => DecisionKinds.Find(KindId);
}
