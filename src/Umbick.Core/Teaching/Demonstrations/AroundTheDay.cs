namespace Umbick.Core.Teaching;

/// <summary>Counting on, minutes in an hour, and the halves of the day.</summary>
internal static class AroundTheDay
{
    public static IReadOnlyList<Demonstration> All { get; } =
    [
        new("over-the-full-hour", "Over the full hour", ["past-sixty", "hundred-minutes"],
        [
            new("2:50", "We need twenty minutes more. How many until the hour is full?", "Ten."),
            new("3:00", "Ten are used. What is it now? How many are left to add?", "Three o’clock, and ten are left."),
            new("3:10", "So?", "Ten past three. There is no two seventy: at sixty the hour is full."),
            new("2:20", "And twenty on from two?", "Two twenty: here nothing is full yet.") { IsContrast = true },
        ]),
        new("sixty-not-a-hundred", "Sixty, not a hundred", ["hundred-minutes", "half-is-50", "quarter-is-25"],
        [
            new("1:00", "How many minutes until the long hand is back at the top? Count in fives.", "Five, ten … sixty."),
            new("1:30", "Half of them?", "Thirty."),
            new("1:50", "Fifty minutes have gone. How many are left?", "Ten, not fifty: it is sixty that make the hour.")
                { IsContrast = true },
        ]),
        new("count-the-steps", "Count the steps, not the posts", ["counts-the-start", "hundred-minutes"],
        [
            new("4:10", "We start here. Has any time gone?", "None: this is where we start."),
            new("4:11", "One step. How many minutes?", "One."),
            new("4:15", "How many steps from ten past?", "Five. Ten past itself was not one of them."),
            new("4:14", "And here?", "Four: one post fewer, one step fewer.") { IsContrast = true },
        ]),
        new("start-is-nought", "The start is nought", ["counts-the-start", "past-sixty"],
        [
            new("7:30", "Say nought here.", "Nought."),
            new("7:35", "Count in fives from the start.", "Five."),
            new("7:45", "And now?", "Fifteen: it is fifteen minutes from half {past} to quarter {to}."),
            new("7:40", "One numeral back?", "Ten.") { IsContrast = true },
        ]),
        new("where-the-count-turns", "Where the count turns", ["noon-is-am", "midnight-is-pm", "twelve-added-always"],
        [
            new("11:00", "It is morning, eleven o’clock. What comes when the sun is highest?", "Twelve: noon."),
            new("12:00", "Noon. From here on it is afternoon, p.m.", "Twelve noon is 12:00 p.m., and in 24 hours it is 12."),
            new("1:00", "One in the afternoon. And in 24 hours?", "Thirteen: twelve and one more."),
            new("12:00", "And twelve at night?", "Midnight: the day begins anew, 12:00 a.m., in 24 hours 0:00.") { IsContrast = true },
        ]),
        new("a-day-is-two-rounds", "A day is two rounds", ["noon-is-am", "midnight-is-pm", "twelve-added-always"],
        [
            new("12:00", "Midnight. The first round of the day begins. What do we write in 24 hours?", "0:00."),
            new("9:00", "Nine in the morning: is anything added?", "No. In the first round nothing is added."),
            new("12:00", "Noon: one round is done.", "12."),
            new("9:00", "Nine in the evening. Which round is it?", "The second: twelve and nine are twenty-one.") { IsContrast = true },
        ]),
    ];
}
