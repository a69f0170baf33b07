using System.Globalization;
using Umbick.Core.Clocks;
using Umbick.Core.Patterns;

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
    public static OfferText For(Offer offer)
    {
        var colds = string.Join(", ",
            offer.Grounds.Select(cold =>
                $"{cold.Right} of {cold.Telling.Count} on {cold.Day.ToString("d MMM", CultureInfo.InvariantCulture)}"));
        return offer switch
        {
            { IsStuck: true } =>
                new("Change the approach?",
                    $"Stuck at {Usual(offer.Grounds)} of {ColdResult.Whole}: no rise in eight cold starts ({InShort(offer.Grounds)})."
                        + $" Try another demonstration, other words or a step back. {AskAfter}",
                        "Change the approach", "Go on as it is"),
            { Kind: DecisionKind.ChangeApproach } =>
                new("Change the approach?",
                    $"Three cold starts in a row with none or one right, and no rise: {colds}. Try another demonstration, other words or "
                        + $"a step back, and not the same again. {AskAfter}", "Change the approach", "Go on as it is"),
            { Kind: DecisionKind.BackToPractice, IsPractised: false } =>
                new("Begin to practise it?",
                    $"It has come back: {Misses(offer.Grounds[^1])} went its way on "
                        + $"{offer.Grounds[^1].Day.ToString("d MMM", CultureInfo.InvariantCulture)}.", "Practise it",
                        "Wait for the next recheck"),
            { Kind: DecisionKind.BackToPractice } =>
                new("Back to practice?",
                    $"It has come back: {Misses(offer.Grounds[^1])} went its way on "
                        + $"{offer.Grounds[^1].Day.ToString("d MMM", CultureInfo.InvariantCulture)}.", "Practise it again",
                        "Wait for the next recheck"),
            { IsPractised: false } =>
                new("Finish this pattern?",
                    $"It comes right without any practice: {colds}. Practice can be left out, and the rechecks "
                        + $"begin{(offer.IsMastered ? "" : " once it is mastered")}.", "Finish it", "Practise it all the same"),
            { IsMastered: true } =>
                new("Finish this pattern?",
                    $"It is mastered: seven of the last eight cold answers right, and none its way for a week or more ({colds}). Practice "
                        + $"can end, and the rechecks begin.", "Finish it", "Practise on"),
            _ => new("Finish this pattern?",
                $"Three cold starts in a row all right: {colds}. Practice can end; the rechecks begin once it is mastered.", "Finish it",
                "Practise on"),
        };
    }

    /// <summary>What is easily overlooked where a child does not come on.</summary>
    public const string AskAfter = "Before that, ask after eyesight, hearing, language, and counting in fives.";

    /// <summary>Many cold starts in short: <c>0, 2, 2 of 4, 11 Oct to 29 Nov</c>.</summary>
    private static string InShort(IReadOnlyList<ColdResult> colds) => string.Create(CultureInfo.InvariantCulture,
        $"{string.Join(", ", colds.Select(cold => cold.Right))} of {ColdResult.Whole}, {colds[0].Day:d MMM} to {colds[^1].Day:d MMM}");

    /// <summary>How many come right in the later half, most often.</summary>
    private static int Usual(IReadOnlyList<ColdResult> colds) =>
        colds.Skip(colds.Count / 2).GroupBy(cold => cold.Right).OrderByDescending(same => same.Count()).ThenByDescending(same => same.Key)
            .First().Key;

    /// <summary>A decision that was taken, as it stands on the record.</summary>
    /// <param name="kind">What it was.</param>
    /// <param name="isTaken">Whether it was taken; else it was turned down.</param>
    public static string InWords(DecisionKind kind, bool isTaken) => (kind, isTaken) switch
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

    /// <summary>Where a pattern's work stands, in a few words: nothing is called practised that was not.</summary>
    public static string InWords(PatternCourse course) => course switch
    {
        { Phase: PatternPhase.Finished, Practised: null } => "not practised, and not mastered yet",
        { Phase: PatternPhase.Finished } => "practice has ended, not mastered yet",
        { Phase: PatternPhase.InRechecks } => "mastered, in rechecks",
        { Phase: PatternPhase.Secure } => "mastered, and it has lasted",
        { Practised: null } => "not practised yet",
        _ => "practised",
    };

    /// <summary>What the work on a pattern was on, as a sentence; where look-alikes have changed places, it says so.</summary>
    /// <param name="pattern">The pattern that it is told of as.</param>
    /// <param name="course">The work on it.</param>
    /// <param name="wording">How times are said.</param>
    public static string WorkOn(Pattern pattern, PatternCourse course, Wording wording)
    {
        var reads = pattern.TextsIn(wording).Reads;
        string And(IEnumerable<Pattern> patterns) => string.Join(" and ", patterns.Select(other => other.TextsIn(wording).Reads));
        return course switch
        {
            { Practised: { } practised } when !practised.As.Contains(pattern) =>
                $"Practised as {And(practised.As)}; the answers now look more like {reads}.",
            { Practised: not null } => $"Practised: {reads}.",
            { LookedAtAs.Count: > 0 } =>
                $"Looked at as {And(course.LookedAtAs)}; the answers now look more like {reads}. Not practised yet.",
            _ => $"Not practised yet: {reads}.",
        };
    }

    /// <summary>When a recheck is, in a few words.</summary>
    public static string InWords(RecheckTime time) => time switch
    {
        RecheckTime.NextVisit => "the next visit",
        RecheckTime.NextWeek => "the next week",
        RecheckTime.ThreeWeeks => "three school weeks later",
        _ => "after the holiday",
    };

    private static string Misses(ColdResult cold) => $"{cold.ItsWay} of {cold.Telling.Count}";
}
