using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>A sitting: one asking, or one go at a practice set.</summary>
public sealed record Sitting
{
    public SittingId Id { get; init; }

    public ChildId Child { get; init; }

    public SittingKind Kind { get; init; }

    public SetId? PracticeSet { get; init; }

    public Stage Stage { get; init; }

    /// <summary>How many items it is meant to have.</summary>
    public int Length { get; init; }

    /// <summary>The place of the item that is being asked.</summary>
    public int CurrentPlace { get; init; }

    public int Version { get; init; }

    public DateTime StartedAt { get; init; }

    public DateTime? EndedAt { get; init; }

    /// <summary>When its first answer was given; null before.</summary>
    public DateTime? FirstAnswerAt { get; init; }

    /// <summary>The day that was told, where it was answered on paper.</summary>
    public DateOnly? PaperDay { get; init; }

    /// <summary>
    /// Its day, where the school is: the one that was told, else that of its first answer; null while nothing is answered.
    /// </summary>
    public DateOnly? Day { get; init; }

    /// <summary>What is asked: by what tells most, or a list made before.</summary>
    public Plan Plan { get => PlanNames.Read(PlanName); init => PlanName = PlanNames.NameOf(value); }

    /// <summary>How it is asked.</summary>
    public DeliveryMode Delivery { get => DeliveryNames.Read(DeliveryName); init => DeliveryName = DeliveryNames.NameOf(value); }

    /// <summary>The visit that it shares with other children's sittings; null where the child is alone.</summary>
    public VisitId? Visit { get; init; }

    /// <summary>The child's place in the turns of a visit.</summary>
    public int TurnInVisit { get; init; }

    /// <summary>The screening that it belongs to.</summary>
    public ScreeningId? Screening { get; init; }

    /// <summary>The id of the pattern that a cold start is for; null for all else.</summary>
    public string? ColdFor { get; init; }

    /// <summary>The id of what the teacher's own clock carries, where it is held with one; null else.</summary>
    public string? ClockCarries { get; init; }

    /// <summary>The letter of the check form that is asked; null for all else.</summary>
    public string? Form { get; init; }

    /// <summary>How the answers of a cold start that tell came out, or all of a check form, as far as that was kept.</summary>
    public string[]? Outcomes { get; init; }

    /// <summary>What <see cref="Outcomes"/> were computed from.</summary>
    public string? OutcomesFrom { get; init; }

    /// <summary>
    /// How many of the items of form A of its cycle were expected to come right after a check form; null where that was not computed.
    /// </summary>
    public double? ExpectedRight { get; init; }

    /// <summary>The number of its latest answer, where it was asked for.</summary>
    public long LatestAnswer { get; init; }

    public bool IsPractice => Kind == SittingKind.Practice;

    internal string PlanName { get; init; } = PlanNames.NameOf(Plan.Adaptive);

    internal string DeliveryName { get; init; } = DeliveryNames.NameOf(DeliveryMode.Conversation);
}
