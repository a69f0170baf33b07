using Umbick.Core.Items;

namespace Umbick.Core.Progress;

/// <summary>An answer as progress counts it.</summary>
/// <param name="Day">The day on which it was given.</param>
/// <param name="Item">The item.</param>
/// <param name="IsRight">Whether it is right.</param>
/// <param name="Helped">Whether it was prompted or support was on the face.</param>
/// <param name="Seconds">How long it took; null where it was not measured.</param>
public sealed record ScoredAnswer(DateOnly Day, Item Item, bool IsRight, bool Helped = false, double? Seconds = null);
