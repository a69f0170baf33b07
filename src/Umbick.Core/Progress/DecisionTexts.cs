using System.Globalization;

namespace Umbick.Core.Progress;

/// <summary>What a teacher reads where a decision is offered.</summary>
/// <param name="Question">The question.</param>
/// <param name="Grounds">What it rests on.</param>
/// <param name="Take">What stands on the press that takes it.</param>
/// <param name="Leave">What stands on the press that turns it down.</param>
public sealed record OfferText(string Question, string Grounds, string Take, string Leave);

/// <summary>The words of decisions.</summary>
public static class DecisionTexts
{
    /// <summary>What is read where a decision is offered.</summary>
    public static OfferText Of(Offer offer)
    {
        var colds = string.Join(", ", offer.Grounds.Select(cold => $"{cold.Right} of {cold.Telling.Count} on {cold.Day.ToString("d MMM", CultureInfo.InvariantCulture)}"));
        return offer switch
        {
            { Kind: DecisionKind.ChangeApproach } => new("Change the approach?", $"Three cold starts in a row with none or one right, and no rise: {colds}. Try another demonstration, other words or a step back, and not the same again.", "Change the approach", "Go on as it is"),
            { Kind: DecisionKind.BackToPractice } => new("Back to practice?", $"It has come back: {Misses(offer.Grounds[^1])} went its way on {offer.Grounds[^1].Day.ToString("d MMM", CultureInfo.InvariantCulture)}.", "Practise it again", "Wait for the next recheck"),
            { IsMastered: true } => new("Finish this pattern?", $"It is mastered: seven of the last eight cold answers right, and none its way for a week or more ({colds}). Practice can end, and the rechecks begin.", "Finish it", "Practise on"),
            _ => new("Finish this pattern?", $"Three cold starts in a row all right: {colds}. Practice can end; the rechecks begin once it is mastered.", "Finish it", "Practise on"),
        };
    }

    /// <summary>A decision that was taken, as it stands on the record.</summary>
    /// <param name="kind">What it was.</param>
    /// <param name="isTaken">Whether it was taken; else it was turned down.</param>
    public static string Told(DecisionKind kind, bool isTaken) => (kind, isTaken) switch
    {
        (DecisionKind.ChangeApproach, true) => "approach changed",
        (DecisionKind.ChangeApproach, false) => "approach kept as it was",
        (DecisionKind.FinishPattern, true) => "finished",
        (DecisionKind.FinishPattern, false) => "practised on",
        (DecisionKind.BackToPractice, true) => "back to practice",
        (DecisionKind.BackToPractice, false) => "left to the next recheck",
        (DecisionKind.Confirm, _) => "confirmed by you",
        _ => "ruled out by you",
    };

    /// <summary>Where a pattern's work stands, in a few words.</summary>
    public static string Told(PatternPhase phase) => phase switch
    {
        PatternPhase.Finished => "practice has ended, not mastered yet",
        PatternPhase.InRechecks => "mastered, in rechecks",
        PatternPhase.Secure => "mastered, and it has lasted",
        _ => "practised",
    };

    /// <summary>When a recheck is, in a few words.</summary>
    public static string Told(RecheckTime time) => time switch
    {
        RecheckTime.NextVisit => "the next visit",
        RecheckTime.NextWeek => "the next week",
        RecheckTime.ThreeWeeks => "three school weeks later",
        _ => "after the holiday",
    };

    private static string Misses(ColdResult cold) => $"{cold.ItsWay} of {cold.Telling.Count}";
}
