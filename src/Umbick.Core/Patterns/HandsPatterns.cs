namespace Umbick.Core.Patterns;

internal static class HandsPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("hands-swapped", 0.10, new HandsRule(swapped: true), new(
            Name: "The two hands are taken for each other",
            Finding: "{child} takes the two hands for each other.",
            Reads: "the hands swapped",
            Family: "Your child sometimes reads the long hand as the hour and the short hand as the minutes.",
            Why: "‘Big hand’ and ‘little hand’ can mean long or thick. A child who began with digital times also looks first for the "
                + "hand that reaches the numerals.",
            HourFirst: "Find the short hand and cover the other. What hour has it passed? Only then uncover the long one.",
            MinuteFirst: "Run a finger along each hand to the edge. The one that reaches the ticks counts minutes. Read it, then look "
                + "for the short one.",
            Practise: "Practise: which hand tells the hour?")),
    ];
}
