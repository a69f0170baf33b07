using CsCheck;
using Umbick.Core.Clocks;

namespace Umbick.Core.Tests;

/// <summary>What children write is read; and however it is written, it is never read as another time.</summary>
public sealed class ChildSpellingTests
{
    private const string Letters = "abcdefghijklmnopqrstuvwxyz";

    /// <summary>Each text of the table is read as the table says.</summary>
    [Fact]
    public void What_children_write_is_read()
    {
        var rows = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Clocks", "as-children-write.txt"))
            .Where(line => line.Length > 0 && line[0] != '#')
            .Select(line => line.Split(": ", 2))
            .SelectMany(parts => parts[1].Split(" | ").Select(raw => (Reading: parts[0].TrimEnd(':'), Raw: raw.Trim())))
            .ToList();
        Assert.True(rows.Count > 400, $"there are {rows.Count}");
        var others = rows.Where(row =>
            ReadingOf(row.Raw) != row.Reading).Select(row => $"{row.Raw} is {ReadingOf(row.Raw)}, not {row.Reading}");
        Assert.True(!others.Any(), string.Join("\n", others));
    }

    /// <summary>A slip in a word leads to the same time, or to nothing that could be scored.</summary>
    [Fact]
    public void A_slip_of_a_letter_never_makes_another_time()
    {
        var slips = from hour in Gen.Int[1, 12]
                    from minute in Gen.Int[0, 59]
                    from word in Gen.Int[0, 9]
                    from at in Gen.Int[0, 20]
                    from kind in Gen.Int[0, 3]
                    from letter in Gen.Int[0, 25]
                    select (Time: new ClockTime(hour, minute), word, at, kind, Letter: Letters[letter]);
        slips.Sample(slip =>
        {
            var words = Wording.Usual.Words(slip.Time).Split(' ');
            var chosen = words.Index().Where(word => word.Item.Length > 3).Select(word => word.Index).ToList();
            if (chosen.Count == 0) return;
            var place = chosen[slip.word % chosen.Count];
            words[place] = Slipped(words[place], slip.at % words[place].Length, slip.kind, slip.Letter);
            var read = AnswerParser.Parse(string.Join(' ', words), Typist.Child);
            Assert.True(!read.IsScored || read.Meaning is null || read.Meaning == slip.Time,
                $"{string.Join(' ', words)} is read as {read.Short(Wording.Usual)}");
        }, iter: 20_000);
    }

    private static string Slipped(string word, int at, int kind, char letter) => kind switch
    {
        0 => word.Remove(at, 1),
        1 => word.Insert(at, $"{letter}"),
        2 => $"{word[..at]}{letter}{word[(at + 1)..]}",
        _ => at == 0 ? word : $"{word[..(at - 1)]}{word[at]}{word[at - 1]}{word[(at + 1)..]}",
    };

    private static string ReadingOf(string raw) => AnswerParser.Parse(raw, Typist.Child) switch
    {
        Estimate => "~",
        Unread => "unread",
        var read => read.Short(Wording.Usual),
    };
}
