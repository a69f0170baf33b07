using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class MinutesPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("numeral-as-minutes", 0.11, new MinutesWay((tick, _) => NumeralAsMinutes(tick)), new(
            Name: "The numeral is read as minutes",
            Finding: "{child} says the numeral at the long hand as if it were the minutes.",
            Reads: "the numeral as minutes",
            Family: "Your child reads the number the long hand points at, so the 7 becomes seven minutes.",
            Why: "The numerals are the only numbers printed on the face, and for the hour they are just what is read.",
            HourFirst: "Say the hour. Then start at 12 as nought and count in fives, touching each numeral, to where the long hand is.",
            MinuteFirst: "Start at the top as nought and count in fives round to the long hand. Put minute numbers outside the face, then take them away.",
            Practise: "Practise: count it, don’t read it"))
        { BenchmarksMayBeRight = true },

        new("fives-from-twelve", 0.05, new MinutesWay((tick, _) => [new(new(tick + 5), 1)]), new(
            Name: "The count starts with five at the 12",
            Finding: "{child} says ‘five’ at the 12, so the minutes come out five too many.",
            Reads: "five at the 12",
            Family: "Your child counts in fives well, but says ‘five’ at the top, where nothing has gone by yet.",
            Why: "A count that begins where the finger is, is how things are counted: the first one touched is the first number said.",
            HourFirst: "At the top no minutes have gone: say ‘nought’. The jump to the 1 is the first five.",
            MinuteFirst: "Count the jumps, not the numerals. From 12 to 1 is one jump, five minutes.",
            Practise: "Practise: nought at the top"))
        { BenchmarksMayBeRight = true },

        new("whole-fives-only", 0.05, new MinutesWay((tick, _) => [new(new(tick / 5 * 5), 1)]), new(
            Name: "Single minutes are left out",
            Finding: "{child} stops at the last five and leaves out the single ticks.",
            Reads: "whole fives only",
            Family: "Your child counts the fives and forgets the small minutes after them.",
            Why: "For a long time every clock she met stood on a five.",
            HourFirst: "Hour, then fives, then ones: change the counting voice at the last numeral and go on tick by tick.",
            MinuteFirst: "Fives to the last numeral, ones from there. Write both down: 15 and 3.",
            Practise: "Practise: fives first, then ones")),

        new("anticlockwise", 0.03, new MinutesWay((tick, _) => [new(new((60 - tick) % 60), 1)]), new(
            Name: "Minutes are counted the wrong way round",
            Finding: "{child} counts the minutes from 12 the wrong way round.",
            Reads: "minutes counted anticlockwise",
            Family: "Your child counts the minutes backwards round the clock.",
            Why: "‘To’ times are counted back from the top, and the nearer way round looks shorter.",
            HourFirst: "Watch the long hand for one turn. Count the way it walks, always.",
            MinuteFirst: "Draw the arrow it walks along, then count along the arrow.",
            Practise: "Practise: count the way it walks"))
        { BenchmarksMayBeRight = true, Alike = ["minutes-to-as-minutes"] },

        new("minutes-to-as-minutes", 0.04, new MinutesWay((tick, _) => MinutesToAsMinutes(tick)), new(
            Name: "Minutes to go are given as the minutes",
            Finding: "{child} counts late minutes back from 12 and gives them as the minutes.",
            Reads: "the minutes to go",
            Family: "When it is nearly the hour, your child says how many minutes are left as if they had gone by.",
            Why: "It is the right count for ‘to’ with the ‘to’ left out.",
            HourFirst: "Ask: is that how many have gone, or how many are left? Figures always tell how many have gone.",
            MinuteFirst: "Past the half, count both ways and label them: gone, and to go. Figures take the ones gone.",
            Practise: "Practise: gone by, or still to go?"))
        { BenchmarksMayBeRight = true, Alike = ["anticlockwise"] },

        new("minutes-ignored", 0.03, new MinutesWay((_, _) => [new(new(0), 1)]), new(
            Name: "Everything is o’clock",
            Finding: "{child} reads every time as an o’clock.",
            Reads: "the minutes left out",
            Family: "Your child reads the hour and says o’clock whatever the long hand does.",
            Why: "O’clock was secure first, and the long hand has not been given a job yet.",
            HourFirst: "Say the hour, then ask what the long hand has to add. Is it at the top? Then something is missing.",
            MinuteFirst: "Look at the long hand first. Only when it is at the top may we say o’clock.",
            Practise: "Practise: what does the long hand add?"))
        { BenchmarksMayBeRight = true },
    ];

    private static IReadOnlyList<Weighted<MinutesRead>> NumeralAsMinutes(int tick)
    {
        var numeral = Hours.Named(tick / 5);
        var ticks = tick % 5;
        if (ticks == 0) return [new(new(numeral), 1)];
        var sideBySide = (numeral * 10) + ticks;
        if (sideBySide > 99) return [new(new(numeral), 0.5), new(new(numeral + ticks), 0.5)];
        return [new(new(numeral), 0.34), new(new(numeral + ticks), 0.33), new(new(sideBySide), 0.33)];
    }

    private static IReadOnlyList<Weighted<MinutesRead>> MinutesToAsMinutes(int tick) =>
        tick <= 30 ? [new(new(tick), 1)] : [new(new(60 - tick), 0.5), new(new(60 - tick, HoursOn: 1), 0.5)];
}
