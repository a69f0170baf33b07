using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Drawing;

/// <summary>The three sizes in which a face is drawn. They differ in what is drawn, not only in how large.</summary>
public enum FaceSize
{
    /// <summary>Under 60 px: no numerals, thick hands, a ring where the answer was wrong.</summary>
    Mini,

    /// <summary>About 90 to 130 px: numerals and the ticks at them.</summary>
    Middle,

    /// <summary>300 px and more: every tick.</summary>
    Large,
}

/// <summary>A hand that is shown alone.</summary>
public enum OneHand
{
    /// <summary>The hour hand.</summary>
    Hour,

    /// <summary>The minute hand.</summary>
    Minute,
}

/// <summary>A clock face to be drawn.</summary>
/// <param name="Size">Its size.</param>
public sealed record Face(FaceSize Size)
{
    /// <summary>The true hands, in ink; null where none are shown.</summary>
    public HandPositions? Hands { get; init; }

    /// <summary>The child's reading as hands, in violet under the true ones; null where there is none or it cannot be shown.</summary>
    public HandPositions? Shadow { get; init; }

    /// <summary>Whether the answer was wrong, so that it shows also where its hands cannot be drawn.</summary>
    public bool Wrong { get; init; }

    /// <summary>The help drawn on it.</summary>
    public Support Support { get; init; }

    /// <summary>Whether a time in words is asked: minutes after the half hour are then numbered as they are left.</summary>
    public bool InWords { get; init; }

    /// <summary>The hand that is shown alone; null where both are.</summary>
    public OneHand? Only { get; init; }

    /// <summary>Whether the face has no numerals, because the child is to put them there.</summary>
    public bool Blank { get; init; }

    /// <summary>What a screen reader says; null where saying it would give the answer away.</summary>
    public string? Label { get; init; }

    /// <summary>The hand that an item shows alone; null where it shows both.</summary>
    public static OneHand? OnlyOf(ClockTask task) => task.Stimulus switch
    {
        Stimulus.HourHand => OneHand.Hour,
        Stimulus.MinuteHand => OneHand.Minute,
        _ => null,
    };

    /// <summary>The hands of an answer, or null where no clock can show it.</summary>
    public static HandPositions? HandsOf(Answer? answer) => answer switch
    {
        PlacedAnswer placed => placed.Hands,
        { Meaning: { } time } => HandPositions.Showing(time),
        _ => null,
    };

    /// <summary>A clock on which one hand is as it was answered, and the other true.</summary>
    private static HandPositions? WithOneHand(ClockTime time, Answer? answer)
    {
        var hands = HandPositions.Showing(time);
        return answer switch
        {
            PlacedAnswer { Hour: { } hour } => hands with { Hour = hour },
            PlacedAnswer { Minute: { } minute } => hands with { Minute = minute },
            DigitalAnswer { Hour: null, Minutes: { } minutes and < 60 } => hands with { Minute = minutes },
            HourPlaceAnswer { Hour: >= 1 and <= 12 } place =>
                HandPositions.Wrapped(place.Hour + HourPlaces.Middle(place.Place), hands.Minute),
            _ => null,
        };
    }

    /// <summary>
    /// An answer as a clock: where it was one hand that was asked for, with the other true. Null where no clock can show it.
    /// </summary>
    public static HandPositions? HandsOf(Answer? answer, ClockTime time) => HandsOf(answer) ?? WithOneHand(time, answer);

    /// <summary>A true clock with what was answered as its shadow, where that was wrong.</summary>
    public static Face Showing(FaceSize size, ClockTime time, Answer? answer, bool isRight, string? label) => new(size)
    {
        Hands = HandPositions.Showing(time),
        Shadow = isRight ? null : HandsOf(answer, time),
        Wrong = answer is not null && !isRight,
        Label = label,
    };
}
