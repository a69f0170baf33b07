using Umbick.Core.Clocks;

namespace Umbick.Core.Teaching;

/// <summary>A word, what it means, and a clock that shows it.</summary>
/// <param name="Word">The word.</param>
/// <param name="Meaning">What it means, in a sentence or two.</param>
/// <param name="At">The time on its clock.</param>
/// <param name="Covered">Which hand its clock leaves out.</param>
public sealed record GlossaryWord(string Word, string Meaning, ClockTime At, Covered Covered = Covered.Neither)
{
    /// <summary>The words that families and assistants meet, in the order in which they are taught.</summary>
    public static IReadOnlyList<GlossaryWord> All { get; } =
    [
        new("Clock face", "The round part with the numbers 1 to 12. One round is twelve hours.", new(10, 10)),
        new("Hour hand", "The short hand. The hour is the last number that it has passed.", new(4, 20), Covered.Minute),
        new("Minute hand", "The long hand. It counts minutes, from the 12 on.", new(4, 20), Covered.Hour),
        new("Tick", "A small line at the edge. From one to the next the long hand takes one minute.", new(12, 3), Covered.Hour),
        new("Clockwise", "The way hands go: from 12 to 1, 2, 3.", new(12, 15), Covered.Hour),
        new("O’clock", "The long hand is straight up, at the 12. The short one is just on its number.", new(3, 0)),
        new("Half {past}", "The long hand is halfway round, at the 6. The short one is midway between two numbers.", new(6, 30)),
        new("Quarter {past}", "The long hand is at the 3: a quarter of the way round, 15 minutes.", new(9, 15)),
        new("Quarter {to}", "The long hand is at the 9: a quarter is left until the coming hour.", new(7, 45)),
        new("{Past}", "Minutes that are gone since the hour: twenty {past} two.", new(2, 20)),
        new("{To}", "Minutes that are left until the coming hour: twenty {to} three.", new(2, 40)),
        new("Counting in fives", "From number to number the long hand takes five minutes: 5, 10, 15, round to 60.", new(12, 35),
            Covered.Hour),
        new("Digital time", "A time in figures: the hour, then the minutes in two figures, 8:05.", new(8, 5)),
        new("Noon", "Twelve in the middle of the day. The count begins again at one.", new(12, 0)),
        new("Midnight", "Twelve in the middle of the night: a new day begins.", new(12, 0)),
        new("a.m. and p.m.", "a.m. is from midnight to noon, p.m. from noon to midnight.", new(9, 10)),
        new("24-hour time", "Hours are counted on after noon: ten {past} three in the afternoon is 15:10.", new(3, 10)),
        new("Pattern", "A way of reading that explains some answers. It is not a fault of the child.", new(4, 20)),
        new("Slip", "A wrong answer without a rule. Everybody makes some.", new(5, 25)),
        new("Help on the face", "Minute numbers or colours on a clock. They are taken away bit by bit.", new(1, 50)),
        new("Cold start", "A few clocks before a word of help: what a child can do alone.", new(11, 35)),
    ];

    /// <summary>The word in these words.</summary>
    public string WordIn(Wording wording) => wording.Fill(Word);

    /// <summary>What it means, in these words.</summary>
    public string MeaningIn(Wording wording) => wording.Fill(Meaning);
}
