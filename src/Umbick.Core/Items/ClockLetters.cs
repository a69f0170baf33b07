using Umbick.Core.Clocks;

namespace Umbick.Core.Items;

/// <summary>The letters by which clocks are called where several stand side by side.</summary>
public static class ClockLetters
{
    /// <summary>The letter of a clock, by its place from 0.</summary>
    public static char LetterAt(int place) => (char)('A' + place);

    /// <summary>The clocks of an item that have letters; none where it has one clock or none.</summary>
    public static IReadOnlyList<ClockTime> Clocks(Item item) => item switch
    {
        { Clocks.Count: > 0 } => item.Clocks,
        { Task.Id: TaskIds.ChooseClock } => [.. item.Choices.Select(choice => choice.Meaning).OfType<ClockTime>()],
        _ => [],
    };

    /// <summary>An answer with its letters put back into the clocks that they stand for: <c>b</c>, or <c>A=6:20; C=5:00</c>.</summary>
    public static string Spelled(Item item, string raw)
    {
        var clocks = Clocks(item);
        if (clocks.Count == 0) return raw;
        if (item.Task == ClockTasks.ChooseClock) return Named(clocks, raw.Trim()) ?? raw;
        return string.Join("; ", raw.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(pair =>
            pair.Split('=', 2, StringSplitOptions.TrimEntries) is [var letter, var time] && Named(clocks, letter) is { } clock
                ? $"{clock}={time}" : pair));
    }

    private static string? Named(IReadOnlyList<ClockTime> clocks, string letter)
    {
        var place = letter.Length == 1 ? char.ToUpperInvariant(letter[0]) - 'A' : -1;
        return place >= 0 && place < clocks.Count ? clocks[place].ToString() : null;
    }
}
