using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>A sitting that was read from a file; it is over.</summary>
public sealed record FiledSitting(
    SittingId Id, ChildId Child, SittingKind Kind, Stage Stage, int Length, DateTime Began, DateTime Ended, DateOnly? Day, Plan Plan,
    DeliveryMode Delivery, string? ColdFor, string? Form);
