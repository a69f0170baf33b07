namespace Umbick.Core.Teaching;

/// <summary>Which hand is which, and which hour the short one gives.</summary>
internal static class HandsAndHours
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("which-went-round", "Which hand went right round?", ["hands-swapped"],
        [
            new("6:00", "Look at both hands. Which is the longer one?",
                "The long one is straight up, the short one straight down. Six o’clock."),
            new("6:30", "Which hand has moved a lot, and which only a little?",
                "The long hand is half way round. The short one has crept to the middle of its space."),
            new("7:00", "An hour has gone. Which went right round, which moved one space?",
                "The long hand went right round: minutes. The short one moved one space: hours. Length names each hand."),
            new("12:30", "And here: is this six o’clock?", "The short hand is past the 12, the long one at the 6: half {past} twelve.")
                { IsContrast = true },
            new("0|30", "Six o’clock with its hands exchanged: the short one exactly on 12, the long one at the 6. Can that be?",
                "No. At half {past} the short hand is between two numerals."),
        ]),
        new("cover-and-name", "Cover one, name the other", ["hands-swapped"],
        [
            new("3:00", "Only the short hand is here. What does it tell?", "It is short, so it tells the hour: three.")
                { Covered = Covered.Minute },
            new("3:00", "Now only the long one. What does it tell?", "It is long, so it tells the minutes: none yet.")
                { Covered = Covered.Hour },
            new("9:15", "Long or short at the 3?", "The long one is at the 3: a quarter {past}. The short one is just past the 9."),
            new("3:45", "The same two places. Which is where now?",
                "The short one is nearly at the 4, the long one at the 9: quarter {to} four.") { IsContrast = true },
        ]),
        new("has-it-arrived", "Has it arrived?", ["next-hour", "nearest-hour", "half-names-next"],
        [
            new("4:00", "Where is the short hand?", "Exactly on the 4. Four o’clock."),
            new("4:10", "Which numeral has it left? Has it reached the next?",
                "It has left the 4 and not reached the 5. It is still four something."),
            new("4:30", "Half way. Has it arrived?", "Not yet: half {past} four."),
            new("4:55", "Call out when it gets there.", "Nearly, and still four: five minutes are left."),
            new("5:00", "And now?", "Now it has arrived. It is five, and not a minute sooner.") { IsContrast = true },
            new("12:55", "You stay seven until your birthday. What does this one stay until one o’clock?",
                "Twelve, until the hand touches the 1."),
        ]),
        new("space-belongs", "The whole space belongs to one hour", ["next-hour", "nearest-hour", "previous-hour", "lower-numeral"],
        [
            new("7:00", "Put a finger on the numeral the short hand is on.",
                "Seven. From here on, the whole space up to the 8 is seven’s."),
            new("7:20", "Is it in seven’s space?", "Yes, so it is seven something.") { Covered = Covered.Minute },
            new("7:50", "It is close to the 8. Whose space is it in?", "Still seven’s, right up to the line.") { Covered = Covered.Minute },
            new("6:50", "And here?", "In six’s space, nearly at the 7: six fifty.") { IsContrast = true },
        ]),
        new("touch-the-one-behind", "Touch the numeral behind it", ["previous-hour", "next-hour", "hour-alone"],
        [
            new("9:20", "Follow the short hand back to the numeral it came from. Touch it and say it.",
                "Nine. That is the hour, just as it stands: no counting back."),
            new("9:40", "It has gone on. Which did it come from?", "Still the 9."),
            new("10:05", "It has gone past the 10. Touch the one behind it now.", "Ten, not nine: ten is behind it.") { IsContrast = true },
        ]),
        new("over-the-top", "Over the top", ["lower-numeral", "previous-hour"],
        [
            new("11:30", "Which numeral has it passed?", "Eleven, and eleven is also the lower one of the two."),
            new("12:00", "It comes to the top. What is it now?", "Twelve o’clock."),
            new("12:30", "It lies between 12 and 1. Which has it passed?",
                "Twelve. The smaller number is not always the one that has gone by.") { IsContrast = true },
            new("12:55", "And just before it reaches the 1?", "Still twelve."),
        ]),
        new("near-is-not-there", "Near is not there", ["nearest-hour", "hand-on-nearest-numeral"],
        [
            new("2:30", "Which is it nearer to, the 2 or the 3?", "Neither, and it is half {past} two: nearness cannot tell us."),
            new("2:40", "Now it is nearer to the 3. Has the hour changed?", "No. It is two until it gets there."),
            new("2:55", "You can almost touch the 3. What is the hour?", "Two. Nearly three is not three."),
            new("3:05", "Now it is near the 3 as well. What is different?", "It has passed it: three.") { IsContrast = true },
        ]),
        new("look-at-the-clock-first", "One clock, turned together", ["same-answer"],
        [
            new("3:00", "What time is this? Say what you see: the short hand, then the long one.",
                "On the 3, and straight up: three o’clock."),
            new("8:00", "I turn it. What has changed?", "The short hand is on the 8 now. Another clock, another time."),
            new("8:30", "And what has changed here?", "The long hand went half way round.") { IsContrast = true },
        ]),
        new("same-or-other", "Is it the same time?", ["same-answer"],
        [
            new("5:00", "What time is it? Remember it.", "Five o’clock."),
            new("6:00", "Is it still the same? How do you know?", "No: the short hand has left the 5 and is on the 6."),
            new("5:00", "Now?", "The same as at first, because both hands are where they were.") { IsContrast = true },
        ]),
    ];
}
