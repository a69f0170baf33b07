namespace Umbick.Core.Teaching;

/// <summary>Writing a time in figures.</summary>
internal static class WritingTimes
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("two-places-for-minutes", "Two places for the minutes", ["no-leading-zero", "zero-after", "minutes-first"],
        [
            new("9:10", "Write it. How many figures do the minutes have?", "Two: a one and a nought."),
            new("9:05", "Five minutes past. What stands in the first place?", "Nought: there are no tens. 9, 0, 5."),
            new("9:50", "And with the nought behind?", "That is fifty: far round the other side.") { IsContrast = true },
        ]),
        new("no-tens-yet", "No tens yet", ["no-leading-zero", "zero-after"],
        [
            new("4:00", "No minutes. What do we write behind the four?", "Nought, nought."),
            new("4:09", "Nine minutes. Any tens?", "None: nought, nine."),
            new("4:10", "One more. Now?", "One ten and no ones: one, nought.") { IsContrast = true },
        ]),
        new("hour-stands-first", "The hour stands first", ["minutes-first", "hour-alone"],
        [
            new("8:20", "Which do we write first, what the short hand says or the long one?",
                "The short one: eight. Then the minutes: twenty."),
            new("8:20", "Read it aloud as it is written.", "Eight twenty: as we say it."),
            new("8:40", "And this?", "Eight forty. The hour stands first though we may say twenty {to} nine.") { IsContrast = true },
        ]),
        new("both-hands-both-numbers", "Two hands, two numbers", ["hour-alone", "minutes-ignored", "minutes-first"],
        [
            new("2:00", "What does each hand say?", "The short one two, the long one nothing yet: 2, nought nought."),
            new("2:25", "If we write only a two, what is lost?", "Where the long hand is: the bus has gone."),
            new("2:50", "And here, with only a two?", "Nobody could tell it from two twenty-five.") { IsContrast = true },
        ]),
        new("read-it-back", "Set what was written", ["zero-after", "no-leading-zero"],
        [
            new("6:05", "I write six, nought, five. Set it with me.", "The long hand at the 1."),
            new("6:50", "I write six, five, nought. Set that.", "The long hand at the 10. The nought moved, and so did the hand.")
                { IsContrast = true },
        ]),
    ];
}
