using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

internal static class DayHalvesPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("noon-is-am", 0.08, new OtherSkillRule(Step.DayHalves, NoonInTheMorning), new(
            Name: "Noon is taken for morning",
            Finding: "{child} puts noon and the half hour after it into the morning.",
            Reads: "noon as a.m.",
            Family: "Your child writes a.m. for the middle of the day. From noon on it is p.m.",
            Why: "Twelve follows eleven, and eleven was a.m.",
            HourFirst: "Draw the day as a line with the sun on it. At the highest point the count turns: from there it is p.m.",
            MinuteFirst: "Draw the day as a line with the sun on it. At the highest point the count turns: from there it is p.m.",
            Practise: "Practise: where the day turns")),

        new("midnight-is-pm", 0.06, new OtherSkillRule(Step.DayHalves, MidnightInTheEvening), new(
            Name: "Midnight is taken for evening",
            Finding: "{child} puts midnight and the time after it into the day before.",
            Reads: "midnight as p.m.",
            Family: "Your child writes p.m. for the time just after midnight. A new day has begun: it is a.m.",
            Why: "It is still dark and nobody has slept, so it feels like the same evening.",
            HourFirst: "At midnight the calendar turns its leaf. The first hour of the new day is a.m.",
            MinuteFirst: "At midnight the calendar turns its leaf. The first hour of the new day is a.m.",
            Practise: "Practise: when the new day begins")),

        new("twelve-added-always", 0.06, new OtherSkillRule(Step.DayHalves, TwelveAdded), new(
            Name: "Twelve is always added for 24-hour time",
            Finding: "{child} adds twelve for 24-hour time, in the morning too.",
            Reads: "twelve added always",
            Family: "Your child adds twelve to every time. Only the afternoon and evening need it.",
            Why: "Adding twelve is what was practised, and morning times looked as if nothing had been done.",
            HourFirst: "Is it before or after noon? Before: it keeps its number, with a nought in front. After: twelve more.",
            MinuteFirst: "Is it before or after noon? Before: it keeps its number, with a nought in front. After: twelve more.",
            Practise: "Practise: add twelve, or not?")),
    ];

    private static string? NoonInTheMorning(OtherSkillItem question) =>
        question is { Kind: QuestionKind.HalfOfDay, HourOfDay: 12 } ? "a.m." : null;

    private static string? MidnightInTheEvening(OtherSkillItem question) =>
        question is { Kind: QuestionKind.HalfOfDay, HourOfDay: 0 } ? "p.m." : null;

    private static string? TwelveAdded(OtherSkillItem question) =>
        question is { Kind: QuestionKind.DayTime, HourOfDay: > 0 and < 12 } ? $"{question.HourOfDay + 12}:{question.Time.Minute:00}" : null;
}
