namespace Umbick.Core.Patterns;

internal static class AnsweringPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new(Catalogue.SameAnswer, ModelParameters.RepeatingPrior, new RepeatingRule(), new(
            Name: "The same answer again and again",
            Finding: "{child} gives one answer again and again, whatever the clock shows.",
            Reads: "the same answer again",
            Family: "Your child gave the same answer to many clocks. They may have been tired, unsure, or not yet ready for these.",
            Why: "An answer that was once praised is safe. Or the clocks were too hard, and it was a way to be done.",
            HourFirst: "Stop, and turn one o’clock together. Ask only what changed on the clock, not what time it is.",
            MinuteFirst: "Stop, and turn one o’clock together. Ask only what changed on the clock, not what time it is.",
            Practise: "Practise: look first, then say")),
    ];
}
