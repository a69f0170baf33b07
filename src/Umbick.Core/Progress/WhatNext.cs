using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;

namespace Umbick.Core.Progress;

/// <summary>What to do with a child next, the most pressing first.</summary>
public enum NextStep
{
    /// <summary>A sitting was left in the middle.</summary>
    GoOnAsking,

    /// <summary>A check form of the cycle is due.</summary>
    GiveForm,

    /// <summary>A pattern whose practice has ended is to be looked at again.</summary>
    Recheck,

    /// <summary>A set is assigned and not finished.</summary>
    DoTheSet,

    /// <summary>A pattern is likely and nothing is assigned for it.</summary>
    Practise,

    /// <summary>Nothing has been asked yet.</summary>
    AskFirst,

    /// <summary>A set was done since the last asking: see whether it holds.</summary>
    AskAgain,

    /// <summary>Something is possible, and a few more questions would settle it.</summary>
    AskMore,

    /// <summary>Something stands out that has no name: look at the answers, with the child.</summary>
    LookTogether,

    /// <summary>Nothing is likely: look in again some weeks on.</summary>
    LookInAgain,
}

/// <summary>One recommendation with its reason.</summary>
/// <param name="Step">What to do.</param>
/// <param name="Pattern">The pattern it is about; null where it is about none.</param>
/// <param name="Heading">It in a few words.</param>
/// <param name="Reason">Why, as a sentence.</param>
public sealed record WhatNext(NextStep Step, Pattern? Pattern, string Heading, string Reason)
{
    /// <summary>The letter of the check form that is due; null where none is.</summary>
    public string? Form { get; init; }

    /// <summary>What to do next with a child.</summary>
    /// <param name="state">Where their case stands.</param>
    /// <param name="wording">How the heading says times.</param>
    public static WhatNext For(CaseState state, Wording? wording = null)
    {
        var likely = state.Likely.Count > 0 ? state.Likely[0] : null;
        var possible = state.Possible.Count > 0 ? state.Possible[0] : null;
        return state switch
        {
            { AskingOpen: true } => new(NextStep.GoOnAsking, null, "Go on asking", "A sitting is unfinished. Every answer in it is kept."),
            { Due: { Form: { } form } } => new(NextStep.GiveForm, null, $"Form {form}", form switch
            {
                "A" => "A cycle begins. What comes right now is what its end is held against.",
                "B" => "Half of the cycle is over.",
                _ => "The cycle ends. Its last form shows what has grown.",
            })
            { Form = form },
            { Due: { Pattern: { } due, IsRecheck: true } } =>
                new(NextStep.Recheck, due, $"Recheck: {due.TextsIn(wording ?? Wording.Usual).Reads}",
                    "It is mastered. Five bare clocks show whether it has stayed away."),
            { Due.Pattern: { } due } =>
                new(NextStep.Recheck, due, $"A cold start: {due.TextsIn(wording ?? Wording.Usual).Reads}",
                    "Practice has ended, but it is not mastered yet. Five plain clocks will show how far it has come."),
            { SetOpen: true } => new(NextStep.DoTheSet, likely, "Do the set", "A practice set is ready and has not been finished."),
            { Sittings: 0 } => new(NextStep.AskFirst, null, "Ask about ten times",
                "Nothing has been asked yet. Ten or twelve clock times are enough to begin with."),
            { PractisedSinceAsked: true, StartsCold: false } =>
                new(NextStep.AskAgain, likely, "Ask again, bare",
                    "A set was done since the last asking. See whether it holds without help."),
            _ when likely is not null =>
                new(NextStep.Practise, likely, likely.TextsIn(wording ?? Wording.Usual).Practise, WhyPractise(state)),
            { Beside: BesidePatterns.Guessing } =>
                new(NextStep.LookTogether, null, "Go back to what is sure",
                    "The answers do not follow the clock yet. Ask at an earlier stage, or check first what reading stands on."),
            { Beside: BesidePatterns.SameAnswer } =>
                new(NextStep.LookTogether, null, "Turn one clock together",
                    "One answer came again and again. Find out whether the clocks were too hard, or it was just a bad day."),
            _ when possible is not null =>
                new(NextStep.AskMore, possible, "Ask a few more", "Something may lie behind the answers. A few more questions will tell."),
            { Beside: BesidePatterns.OtherWay } =>
                new(NextStep.LookTogether, null, "Look at these answers together",
                    "One step follows a way of the child’s own. Ask how they found the answer, and give it a name."),
            { Beside: BesidePatterns.MuchWrong } =>
                new(NextStep.LookTogether, null, "Go back to what is sure",
                    "More answers were wrong than right, in no single way. Ask at an earlier stage."),
            { Later: { } later } =>
                new(NextStep.LookInAgain, later.Pattern,
                    $"Nothing until {later.Day.ToString("d MMMM", System.Globalization.CultureInfo.InvariantCulture)}",
                    later.Form is { } form ? $"Form {form} is due then." : "It is looked at again then, by five bare clocks."),
            _ => new(NextStep.LookInAgain, null, "Look in again", "No pattern stands out. Ask again in a few weeks."),
        };
    }

    /// <summary>Whether something waits to be done with the child, and not only to be asked.</summary>
    public bool IsWaiting => Step is NextStep.GoOnAsking or NextStep.GiveForm or NextStep.Recheck or NextStep.DoTheSet or NextStep.Practise;

    private static string WhyPractise(CaseState state) =>
        state.StartsCold ? "Begin with five plain clocks: they show how far it has come."
        : state.Likely.Count > 1 ? "It costs most of what is likely, so it comes first."
        : "It is likely now.";
}
