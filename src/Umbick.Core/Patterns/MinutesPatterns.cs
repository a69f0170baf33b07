using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class MinutesPatterns
{
    private static readonly MinutesRule TheNumeral = new((tick, _) => NumeralAsMinutes(tick));

    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("numeral-as-minutes", 0.08, TheNumeral, new(
            Name: "The numeral is read as minutes",
            Finding: "{child} says the numeral at the long hand as if it were the minutes.",
            Reads: "the numeral as minutes",
            Family: "Your child reads the number the long hand points at, so the 7 becomes seven minutes.",
            Why: "The numerals are the only numbers printed on the face, and for the hour they are just what is read.",
            HourFirst: "Say the hour. Then start at 12 as nought and count in fives, touching each numeral, to where the long hand is.",
            MinuteFirst: "Start at the top as nought and count in fives round to the long hand. Put minute numbers outside the face, "
                + "then take them away.",
            Practise: "Practise: count it, don’t read it"))
        { BenchmarksMayBeRight = true, Variants = [TheNumeral.Where(tick => tick % 30 != 0), TheNumeral.Where(tick => tick > 30)] },

        new("fives-from-twelve", 0.04, new MinutesRule((tick, _) => [new(new(tick + 5), 1)]), new(
            Name: "The count starts with five at the 12",
            Finding: "{child} says ‘five’ at the 12, so the minutes come out five too many.",
            Reads: "five at the 12",
            Family: "Your child counts in fives well, but says ‘five’ at the top, where nothing has gone by yet.",
            Why: "A count that begins where the finger is, is how things are counted: the first one touched is the first number said.",
            HourFirst: "At the top no minutes have gone: say ‘nought’. The jump to the 1 is the first five.",
            MinuteFirst: "Count the jumps, not the numerals. From 12 to 1 is one jump, five minutes.",
            Practise: "Practise: nought at the top"))
        { BenchmarksMayBeRight = true },

        new("fives-from-one-as-nought", 0.03, new MinutesRule((tick, _) => [new(new(tick < 5 ? tick : tick - 5), 1)]), new(
            Name: "The count starts with nought at the 1",
            Finding: "{child} says ‘nought’ at the 1, so the minutes come out five too few.",
            Reads: "nought at the 1",
            Family: "Your child counts in fives well, but starts at the 1 with nothing, so five minutes are missing.",
            Why: "The 1 is where counting begins; that the first jump is already behind it has not been seen.",
            HourFirst: "Start at the 12. Nought there, and five when you land on the 1.",
            MinuteFirst: "Walk a finger from the top to the 1: five minutes have gone by when it gets there.",
            Practise: "Practise: five at the 1"))
        { BenchmarksMayBeRight = true },

        new("counts-in-twos", 0.02, new MinutesRule((tick, _) => [new(new((tick / 5 * 2) + (tick % 5)), 1)]), new(
            Name: "Numerals are counted in twos",
            Finding: "{child} counts two minutes from numeral to numeral.",
            Reads: "the minutes counted in twos",
            Family: "Your child counts in twos round the clock. From number to number it is five minutes.",
            Why: "Twos are learnt first, and the numerals do not say how far apart they are.",
            HourFirst: "Count the ticks from the 12 to the 1. So each numeral is worth five.",
            MinuteFirst: "Count the ticks in one space. Then go round in that many: five, ten, fifteen.",
            Practise: "Practise: how many from numeral to numeral?"))
        { BenchmarksMayBeRight = true },

        new("counts-in-tens", 0.02, new MinutesRule((tick, _) => [new(new((tick / 5 * 10) + (tick % 5)), 1)]), new(
            Name: "Numerals are counted in tens",
            Finding: "{child} counts ten minutes from numeral to numeral.",
            Reads: "the minutes counted in tens",
            Family: "Your child counts in tens round the clock. From number to number it is five minutes.",
            Why: "Tens are the surest count there is, and nothing on the face says that it is fives.",
            HourFirst: "Count in tens to the 6: sixty already, and only half way round? Count the ticks in one space.",
            MinuteFirst: "Count the ticks in one space. Then go round in that many and end on sixty at the top.",
            Practise: "Practise: fives, not tens"))
        { BenchmarksMayBeRight = true, Alike = ["fives-from-twelve"] },

        new("whole-fives-only", 0.04, new MinutesRule((tick, _) => [new(new(tick / 5 * 5), 1)]), new(
            Name: "Single minutes are left out",
            Finding: "{child} stops at the last five and leaves out the single ticks.",
            Reads: "whole fives only",
            Family: "Your child counts the fives and forgets the small minutes after them.",
            Why: "For a long time every clock stood on a five.",
            HourFirst: "Hour, then fives, then ones: change the counting voice at the last numeral and go on tick by tick.",
            MinuteFirst: "Fives to the last numeral, ones from there. Write both down: 15 and 3.",
            Practise: "Practise: fives first, then ones"))
        { Alike = ["nearest-five"] },

        new("nearest-five", 0.03, new MinutesRule((tick, _) => [new(tick < 58 ? new(Nearest(tick)) : new(0, HoursOn: 1), 1)]), new(
            Name: "Minutes are rounded to the nearest five",
            Finding: "{child} gives the nearest five instead of the exact minute.",
            Reads: "the nearest five",
            Family: "Your child gives the nearest five minutes. That is how people often say it, but here every minute counts.",
            Why: "It is what grown-ups do, and the small ticks are hard to count.",
            HourFirst: "Fives to the last numeral passed, then on by single ticks. Which tick is it on, exactly?",
            MinuteFirst: "Stop at the numeral before the hand. How many ticks more?",
            Practise: "Practise: the exact minute"))
        { Alike = ["whole-fives-only"] },

        new("counts-first-tick", 0.03, new MinutesRule((tick, _) => [new(new(tick % 5 == 0 ? tick : tick + 1), 1)]), new(
            Name: "The tick at the numeral is counted as one",
            Finding: "{child} counts the tick at the numeral as the first minute, so single minutes come out one too many.",
            Reads: "the numeral’s tick counted as one",
            Family: "Your child counts one minute too many, because the long tick at the number is counted too.",
            Why: "When ticks are counted like things, the first one touched is one.",
            HourFirst: "The numeral’s own tick is the fifteen. The next small one is sixteen: point and say the number.",
            MinuteFirst: "Say the five at the numeral’s tick, then one more for each small tick after it.",
            Practise: "Practise: count the jumps")),

        new("ticks-in-fives", 0.02, new MinutesRule((tick, _) => [new(new((tick / 5 * 5) + (tick % 5 * 5)), 1)]), new(
            Name: "The count goes on in fives over the ticks",
            Finding: "{child} goes on counting in fives over the single ticks.",
            Reads: "the ticks counted in fives",
            Family: "Your child counts the small marks in fives too. They are one minute each.",
            Why: "The count has got into its swing, and nobody said when to change.",
            HourFirst: "Change your voice at the last numeral: fives loud, ones soft.",
            MinuteFirst: "Big jumps to the numeral, small steps after it. Write both: 15 and 2.",
            Practise: "Practise: fives, then ones")),

        new("anticlockwise", 0.03, new MinutesRule((tick, _) => [new(new((60 - tick) % 60), 1)]), new(
            Name: "Minutes are counted the wrong way round",
            Finding: "{child} counts the minutes from 12 the wrong way round.",
            Reads: "minutes counted anticlockwise",
            Family: "Your child counts the minutes backwards round the clock.",
            Why: "‘{To}’ times are counted back from the top, and the nearer way round looks shorter.",
            HourFirst: "Watch the long hand for one turn. Count the way it walks, always.",
            MinuteFirst: "Draw the arrow it walks along, then count along the arrow.",
            Practise: "Practise: count the way it walks"))
        { BenchmarksMayBeRight = true, Alike = ["minutes-to-as-minutes"] },

        new("minutes-to-as-minutes", 0.035, new MinutesRule((tick, _) => MinutesToAsMinutes(tick)), new(
            Name: "Minutes to go are given as the minutes",
            Finding: "{child} counts late minutes back from 12 and gives them as the minutes.",
            Reads: "the minutes to go",
            Family: "When it is nearly the hour, your child says how many minutes are left as if they had gone by.",
            Why: "It is the right count for ‘{to}’ with the ‘{to}’ left out.",
            HourFirst: "Ask: is that how many have gone, or how many are left? Figures always tell how many have gone.",
            MinuteFirst: "Past the half, count both ways and label them: gone, and to go. Figures take the ones gone.",
            Practise: "Practise: gone by, or still to go?"))
        { BenchmarksMayBeRight = true, Alike = ["anticlockwise", "to-as-past", "past-to-exchanged"] },

        new("says-sixty", 0.01, new MinutesRule((tick, _) => [new(new(tick == 0 ? 60 : tick), 1)]), new(
            Name: "The top is sixty",
            Finding: "{child} reads the minute hand at the top as sixty.",
            Reads: "sixty at the top",
            Family: "Your child says 10:60 for ten o’clock. At the top a new hour begins, with no minutes yet.",
            Why: "A whole turn is sixty minutes, and the count does end on sixty there.",
            HourFirst: "At the top the hour is full: it becomes the next hour, and the minutes begin again at nought.",
            MinuteFirst: "Fifty-five, and five more: the hour is full. What is it called now? O’clock.",
            Practise: "Practise: a full hour is a new hour"))
        { Alike = ["fives-from-twelve"], ShowsAtOnePlace = true },

        new("between-is-half", 0.03, new MinutesRule((tick, between) => [new(new(between ? 30 : tick), 1)]), new(
            Name: "Between two numerals is half {past}",
            Finding: "{child} says half {past} whenever the short hand is between two numerals.",
            Reads: "half {past} whenever between",
            Family: "Your child says half {past} for every time at which the short hand is between two numbers.",
            Why: "Half {past} was the first time at which the short hand left its numeral.",
            HourFirst: "Is it just past, in the middle or nearly there? Only the middle is half {past}.",
            MinuteFirst: "Half {past} has the long hand at the 6. Where is it now?",
            Practise: "Practise: half {past}, or not?"))
        { BenchmarksMayBeRight = true },

        new("minutes-ignored", 0.03, new MinutesRule((_, _) => [new(new(0), 1)]), new(
            Name: "Everything is o’clock",
            Finding: "{child} reads every time as an o’clock.",
            Reads: "the minutes left out",
            Family: "Your child reads the hour and says o’clock whatever the long hand does.",
            Why: "O’clock was secure first, and the long hand has not been given a job yet.",
            HourFirst: "Say the hour, then ask what the long hand has to add. Is it at the top? Then something is missing.",
            MinuteFirst: "Look at the long hand first. Only when it is at the top may we say o’clock.",
            Practise: "Practise: what does the long hand add?"))
        { BenchmarksMayBeRight = true },

        new("restarts-at-six", 0.015, new MinutesRule((tick, _) => [new(new(tick > 30 ? tick - 30 : tick), 1)]), new(
            Name: "The count starts again at the 6",
            Finding: "{child} counts to the 6 and then starts again from nought.",
            Reads: "the count started again at the 6",
            Family: "Your child counts the minutes well as far as the bottom of the clock, and then begins again.",
            Why: "Half {past} was the end of the count for a long time; the other side of the face looks like a new piece.",
            HourFirst: "At the 6 it is thirty, and the count goes on: thirty-five at the 7. Walk a finger over the 6 without stopping.",
            MinuteFirst: "Say thirty at the 6 and keep the voice up: it is the middle of the count and not its end.",
            Practise: "Practise: over the 6 and on"))
        { BenchmarksMayBeRight = true, Alike = ["minutes-to-as-minutes"] },

        new("rounds-to-quarters", 0.02, new MinutesRule((tick, _) => [new(tick < 53 ? new((tick + 7) / 15 * 15) : new(0, HoursOn: 1), 1)]),
            new(
            Name: "Every time is an o’clock, a quarter or a half",
            Finding: "{child} gives the nearest o’clock, quarter or half for every time.",
            Reads: "the nearest quarter",
            Family: "Your child gives the nearest quarter of an hour for every time. It is near, but not yet exact.",
            Why: "Those are the times that have names, and for a while they were the only ones on the page.",
            HourFirst: "Say the quarter it is near. Has the long hand passed it, or not come to it? Count on or back from there in fives.",
            MinuteFirst: "Start from the quarter that you know and count the jumps of five to the long hand.",
            Practise: "Practise: from the quarter, and on"))
        { Alike = ["nearest-five"] },

        new("half-is-half-past-six", 0.015, new MinutesRule((tick, _) => [new(new(tick, Hour: tick == 30 ? 6 : null), 1)]), new(
            Name: "Every half {past} is half {past} six",
            Finding: "{child} says half {past} six for every half {past}: the long hand is at the 6.",
            Reads: "half {past} six at every half",
            Family: "Your child says half {past} six whenever the long hand points straight down. The short hand has the hour.",
            Why: "At half {past} the long hand is at the 6, and it is the one that is looked at.",
            HourFirst: "Cover the long hand. Which hour has the short one passed? Say that hour, uncover, and then say half {past} it.",
            MinuteFirst: "The long hand says ‘half {past}’ and no more. Ask the short hand: half {past} which?",
            Practise: "Practise: half {past} which hour?"))
        { Alike = ["next-hour", "nearest-hour"], ShowsAtOnePlace = true },
    ];

    private static int Nearest(int tick) => (tick + 2) / 5 * 5;

    private static IReadOnlyList<Weighted<MinutesRead>> NumeralAsMinutes(int tick)
    {
        var numeral = Hours.Named(tick / 5);
        var ticks = tick % 5;
        if (ticks == 0) return [new(new(numeral), 1)];
        var sideBySide = (numeral * 10) + ticks;
        if (sideBySide > 99) return [new(new(numeral), 0.5), new(new(numeral + ticks), 0.5)];
        return [new(new(numeral), 0.45), new(new(numeral + ticks), 0.45), new(new(sideBySide), 0.1)];
    }

    private static IReadOnlyList<Weighted<MinutesRead>> MinutesToAsMinutes(int tick) =>
        tick <= 30 ? [new(new(tick), 1)] : [new(new(60 - tick), 0.5), new(new(60 - tick, HoursOn: 1), 0.5)];
}
