using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class WritingPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("no-leading-zero", 0.04, new WritingRule((hour, minutes) => new DigitalAnswer(hour, minutes, minutes < 10 ? 1 : 2)), new(
            Name: "Minutes under ten are written with one figure",
            Finding: "{child} writes minutes under ten with one figure.",
            Reads: "one figure for small minutes",
            Family: "Your child writes 9:5 for five {past} nine. The minutes always take two figures.",
            Why: "Five is written 5 everywhere else.",
            HourFirst: "Two boxes for the minutes, always. Nothing in the first one? Then it holds a nought.",
            MinuteFirst: "Write the minutes into two boxes before the hour. An empty box holds a nought.",
            Practise: "Practise: two boxes for the minutes")),

        new("zero-after", 0.03, new WritingRule((hour, minutes) => new DigitalAnswer(hour, minutes < 10 ? minutes * 10 : minutes, 2)), new(
            Name: "The nought is written on the wrong side",
            Finding: "{child} puts the nought after small minutes instead of before them.",
            Reads: "the nought on the wrong side",
            Family: "Your child writes 9:50 for five {past} nine: the nought has gone to the wrong side.",
            Why: "Two figures are wanted, so the gap is filled up from the left.",
            HourFirst: "Read it back: is 9:50 five {past} nine? The nought holds the tens’ place, so it comes first.",
            MinuteFirst: "Say the minutes as ‘nought five’ and write them as you say them.",
            Practise: "Practise: where does the nought go?")),

        new("minutes-first", 0.02, new WritingRule((hour, minutes) => DigitalAnswer.Folded(minutes, hour, hour < 10 ? 1 : 2)), new(
            Name: "Minutes are written before the hour",
            Finding: "{child} writes the minutes first and then the hour.",
            Reads: "the minutes written first",
            Family: "Your child writes the two parts of the time in the order in which they are said.",
            Why: "‘Twenty {past} eight’ says the minutes first, and so they are written first.",
            HourFirst: "Figures begin with the hour. Say ‘hour, then minutes’ while writing.",
            MinuteFirst: "Words may begin with the minutes; figures begin with the hour. Leave room for it.",
            Practise: "Practise: hour, then minutes")),

        new("hour-alone", 0.03, new WritingRule((hour, _) => new DigitalAnswer(hour, null, 0)), new(
            Name: "Only the hour is written",
            Finding: "{child} writes the hour and leaves the minutes out.",
            Reads: "the hour written alone",
            Family: "Your child writes only the hour.",
            Why: "A time still means ‘which hour’, or the colon and what follows are not yet familiar.",
            HourFirst: "After the hour comes the mark, and after the mark two figures. What goes there?",
            MinuteFirst: "Put the minutes into their boxes first. Then the hour in front of them.",
            Practise: "Practise: what comes after the mark?"))
        { Alike = ["minutes-ignored"] },
    ];
}
