namespace Umbick.Core.Teaching;

/// <summary>Past and to, quarter and half.</summary>
internal static class PastAndTo
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("how-far-gone", "How far gone, how far left?", ["to-as-past", "to-without-turning", "past-to-exchanged"],
        [
            new("6:20", "How far has the long hand gone past the top?", "Twenty minutes: twenty {past} six."),
            new("6:30", "Half way. From here on, what do we look at?", "What is left until the next hour."),
            new("6:40", "How many are left?", "Twenty: twenty {to} seven. Not forty {to}, for forty have gone."),
            new("7:20", "Twenty before seven, or twenty after: which is this?", "Twenty after: twenty {past} seven.") { IsContrast = true },
        ]),
        new("down-past-up-to", "Down is {past}, up is {to}", ["to-as-past", "past-as-to", "past-to-exchanged"],
        [
            new("2:10", "Is the long hand on its way down or up?", "Down: ten {past} two."),
            new("2:25", "Still down?", "Yes: twenty-five {past}."),
            new("2:35", "It has turned. Down or up?", "Up: twenty-five {to} three."),
            new("2:50", "And here?", "Up: ten {to} three."),
            new("2:10", "Ten down, ten up: which word goes with which?", "Down goes with {past}, up with {to}.") { IsContrast = true },
        ]),
        new("to-names-the-coming-one", "‘{To}’ looks at the hour that is coming", ["to-this-hour", "to-as-past", "half-names-next"],
        [
            new("8:40", "How many minutes until the next hour? Which hour is it?", "Twenty, and nine is coming: twenty {to} nine."),
            new("8:50", "Now?", "Ten {to} nine. Nine is where we are going."),
            new("9:00", "And?", "Nine o’clock: we have arrived at the hour we named."),
            new("8:10", "And ten {past} eight, where is that?", "Here. ‘{Past}’ looks back at eight.") { IsContrast = true },
        ]),
        new("home-and-away", "Leaving home, going to school", ["to-this-hour", "past-as-to", "past-to-exchanged"],
        [
            new("3:05", "We have just left three. Do we say where we come from or where we are going?",
                "Where we come from: five {past} three."),
            new("3:25", "Still nearer to what we left?", "Twenty-five {past} three."),
            new("3:40", "Nearly there. Where are we going?", "To four: twenty {to} four."),
            new("3:20", "Twenty again. Which word now?", "{Past}: we look back.") { IsContrast = true },
        ]),
        new("count-what-is-left", "Count what is left", ["to-without-turning", "to-as-past", "minutes-to-as-minutes"],
        [
            new("10:45", "Count from the hand to the top.", "Five, ten, fifteen are left: quarter {to} eleven."),
            new("10:50", "And from here?", "Ten: ten {to} eleven."),
            new("10:50", "Fifty have gone. Do we say fifty {to}?", "No. With {to} we say what is left."),
            new("10:10", "Where is ten {past}?", "Here: what has gone.") { IsContrast = true },
        ]),
        new("still-after", "Still after", ["past-as-to", "past-to-exchanged"],
        [
            new("1:00", "One o’clock. The long hand sets off. Before one, or after?", "After."),
            new("1:15", "A quarter of the way. Before or after one?", "After: quarter {past} one."),
            new("12:45", "Here the hour is still to come. Before or after one?", "Before: quarter {to} one.") { IsContrast = true },
        ]),
        new("quarter-of-a-round", "A quarter of the round", ["quarter-is-25", "half-is-50", "fraction-is-numeral", "rounds-to-quarters"],
        [
            new("5:00", "A whole round is sixty minutes. What is half of sixty?", "Thirty."),
            new("5:30", "Half way round. How many minutes?", "Thirty, not fifty: there are sixty, not a hundred."),
            new("5:15", "Half of that half?", "Fifteen: a quarter. Not twenty-five."),
            new("5:25", "And where is twenty-five?", "Here, nearly at half {past}.") { IsContrast = true },
        ]),
        new("fold-the-face", "Fold the face", ["quarter-is-25", "half-is-50", "fraction-is-numeral"],
        [
            new("9:30", "Fold the face from top to bottom. Where does half end?", "At the 6. Count in fives: thirty."),
            new("9:15", "Fold again, from side to side. Where does the quarter end?",
                "At the 3. Count: fifteen. The 3 is the place, fifteen the minutes."),
            new("9:45", "Three quarters?", "At the 9: forty-five."),
            new("9:03", "Where would three minutes be?", "Three ticks from the top.") { IsContrast = true },
        ]),
        new("half-past-what", "Half past what?", ["half-names-next", "half-is-half-past-six"],
        [
            new("7:00", "Seven o’clock. We walk half an hour on.", "Watch the short hand."),
            new("7:30", "Half an hour past which hour?", "Past seven: half {past} seven."),
            new("8:00", "And when is it eight?", "Only now."),
            new("8:30", "Half {past} eight: where?", "Half an hour after eight.") { IsContrast = true },
        ]),
    ];
}
