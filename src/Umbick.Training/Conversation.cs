using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Training;

/// <summary>What a trainee has asked a made-up child, and heard.</summary>
public sealed class Conversation
{
    /// <summary>The fewest clocks before it may be said what it is.</summary>
    public const int Fewest = 6;

    /// <summary>The most clocks.</summary>
    public const int Most = 10;

    /// <summary>Asks a child.</summary>
    /// <param name="child">The child.</param>
    /// <param name="items">What is asked, in order.</param>
    public Conversation(MadeUpChild child, IReadOnlyList<Item> items) => (Child, Items, Heard) = (child, items, child.Answers(items));

    /// <summary>The child.</summary>
    public MadeUpChild Child { get; }

    /// <summary>What was asked.</summary>
    public IReadOnlyList<Item> Items { get; }

    /// <summary>What was answered.</summary>
    public IReadOnlyList<HeardAnswer> Heard { get; }

    /// <summary>Whether it may be said what it is.</summary>
    public bool MayCall => Items.Count >= Fewest;

    /// <summary>Whether one more may be asked.</summary>
    public bool MayAsk => Items.Count < Most;

    /// <summary>Whether an answer came right.</summary>
    public bool IsRight(int place) => Scoring.IsRight(
        Items[place], Items[place].Read(Heard[place].Raw), Items[place].Task.Taken, Stage.EveryMinute);

    /// <summary>Items as they stand in an address: <c>read-digital 4:50;read-words 6:40</c>.</summary>
    public static string Write(IEnumerable<Item> items) => string.Join(';', items.Select(item => $"{item.Task.Id} {item.Time}"));

    /// <summary>Items that stand so; null where they cannot be, or are more than may be asked.</summary>
    public static IReadOnlyList<Item>? Read(string? text)
    {
        if (string.IsNullOrEmpty(text)) return [];
        var parts = text.Split(';');
        if (parts.Length > Most) return null;
        var items = new List<Item>();
        foreach (var part in parts)
        {
            var words = part.Split(' ');
            if (words.Length != 2 || TrainingPatterns.Tasks.FirstOrDefault(task => task.Id == words[0]) is not { } task
                || ClockTime.TryParse(words[1]) is not { } time) return null;
            items.Add(new(task, time));
        }
        return items;
    }
}
