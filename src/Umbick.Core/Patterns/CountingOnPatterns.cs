using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

internal static class CountingOnPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("past-sixty", 0.08, new OtherSkillRule(Step.CountingOn, PastSixty), new(
            Name: "The count goes on beyond 59",
            Finding: "{child} counts on beyond 59 and keeps the hour: a minute after 10:59 is 10:60.",
            Reads: "minutes counted beyond 59",
            Family: "Your child counts on to 10:60. After 59 a new hour begins.",
            Why: "After fifty-nine comes sixty in every other count.",
            HourFirst: "Watch the geared clock go from 59 to the top. What happens to the short hand, and to the hour’s name?",
            MinuteFirst: "Fifty-nine, and one more: the hour is full. Change its name and begin again at nought.",
            Practise: "Practise: over the top into a new hour")),

        new("hundred-minutes", 0.05, new OtherSkillRule(Step.CountingOn, InHundreds), new(
            Name: "An hour is taken as a hundred minutes",
            Finding: "{child} reckons as if an hour had a hundred minutes.",
            Reads: "an hour as a hundred minutes",
            Family: "Your child reckons with a hundred minutes in an hour. It has sixty.",
            Why: "Everything else that is written with two figures after a mark has a hundred parts.",
            HourFirst: "Go once round in fives and say where you end: sixty. Half of that is thirty.",
            MinuteFirst: "Count the ticks of one turn. So a half has thirty and a quarter fifteen.",
            Practise: "Practise: sixty in an hour")),

        new("counts-the-start", 0.04, new OtherSkillRule(Step.CountingOn, CountsTheStart), new(
            Name: "The minute it is now is counted as the first",
            Finding: "{child} counts the minute it is now as the first, and comes out one short.",
            Reads: "the starting minute counted as one",
            Family: "Your child says ‘one’ for the minute it is now. The first minute is over when the next one comes.",
            Why: "When things are counted, the one the finger is on is the first. Minutes are the steps between.",
            HourFirst: "Put a finger on where the long hand is. It has not moved yet: say ‘nought’. Each jump is one.",
            MinuteFirst: "Count jumps, not places: from the tick it is on to the next is the first minute.",
            Practise: "Practise: count the jumps")),
    ];

    private static string? CountsTheStart(OtherSkillItem question) => question switch
    {
        { Kind: QuestionKind.After, Time: var time, Minutes: > 1 and var minutes } => $"{time.Plus(minutes - 1)}",
        { Kind: QuestionKind.Before, Time: var time, Minutes: > 1 and var minutes } => $"{time.Plus(1 - minutes)}",
        { Kind: QuestionKind.Until, Minutes: var minutes } => $"{minutes + 1}",
        _ => null,
    };

    private static string? PastSixty(OtherSkillItem question) => question switch
    {
        { Kind: QuestionKind.After, Time: var time, Minutes: var minutes } when time.Minute + minutes is >= 60 and < 100 =>
            $"{time.Hour}:{time.Minute + minutes}",
        _ => null,
    };

    private static string? InHundreds(OtherSkillItem question) => question switch
    {
        { Kind: QuestionKind.MinutesIn, Minutes: 60 } => "100",
        { Kind: QuestionKind.MinutesIn, Minutes: 30 } => "50",
        { Kind: QuestionKind.MinutesIn, Minutes: 15 } => "25",
        { Kind: QuestionKind.Before, Time: var time, Minutes: var minutes } when minutes > time.Minute =>
            $"{Clocks.Hours.Before(time.Hour)}:{100 + time.Minute - minutes}",
        { Kind: QuestionKind.Until, Time: var time, Minutes: var minutes } when time.Minute + minutes >= 60 => $"{minutes + 40}",
        { Kind: QuestionKind.HalfHourAfter, Time: { Minute: < 50 } time } => $"{time.Hour}:{time.Minute + 50}",
        { Kind: QuestionKind.QuarterHourAfter, Time: var time } => $"{time.Hour}:{time.Minute + 25:00}",
        _ => null,
    };
}
