using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Casework;

/// <summary>How an asking begins.</summary>
/// <param name="Plan">What is asked.</param>
/// <param name="Delivery">How it is held.</param>
public sealed record AskingOptions(Plan Plan = Plan.Adaptive, DeliveryMode Delivery = DeliveryMode.Conversation)
{
    /// <summary>The sitting's id, where the page made it: sending the page twice is one sitting.</summary>
    public SittingId? Id { get; init; }

    /// <summary>The ids of the tasks, where the teacher chose them.</summary>
    public IReadOnlyList<string> Tasks { get; init; } = [];

    /// <summary>The form's letter, where a form is asked.</summary>
    public string Form { get; init; } = "A";

    /// <summary>The pattern of a cold start, as the child has it.</summary>
    public HeldPattern? ColdFor { get; init; }

    /// <summary>The pattern that a cold start is for, where it is another than the one that is worked on.</summary>
    public Pattern? ColdPattern { get; init; }

    /// <summary>The items, where they were made before for all who share a visit.</summary>
    public IReadOnlyList<Item> Items { get; init; } = [];

    /// <summary>The id of what the teacher's own clock carries, where that was said; else it is what the school's does.</summary>
    public string? ClockCarries { get; init; }

    /// <summary>How the hands of the teacher's own clock move, by id, where that was said; else as the school's do.</summary>
    public string? ClockHands { get; init; }

    /// <summary>The visit that it shares with other children's sittings.</summary>
    public VisitId? Visit { get; init; }

    /// <summary>The child's place in the turns of the visit.</summary>
    public int TurnInVisit { get; init; }
}
