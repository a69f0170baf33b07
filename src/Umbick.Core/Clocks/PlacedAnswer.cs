using System.Globalization;

namespace Umbick.Core.Clocks;

/// <summary>Hands that the child placed.</summary>
/// <param name="Hour">Where the hour hand points, 0 ≤ x &lt; 12 hours; null where it was not placed.</param>
/// <param name="Minute">Where the minute hand points, 0 ≤ y &lt; 60 minutes; null where it was not placed.</param>
public sealed record PlacedAnswer(double? Hour, double? Minute) : Answer
{
    /// <summary>Both hands, or null where one is missing.</summary>
    public HandPositions? Hands => Hour is { } hour && Minute is { } minute ? new HandPositions(hour, minute) : null;

    /// <summary>The raw form that stands in files: <c>7.67|40</c>.</summary>
    public string Raw => string.Create(CultureInfo.InvariantCulture, $"{Hour:0.##}|{Minute:0.##}");

    /// <inheritdoc/>
    public override string Short(Wording wording) => Raw;
}
