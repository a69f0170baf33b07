namespace Umbick.Core.Clocks;

/// <summary>A time in figures, or in the plain words for them (six thirty).</summary>
/// <param name="Hour">The number written as the hour; null where it was left out (<c>:30</c>).</param>
/// <param name="Minutes">The number written as the minutes; null where the hour stands alone.</param>
/// <param name="Figures">How many figures the minutes were written with: 0, 1 or 2. <c>9:5</c> and <c>9:05</c> differ.</param>
public sealed record DigitalAnswer(int? Hour, int? Minutes, int Figures) : Answer
{
    /// <summary>The time written as it should be, with two figures for the minutes.</summary>
    public static DigitalAnswer Showing(ClockTime time) => new(time.Hour, time.Minute, 2);

    /// <summary>
    /// What is written, with a whole 24-hour time folded on to the twelve-hour face: 20:35 is the same reading as 8:35, but 40:8 stays what
    /// it is.
    /// </summary>
    public static DigitalAnswer Folded(int? hour, int? minutes, int figures) =>
        figures == 2 && minutes < 60 && hour is 0 or (>= 13 and <= 23)
            ? new DigitalAnswer(Hours.Named(hour.Value), minutes, figures)
            : new DigitalAnswer(hour, minutes, figures);

    /// <inheritdoc/>
    public override ClockTime? Meaning => Hour is { } hour && Minutes is { } minutes ? ClockTime.TryCreate(hour, minutes) : null;

    /// <inheritdoc/>
    public override string Short(Wording wording)
    {
        var minutes = Figures == 2 ? $"{Minutes:00}" : $"{Minutes}";
        return Minutes is null ? $"{Hour}" : $"{Hour}{wording.Mark}{minutes}";
    }
}
