namespace Umbick.Core.Teaching;

/// <summary>Which minutes the long hand gives: where the count starts, how it goes, and where it ends.</summary>
internal static class CountingMinutes
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("minutes-are-the-walk", "The numeral is a place, minutes are the walk",
            ["numeral-as-minutes", "counts-in-twos", "counts-in-tens", "fraction-is-numeral"],
        [
            new("8:00", "The long hand is at the top. How many minutes has it walked?", "None yet."),
            new("8:05", "It is at the 1. Count the small ticks it has passed.",
                "One, two, three, four, five. At the 1 it has walked five minutes."),
            new("8:10", "And at the 2?", "Five and five more: ten."),
            new("8:35", "Count the walk to the 7.", "Five, ten, fifteen … thirty-five."),
            new("8:07", "Where would seven minutes be?", "Two ticks past the 1, and nowhere near the 7.") { IsContrast = true },
        ]),
        new("two-numbers-one-place", "Two numbers at one place",
            ["numeral-as-minutes", "counts-in-twos", "counts-in-tens", "anticlockwise"],
        [
            new("10:15", "For the short hand this place is a 3. What is it for the long hand?", "Fifteen minutes."),
            new("3:10", "The short hand at the 3 says three. The long hand at the 2 says …?",
                "Ten. One place, two names: which hand is asking?"),
            new("3:50", "And the long hand at the 10?", "Fifty."),
            new("10:50", "Both are near the 10. What does each of them say?",
                "The long one says fifty, the short one says it is ten’s hour.") { IsContrast = true },
        ]),
        new("nought-at-the-top", "Has it walked yet?", ["fives-from-twelve", "fives-from-one-as-nought", "counts-first-tick", "says-sixty"],
        [
            new("3:00", "Has the long hand walked yet?", "No. At the top the count is nought."),
            new("3:05", "To the 1. Count the ticks it passed.", "One, two, three, four, five."),
            new("3:25", "Count to the 5, starting with nought at the top.", "Nought, five, ten, fifteen, twenty, twenty-five."),
            new("3:55", "If we said five at the 12, what would the 11 be?",
                "Sixty: a full hour, and the short hand is not there yet. So the 12 is nought.") { IsContrast = true },
        ]),
        new("five-steps-to-the-one", "Walk the first five",
            ["fives-from-twelve", "fives-from-one-as-nought", "counts-first-tick", "ticks-in-fives", "whole-fives-only"],
        [
            new("6:00", "Where does the walk begin?", "At the top, with nought."),
            new("6:01", "One tick. How many minutes?", "One: a small tick is one minute."),
            new("6:04", "And here?", "Four. We are not at the 1 yet."),
            new("6:05", "Now we are. How many is the 1 worth?", "Five, because five ticks were walked to get there."),
            new("6:06", "One tick more?", "Six: five, and one.") { IsContrast = true },
        ]),
        new("fives-then-ones", "Fives first, then ones", ["whole-fives-only", "nearest-five", "ticks-in-fives", "counts-first-tick"],
        [
            new("2:20", "Count in fives to the 4.", "Five, ten, fifteen, twenty."),
            new("2:22", "It has gone on by two small ticks. How many minutes now?", "Twenty, twenty-one, twenty-two."),
            new("2:23", "One more tick. Is it twenty-five yet?", "No: twenty-three. It is not at the 5."),
            new("2:25", "And now?", "Twenty-five. Only at a numeral is it a whole five.") { IsContrast = true },
        ]),
        new("between-has-a-number", "Between two numerals there are four ticks", ["nearest-five", "whole-fives-only", "ticks-in-fives"],
        [
            new("7:40", "At the 8 exactly. How many?", "Forty."),
            new("7:43", "Between the 8 and the 9. How many ticks past the 8?", "Three: forty-three."),
            new("7:44", "One tick before the 9?", "Forty-four. Nearly forty-five is not forty-five.") { IsContrast = true },
        ]),
        new("which-way-round", "The way the hands walk", ["anticlockwise", "minutes-to-as-minutes", "restarts-at-six"],
        [
            new("1:00", "Which way will the long hand go?", "Down on the right, round the bottom, and up on the left."),
            new("1:10", "How many minutes has it walked?", "Ten."),
            new("1:50", "It is at the 10 now. Ten minutes?", "It walked all the way round to get here: fifty. Ten are what is left."),
            new("2:10", "On it walks. Ten minutes now?", "Ten: here, on the way down.") { IsContrast = true },
        ]),
        new("gone-and-left", "How much has gone, how much is left", ["minutes-to-as-minutes", "anticlockwise", "to-as-past"],
        [
            new("5:20", "How many minutes have gone? How many are left?", "Twenty have gone, forty are left."),
            new("5:40", "And here?", "Forty have gone, twenty are left."),
            new("5:40", "When we write it in figures, do we write what has gone or what is left?", "What has gone: 5, 40."),
            new("5:20", "So which of the two is twenty minutes gone?", "This one.") { IsContrast = true },
        ]),
        new("on-past-the-bottom", "On, past the bottom", ["restarts-at-six", "between-is-half", "rounds-to-quarters"],
        [
            new("9:25", "Count in fives to the 5.", "Twenty-five."),
            new("9:30", "Next numeral?", "Thirty. Does the count stop here?"),
            new("9:35", "The hand goes on. Does it start again at five?", "No. The hour has not started again: thirty-five."),
            new("9:05", "Where is five?", "Up here, at the 1.") { IsContrast = true },
        ]),
        new("full-hour-no-minutes", "A full hour has no minutes", ["says-sixty", "past-sixty", "minutes-ignored"],
        [
            new("4:55", "How many minutes past four?", "Fifty-five."),
            new("4:59", "One minute before the top?", "Fifty-nine: the last there is."),
            new("5:00", "One more. Is it four sixty?", "Sixty minutes make an hour, so it is five, and no minutes.") { IsContrast = true },
        ]),
        new("what-the-long-hand-adds", "What the long hand adds",
            ["minutes-ignored", "between-is-half", "hour-alone", "rounds-to-quarters"],
        [
            new("7:00", "Seven o’clock. What will change in ten minutes?", "The long hand walks to the 2, and the short one hardly moves."),
            new("7:10", "Is it still seven o’clock? How do we say that something has been added?", "Ten minutes past seven."),
            new("7:20", "And now?", "Seven twenty."),
            new("7:30", "Which of these is half {past}?", "Only this one: half way round.") { IsContrast = true },
        ]),
        new("half-is-one-place", "Half has one place", ["between-is-half", "rounds-to-quarters", "half-is-half-past-six"],
        [
            new("3:30", "Where is the long hand at half {past}?", "Straight down. Half of the way round."),
            new("3:25", "Is this half {past}?", "Not yet. Twenty-five."),
            new("3:35", "And this?", "It has gone by. Thirty-five."),
            new("8:30", "And here?", "Half {past} eight: the long hand is down again, the short one tells the hour.") { IsContrast = true },
        ]),
        new("whose-half", "Half of which hour?", ["half-is-half-past-six", "half-names-next"],
        [
            new("6:30", "Both hands are low. What time is it?", "Half {past} six: the short hand is half way from the 6 to the 7."),
            new("2:30", "The long hand is at the 6 again. Is it half {past} six again?",
                "No. The 6 is only where the long hand is. Half {past} two.") { IsContrast = true },
            new("10:30", "And whose half is this?", "Ten’s. Look at the short hand: it has passed the 10."),
        ]),
    ];
}
