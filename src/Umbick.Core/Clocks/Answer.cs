using System.Globalization;

namespace Umbick.Core.Clocks;

/// <summary>What could be read in an answer exactly as it was given. The raw text is kept beside it, for ever.</summary>
public abstract record Answer
{
    /// <summary>The answer in few signs, as it stands under a face.</summary>
    public abstract string Short(Wording wording);

    /// <summary>The time this answer means, or null where it means none.</summary>
    public virtual ClockTime? Meaning => null;
}

/// <summary>A time in figures, or in the plain words for them (six thirty).</summary>
/// <param name="Hour">The number written as the hour; null where it was left out (<c>:30</c>).</param>
/// <param name="Minutes">The number written as the minutes; null where the hour stands alone.</param>
/// <param name="Figures">How many figures the minutes were written with: 0, 1 or 2. <c>9:5</c> and <c>9:05</c> differ.</param>
public sealed record DigitalAnswer(int? Hour, int? Minutes, int Figures) : Answer
{
    /// <summary>The time written as it should be, with two figures for the minutes.</summary>
    public static DigitalAnswer Of(ClockTime time) => new(time.Hour, time.Minute, 2);

    /// <summary>
    /// What is written, with a whole 24-hour time folded on to the twelve-hour face: 20:35 is the same reading as 8:35,
    /// but 40:8 stays what it is.
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

/// <summary>A time in words with past, to or o'clock.</summary>
public sealed record WordsAnswer(SpokenTime Time) : Answer
{
    /// <inheritdoc/>
    public override ClockTime? Meaning => Time.Meaning();

    /// <inheritdoc/>
    public override string Short(Wording wording) => wording.Short(Time);
}

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

/// <summary>Yes: the time they were shown for the clock is right, or the teacher noted no more than that it was.</summary>
public sealed record SaidRight : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "right";
}

/// <summary>The child gave no answer.</summary>
public sealed record NoAnswer : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "no answer";
}

/// <summary>The child said that they do not know.</summary>
public sealed record DontKnow : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => "don't know";
}

/// <summary>'Half eight', which is half past eight to some and half past seven to others: the teacher says which.</summary>
/// <param name="Hour">The hour that was named, 1 to 12.</param>
public sealed record AmbiguousHalf(int Hour) : Answer
{
    /// <summary>The half hour before the hour that was named.</summary>
    public ClockTime Before => new(Hours.Before(Hour), 30);

    /// <summary>The half hour after it.</summary>
    public ClockTime After => new(Hour, 30);

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"half {Hour}?";
}

/// <summary>Something that could not be read as any answer. It is kept and shown as it is.</summary>
/// <param name="Raw">The text as it was given.</param>
public sealed record Unread(string Raw) : Answer
{
    /// <inheritdoc/>
    public override string Short(Wording wording) => $"“{Raw}”";
}
