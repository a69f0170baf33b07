namespace Umbick.Core.Patterns;

/// <summary>What is said to a child when she is asked to look again: about the step, never about her.</summary>
public static class ChildWords
{
    /// <summary>A question that points at the step which a set practises.</summary>
    public static string LookAgain(Step step) => step switch
    {
        Step.Hands => "Which hand is the short one? That one tells the hour.",
        Step.Hour => "Which number has the short hand passed?",
        Step.Minutes => "Start at the top and count in fives to the long hand.",
        Step.PastOrTo => "Is the long hand on its way down, or on its way up?",
        Step.Fractions => "Half way round is thirty minutes. A quarter is half of that.",
        Step.CountingOn => "An hour is full at sixty. What comes then?",
        Step.DayHalves => "Is it before noon or after?",
        Step.Writing => "The minutes always have two figures.",
        _ => "How far has the short hand moved on from its number?",
    };
}
