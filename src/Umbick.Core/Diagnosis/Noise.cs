using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>What a child answers on the occasions when she does not follow her own way: often right, sometimes nearly, rarely anything.</summary>
public static class Noise
{
    /// <summary>How often a child follows her way: the levels that are reckoned with, each with its share of children.</summary>
    public static IReadOnlyList<(double Consistency, double Share)> Levels { get; } = [(0.6, 0.2), (0.8, 0.35), (0.95, 0.45)];

    /// <summary>The share of children who guess, before anything is asked.</summary>
    public const double GuessingShare = 0.02;

    /// <summary>The chance of any one answer from a child who guesses: one of the 144 times in fives.</summary>
    public const double GuessedAnswer = 1.0 / 144;

    private const double Right = 0.45;
    private const double NearSlips = 0.25;
    private const double AnyPlace = 40;
    private const double AnyPart = 12;
    private static readonly int[] Slips = [-60, -5, -1, 1, 5, 60];

    /// <summary>The chance of an answer to an item when no way is followed, 0 to 1.</summary>
    public static double ChanceOf(Item item, Answer answer)
    {
        if (item.Choices.Count > 0) return (Equals(answer.Meaning, item.Time) ? Right : 0) + ((1 - Right) / item.Choices.Count);
        if (answer is PlacedAnswer placed) return IsRightPlace(item, placed) ? Right : (1 - Right) / AnyPlace;
        if (item.Task.Form is AnswerForm.Hour or AnswerForm.Minutes or AnswerForm.Places)
            return answer.Equals(item.Right) || (answer is DigitalAnswer { Minutes: null } hour && hour.Hour == item.Time.Hour) ? Right : (1 - Right) / AnyPart;
        var anything = (1 - Right - NearSlips) * GuessedAnswer;
        if (answer.Equals(item.Right)) return Right + anything;
        return answer.Meaning is { } time && Array.Exists(Slips, slip => item.Time.Plus(slip) == time)
            ? (NearSlips / Slips.Length) + anything
            : anything;
    }

    /// <summary>The chance of any one answer to an item from a child who guesses, 0 to 1.</summary>
    public static double Guessed(Item item) => item switch
    {
        { Choices.Count: > 0 and var choices } => 1.0 / choices,
        { Task.Form: AnswerForm.Hour or AnswerForm.Minutes or AnswerForm.Places } => 1 / AnyPart,
        _ => GuessedAnswer,
    };

    private static bool IsRightPlace(Item item, PlacedAnswer placed)
    {
        var right = HandPositions.Of(item.Time);
        return (placed.Minute is not { } minute || HandPositions.MinutesApart(minute, right.Minute) <= Scoring.MinuteHandTolerance)
            && (placed.Hour is not { } hour || HandPositions.HoursApart(hour, right.Hour) <= Scoring.OClockTolerance);
    }
}
