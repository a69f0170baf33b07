using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>Stands in a prediction for 'any answer that is wrong at one step and right at the others'.</summary>
/// <param name="At">The step that is taken some other way.</param>
/// <param name="Hour">The hour that comes out.</param>
/// <param name="Minutes">The minutes that come out.</param>
internal sealed record SomeOtherAnswer(Step At, StepResult Hour, StepResult Minutes) : Answer
{
    public override string Short(Wording wording) => "some other answer";

    /// <summary>The chance of just this answer among all those meant; 0 where it is not one of them.</summary>
    public double ChanceOf(Item item, Answer answer) => answer switch
    {
        PlacedAnswer placed => ChanceOfPlaced(item, placed),
        DigitalAnswer written when At == Step.Writing => IsMiswritten(written) ? 1 / ModelParameters.WrongWritings : 0,
        DigitalAnswer { Hour: { } hour, Minutes: null } => At == Step.Hour && hour is >= 1 and <= 12 && hour != item.Time.Hour
            ? 1 / ModelParameters.WrongHours : 0,
        DigitalAnswer { Hour: null, Minutes: { } minutes } => At == Step.Minutes && minutes != item.Time.Minute
            ? 1 / ModelParameters.WrongMinutes : 0,
        { Meaning: { } time } when time != item.Time => At switch
        {
            Step.PastOrTo => ChanceOfTurned(item.Time, time),
            Step.Fractions => IsNearHour(item.Time, time) ? 1 / ModelParameters.WrongFractions : 0,
            Step.Writing => 0,
            _ => ChanceOfRead(item.Time, time),
        },
        _ => 0,
    };

    private double ChanceOfRead(ClockTime right, ClockTime given) =>
        Hour.ChanceOf(given.Hour, right.Hour, ModelParameters.WrongHours) * Minutes.ChanceOf(given.Minute, right.Minute,
            ModelParameters.WrongMinutes);

    private static double ChanceOfTurned(ClockTime right, ClockTime given)
    {
        var sameMinutes = given.Minute == right.Minute || given.Minute == (60 - right.Minute) % 60;
        return sameMinutes && IsNearHour(right, given) ? 1 / ModelParameters.WrongPastOrTo : 0;
    }

    private static bool IsNearHour(ClockTime right, ClockTime given) => given.Hour == right.Hour || given.Hour == Hours.After(right.Hour)
        || given.Hour == Hours.Before(right.Hour);

    /// <summary>Whether the figures are those of the time, noughts aside, and it is not written as it should be.</summary>
    private bool IsMiswritten(DigitalAnswer written)
    {
        if (Hour.IsAnyWrong || Minutes.IsAnyWrong) return false;
        var proper = new DigitalAnswer(Hour.Value, Minutes.Value, 2);
        return !written.Equals(proper) && FiguresOf(written).SequenceEqual(FiguresOf(proper));
    }

    private static IEnumerable<char> FiguresOf(DigitalAnswer written) =>
        string.Create(CultureInfo.InvariantCulture, $"{written.Hour}{written.Minutes}").Where(figure => figure != '0').Order();

    private double ChanceOfPlaced(Item item, PlacedAnswer placed)
    {
        var right = HandPositions.Showing(item.Time);
        var minuteRight = placed.Minute is not { } minute
            || HandPositions.MinutesApart(minute, right.Minute) <= ModelParameters.MinuteHandTolerance;
        var hourRight = placed.Hour is not { } hour || HandPositions.HoursApart(hour, right.Hour) <= ModelParameters.PlaceTolerance;
        return At switch
        {
            Step.Minutes => hourRight && !minuteRight ? 1 / ModelParameters.WrongMinutes : 0,
            Step.Fractions => item.Task.Stimulus == Stimulus.Words && !minuteRight ? 1 / ModelParameters.WrongFractions : 0,
            Step.PastOrTo => item.Task.Stimulus == Stimulus.Words && !minuteRight
                ? 1 / ModelParameters.WrongHourPlaces / ModelParameters.WrongPastOrTo : 0,
            _ => minuteRight && !hourRight ? 1 / ModelParameters.WrongHourPlaces : 0,
        };
    }
}
