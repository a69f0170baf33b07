using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>What a card compares.</summary>
public enum CardMeasure
{
    /// <summary>When they stop is held against how long it was to be.</summary>
    Stopping,

    /// <summary>A number that they say first is held against the number that it came to.</summary>
    Counting,

    /// <summary>How long they say something lasts is held against how long it lasted.</summary>
    Lasting,

    /// <summary>Nothing is measured.</summary>
    Nothing,
}

/// <summary>A card of two minutes for a sense of time, with one child or a whole class.</summary>
/// <param name="Id">Its stable id, which stands in rows.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Do">What to do, step by step.</param>
/// <param name="Measure">What it compares.</param>
/// <param name="Seconds">How long it is to be, where they stop; 0 elsewhere.</param>
/// <param name="Unit">What is counted: seconds, hops.</param>
/// <param name="At">The hands that its picture has.</param>
public sealed record TimeCard(
    string Id, string Name, IReadOnlyList<string> Do, CardMeasure Measure, int Seconds, string Unit, ClockTime At)
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<TimeCard> All { get; } =
    [
        new("a-minute", "Stand for a minute",
        [
            "Stand, eyes shut. Sit down without a word when you think that a minute is over.",
            "Note when each sat down. Say it: “It was 40 seconds.”", "Once more. The second try is the one that counts.",
        ], CardMeasure.Stopping, 60, "seconds", new(12, 1)),
        new("half-a-minute", "How many in half a minute?",
        [
            "How many hops, or how many times your name written, in half a minute? Say a number first.",
                "Try it for half a minute, and count.",
            "What would you say now? Try once more.",
        ], CardMeasure.Counting, 0, "hops or names", new(12, 30)),
        new("how-long", "What lasts how long?",
        [
            "Sort: one deep breath · putting a coat on · {shorter} · {longer}. Which lasts about 5 seconds, 1 minute, {minutes}, "
                + "an hour or more?",
            "Choose one that can be tried here. How many seconds will it take? Then try it.", "Guess once more, and try it once more.",
        ], CardMeasure.Lasting, 0, "seconds", new(1, 0)),
        new("lining-up", "Longer than lining up?",
        [
            "Longer or shorter than lining up: tying a lace · singing one verse · {first} to {second}?",
            "How many seconds does lining up take? Then line up, and see.", "Guess the next time, and see once more.",
        ], CardMeasure.Lasting, 0, "seconds", new(10, 30)),
        new("one-tick", "One tick of the long hand",
        [
            "Look where the long hand is. Now tidy, without a look at the clock.",
            "Look up when you think that it has moved by one tick. How many seconds was it?", "Once more, with something else to tidy.",
        ], CardMeasure.Stopping, 60, "seconds", new(2, 11)),
        new("stretch", "Stretch to 12, 3, 6 and 9",
        [
            "Stand. Both arms up: twelve. One arm to three, down to six, over to nine, and up again.",
            "Go round once while somebody counts the quarters of an hour: 15, 30, 45, 60.", "Show {first} with both arms: {first time}.",
        ], CardMeasure.Nothing, 0, "", new(3, 0)),
    ];

    /// <summary>The card with this id, or null.</summary>
    public static TimeCard? Find(string? id) => All.FirstOrDefault(card => card.Id == id);

    /// <summary>What to do, with the school's own day in it.</summary>
    /// <param name="day">The school's day, in order.</param>
    /// <param name="wording">How times are said here.</param>
    public IReadOnlyList<string> DoOn(IReadOnlyList<SchoolMoment> day, Wording wording)
    {
        // The shortest stretch of the day, and the longest between two times that follow each other.
        var stretches = day.Zip(day.Skip(1)).Select(pair => (From: pair.First, To: pair.Second,
            Minutes: (int)(pair.Second.At - pair.First.At)
            .TotalMinutes)).ToList();
        var (shorter, longer) = (stretches.MinBy(stretch => stretch.Minutes), stretches.MaxBy(stretch => stretch.Minutes));
        return [.. Do.Select(step => step
            .Replace("{shorter}", Between(shorter.From, shorter.To), StringComparison.Ordinal)
            .Replace("{longer}", Between(longer.From, longer.To), StringComparison.Ordinal)
            .Replace("{minutes}", shorter.Minutes < 60 ? $"{shorter.Minutes} minutes" : "less than two hours", StringComparison.Ordinal)
            .Replace("{first time}", wording.Words(day[1].Time), StringComparison.Ordinal)
            .Replace("{first}", day[1].Words, StringComparison.Ordinal).Replace("{second}", day[2].Words, StringComparison.Ordinal))];
    }

    private static string Between(SchoolMoment from, SchoolMoment to) => $"from {from.Words} to {to.Words}";
}
