namespace Umbick.Core.Progress;

/// <summary>What a teacher decides of a pattern.</summary>
public enum DecisionKind
{
    /// <summary>Another demonstration, other words, a step back.</summary>
    ChangeApproach,

    /// <summary>Its practice ends; it is looked at again from time to time once it is mastered.</summary>
    FinishPattern,

    /// <summary>It has come back: it is practised again, and mastered again.</summary>
    BackToPractice,

    /// <summary>The teacher says that the child has it.</summary>
    Confirm,

    /// <summary>The teacher says that the child does not have it.</summary>
    RuleOut,
}

/// <summary>The ids of decisions, which stand in the database and never change.</summary>
public static class DecisionKinds
{
    /// <summary>The id of a kind.</summary>
    public static string Id(this DecisionKind kind) => kind switch
    {
        DecisionKind.ChangeApproach => "change-approach",
        DecisionKind.FinishPattern => "finish-pattern",
        DecisionKind.BackToPractice => "back-to-practice",
        DecisionKind.Confirm => "confirm",
        _ => "rule-out",
    };

    /// <summary>The kind with this id, or null.</summary>
    public static DecisionKind? Find(string? id) =>
        Enum.GetValues<DecisionKind>().Where(kind => kind.Id() == id).Select(kind => (DecisionKind?)kind).FirstOrDefault();

    /// <summary>Whether it follows from cold starts, and so was offered.</summary>
    public static bool IsOffered(this DecisionKind kind) =>
        kind is DecisionKind.ChangeApproach or DecisionKind.FinishPattern or DecisionKind.BackToPractice;
}

/// <summary>A decision on a pattern that was offered.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="IsTaken">Whether it was taken; else it was turned down.</param>
/// <param name="Day">The day on which that was said.</param>
/// <param name="After">The id of the latest cold start that was known then; null where none was.</param>
public sealed record PatternDecision(DecisionKind Kind, bool IsTaken, DateOnly Day, SittingId? After);
