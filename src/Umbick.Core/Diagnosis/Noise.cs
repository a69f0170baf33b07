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
    private static readonly int[] Slips = [-60, -5, -1, 1, 5, 60];

    /// <summary>The chance of an answer to an item when no way is followed, 0 to 1.</summary>
    public static double ChanceOf(Item item, Answer answer)
    {
        if (answer is PlacedAnswer { Hands: { } hands })
            return IsRightPlace(item, hands) ? Right : (1 - Right) / AnyPlace;
        var anything = (1 - Right - NearSlips) * GuessedAnswer;
        if (answer.Equals(item.Right)) return Right + anything;
        return answer.Meaning is { } time && Array.Exists(Slips, slip => item.Time.Plus(slip) == time)
            ? (NearSlips / Slips.Length) + anything
            : anything;
    }

    private static bool IsRightPlace(Item item, HandPositions hands)
    {
        var right = HandPositions.Of(item.Time);
        return HandPositions.MinutesApart(hands.Minute, right.Minute) <= Scoring.MinuteHandTolerance
            && HandPositions.HoursApart(hands.Hour, right.Hour) <= Scoring.OClockTolerance;
    }
}
