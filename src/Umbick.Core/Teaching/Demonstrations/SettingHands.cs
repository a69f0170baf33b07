namespace Umbick.Core.Teaching;

/// <summary>Where the short hand goes when a clock is set.</summary>
internal static class SettingHands
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("how-far-has-it-crept", "How far has it crept?", ["hour-hand-on-numeral", "hour-hand-halfway", "hand-on-nearest-numeral"],
        [
            new("2:00", "The long hand is covered. What time could it be?", "The short one is exactly on the 2: two o’clock.")
                { Covered = Covered.Minute },
            new("2:15", "It has crept a little. How far round is the long one?", "A quarter.") { Covered = Covered.Minute },
            new("2:30", "Half way. Where is the long hand?", "Straight down.") { Covered = Covered.Minute },
            new("2:45", "Nearly there. And the long hand?", "At the 9.") { Covered = Covered.Minute },
            new("2|45", "A toy clock was left like this: short hand on the 2, long hand at the 9. Would it jump to the 3?",
                "It cannot jump: it has to creep. Mend it with me.") { IsContrast = true },
        ]),
        new("three-places", "Just past, half way, nearly there", ["hour-hand-halfway", "hour-hand-on-numeral", "hand-on-nearest-numeral"],
        [
            new("5:10", "Just past, half way, or nearly there?", "Just past: only ten minutes have gone."),
            new("5:30", "And here?", "Half way."),
            new("5:50", "And here?", "Nearly there."),
            new("5|50", "Which of the three is this short hand? Does the long one agree?",
                "It is on the 5, as if no time had gone. The hands do not agree.") { IsContrast = true },
        ]),
        new("both-walk-forward", "Both hands walk forward", ["hour-hand-behind", "hour-hand-on-numeral"],
        [
            new("7:00", "On which side of the 7 will the short hand be in ten minutes?", "After it: both hands walk the same way."),
            new("7:20", "Before the 7 or after it?", "After."),
            new("7:50", "And at ten {to} eight?", "Before the 8, because it has not arrived. It has been after the 7 all the time."),
            new("6.17|50", "Could this be seven fifty?", "No: the short hand is still before the 7.") { IsContrast = true },
        ]),
        new("before-which-numeral", "Before the one that is coming", ["hour-hand-behind", "hand-on-nearest-numeral"],
        [
            new("3:40", "Twenty {to} four. Is the short hand before the 4 or on it?", "Before it, and after the 3."),
            new("3:55", "Five minutes left. On the 4?", "Nearly. There is still a gap."),
            new("4|45", "Quarter {to} four, and the short hand is on the 4. What is wrong?",
                "It has arrived, and a quarter of an hour is left. It should be nearly there.") { IsContrast = true },
        ]),
        new("set-long-then-ask", "Set the long one, then ask", ["hour-hand-on-numeral", "hour-hand-halfway", "hour-hand-behind"],
        [
            new("9:45", "The long hand is at the 9. How much of its round is done?", "Three quarters."),
            new("9:45", "So how much of its space has the short hand done?", "Three quarters as well: nearly at the 10."),
            new("9:15", "And with the long hand at the 3?", "A quarter: just past the 9.") { IsContrast = true },
        ]),
    ];
}
