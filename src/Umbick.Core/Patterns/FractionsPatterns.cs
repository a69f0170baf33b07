using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

internal static class FractionsPatterns
{
    public static IReadOnlyList<Pattern> All { get; } =
    [
        new("quarter-is-25", 0.05, new FractionsRule(
            (_, _, words) => words.Amount == 25 ? words with { Amount = 15 } : words,
            words => words.Amount == 15 ? words with { Amount = 25 } : words), new(
            Name: "A quarter is taken as 25",
            Finding: "{child} takes a quarter for 25 minutes.",
            Reads: "a quarter as 25",
            Family: "Your child thinks that a quarter of an hour is 25 minutes. It is 15.",
            Why: "A quarter of a hundred is 25, and money and per cent say so every day.",
            HourFirst: "Fold a paper face twice. How many jumps of five are in one fold? Three: fifteen minutes.",
            MinuteFirst: "Stop the long hand at the 3 and count in fives up to it. That quarter has fifteen.",
            Practise: "Practise: how many in a quarter?")),

        new("half-is-50", 0.02, new FractionsRule(
            (hour, minutes, words) => minutes == 50 ? new SpokenTime(SpokenForm.Past, 30, hour) : words,
            words => words is { Form: SpokenForm.Past, Amount: 30 } ? words with { Amount = 50 } : words), new(
            Name: "Half is taken as 50",
            Finding: "{child} takes half an hour for 50 minutes.",
            Reads: "a half as 50",
            Family: "Your child thinks that half an hour is 50 minutes. It is 30.",
            Why: "Half of a hundred is 50. An hour has sixty.",
            HourFirst: "Turn the long hand half way round and count the fives: thirty. Twice thirty is the whole hour.",
            MinuteFirst: "Put the long hand on the 6 and count up to it in fives. Half a turn is thirty.",
            Practise: "Practise: how many in a half?")),

        new("half-names-next", 0.04, new FractionsRule(SaysTheNext, HearsTheOneBefore), new(
            Name: "Half names the coming hour",
            Finding: "{child} lets ‘half’ name the coming hour: half {past} eight is 7:30.",
            Reads: "half with the coming hour",
            Family: "Your child takes half {past} eight as half of the eighth hour, which would be 7:30.",
            Why: "Some languages say it that way: ask before you call it an error. Others think of the half that is still to go.",
            HourFirst: "‘{Past}’ means that it has gone by. Which hour has the short hand passed? Half {past} that one.",
            MinuteFirst: "The long hand is at the half. Say ‘half {past}’, then look behind the short hand for the hour.",
            Practise: "Practise: half {past} which hour?"))
        { Alike = ["next-hour", "nearest-hour"],
            Variants = [new FractionsRule(SaysTheNext, HearsTheOneBefore, (hour, minutes) => minutes == 30 ? Hours.After(hour) : hour)] },

        new("fraction-is-numeral", 0.015, new FractionsRule(
            (_, _, words) => words switch
            {
                { Form: SpokenForm.Past, Amount: 6 } => words with { Amount = 30 },
                { Amount: 3 } => words with { Amount = 15 },
                _ => words,
            },
            words => words.Amount switch
            {
                15 => words with { Amount = 3 },
                30 => words with { Amount = 6 },
                _ => words,
            }), new(
            Name: "Half is six and a quarter is three",
            Finding: "{child} takes half {past} for six minutes and a quarter for three: the number on the face.",
            Reads: "half as :06 and a quarter as :03",
            Family: "Your child writes 4:06 for half {past} four, because the long hand is then at the 6.",
            Why: "Half {past} was learnt as ‘the long hand at the 6’, and the 6 has stayed.",
            HourFirst: "Count in fives from the top to the 6. So many minutes are in a half: thirty. Write that after the hour.",
            MinuteFirst: "Stop at the 6 and say what the count says there, thirty, and not what is printed. That is the half.",
            Practise: "Practise: how many minutes in a half, a quarter?")),
    ];

    private static SpokenTime SaysTheNext(int hour, int minutes, SpokenTime words) => minutes == 30
        ? new SpokenTime(SpokenForm.Past, 30, Hours.After(hour)) : words;

    private static SpokenTime HearsTheOneBefore(SpokenTime words) =>
        words is { Form: SpokenForm.Past, Amount: 30, Hour: { } named } ? words with { Hour = Hours.Before(named) } : words;
}
