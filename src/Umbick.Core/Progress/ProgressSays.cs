using Umbick.Core.Practice;

namespace Umbick.Core.Progress;

/// <summary>What the cold starts of a pattern say of the work, in one word.</summary>
public enum ProgressSays
{
    /// <summary>There are too few to say.</summary>
    TooEarly,

    /// <summary>It was practised, and comes right now.</summary>
    ItWorked,

    /// <summary>It comes right now, and was not practised.</summary>
    ItComesRight,

    /// <summary>Nothing was practised, so nothing can have worked or not.</summary>
    NotBegun,

    /// <summary>More comes right than at first.</summary>
    GettingBetter,

    /// <summary>Neither better nor clearly stuck.</summary>
    NoChangeYet,

    /// <summary>Three in a row with none or one right.</summary>
    NotWorking,

    /// <summary>It came back.</summary>
    CameBack,
}

/// <summary>One sentence on the work with its grounds.</summary>
/// <param name="Says">The word.</param>
/// <param name="Sentence">The sentence.</param>
/// <param name="Grounds">What it rests on, in figures.</param>
public sealed record ProgressSentence(ProgressSays Says, string Sentence, string Grounds)
{
    /// <summary>More of four right in a week than this is getting better.</summary>
    private const double Better = 0.2;

    /// <summary>Reads the sentence off a pattern's course.</summary>
    public static ProgressSentence From(PatternCourse course)
    {
        var whole = course.Colds.Where(cold => cold.IsWhole).ToList();
        var trend = Trend.PerWeek([.. whole.Select(cold => (cold.Day, (double)cold.Right))]);
        var grounds = whole.Count == 0 ? "There has been no cold start yet."
            : whole.Count == 1 ? $"One cold start: {whole[0].Right} of {ColdStart.Telling} right."
            : $"Right out of {ColdStart.Telling}, cold start by cold start: {string.Join(", ", whole.Select(cold => cold.Right))}.";
        var withTrend = whole.Count < 2 ? grounds
            : $"{grounds} {(trend is null ? "With fewer than four no trend is claimed." : InWords(trend.Value))}";
        return course switch
        {
            { Offer.Kind: DecisionKind.BackToPractice } => new(ProgressSays.CameBack, "It has come back.", grounds),
            { Practised: null, Phase: PatternPhase.Secure } =>
                new(ProgressSays.ItComesRight, "It comes right without practice, and it has lasted.", grounds),
            { Practised: null, Phase: PatternPhase.InRechecks } =>
                new(ProgressSays.ItComesRight, "It comes right without practice, and it is being looked at again.", grounds),
            { Practised: null, MasteredOn: not null } => new(ProgressSays.ItComesRight, "It comes right without practice.", grounds),
            { Practised: null, Offer.Kind: DecisionKind.FinishPattern } or { Practised: null, Phase: PatternPhase.Finished } =>
                new(ProgressSays.ItComesRight, "It comes right without practice; it is not mastered yet.", grounds),
            { Phase: PatternPhase.Secure } => new(ProgressSays.ItWorked, "It worked, and it has lasted.", grounds),
            { Phase: PatternPhase.InRechecks } => new(ProgressSays.ItWorked, "It worked, and it is being looked at again.", grounds),
            { MasteredOn: not null } => new(ProgressSays.ItWorked, "It worked.", grounds),
            { Offer.Kind: DecisionKind.FinishPattern } or { Phase: PatternPhase.Finished } =>
                new(ProgressSays.ItWorked, "It seems to have worked; it is not mastered yet.", grounds),
            { Offer.Kind: DecisionKind.ChangeApproach } => new(ProgressSays.NotWorking, "It is not working in this way.", grounds),
            { Practised: null } => new(ProgressSays.NotBegun, "It is not practised yet.", withTrend),
            _ when whole.Count < Trend.Fewest => new(ProgressSays.TooEarly, "It is too early to say.", withTrend),
            _ when trend > Better => new(ProgressSays.GettingBetter, "It is getting better.", withTrend),
            _ => new(ProgressSays.NoChangeYet, "There is no clear change yet.", withTrend),
        };
    }

    private static string InWords(double perWeek) => Math.Abs(perWeek) < 0.05 ? "No change from week to week."
        : string.Create(System.Globalization.CultureInfo.InvariantCulture,
        $"About {Math.Abs(perWeek):0.#} {(perWeek > 0 ? "more" : "fewer")} of {ColdStart.Telling} each week.");
}
