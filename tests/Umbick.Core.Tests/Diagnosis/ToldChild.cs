using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Core.Tests;

/// <summary>A child as a teacher would tell of them: what was asked and answered, and what the teacher would conclude.</summary>
/// <param name="Story">What is told.</param>
/// <param name="Answers">The answers, in order.</param>
/// <param name="Is">What the teacher concludes: patterns, 'other-' with a step, 'guessing'; none where nothing is to be found.</param>
/// <param name="Perhaps">What they would not rule out.</param>
public sealed record ToldChild(string Story, IReadOnlyList<ItemAnswer> Answers, IReadOnlySet<string> Is, IReadOnlySet<string> Perhaps)
{
    private static readonly Dictionary<string, (ClockTask Task, AnswerMode Mode)> Tasks = new()
    {
        ["figures"] = (ClockTasks.ReadDigital, AnswerMode.Said),
        ["written"] = (ClockTasks.ReadDigital, AnswerMode.Written),
        ["words"] = (ClockTasks.ReadWords, AnswerMode.Said),
        ["heard"] = (ClockTasks.WordsToDigital, AnswerMode.Written),
        ["set"] = (ClockTasks.SetFromDigital, AnswerMode.Placed),
    };

    /// <summary>All of them, read from the files beside the tests.</summary>
    public static IReadOnlyList<ToldChild> All { get; } =
    [
        .. Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "ToldChildren"), "*.txt").Order(StringComparer.Ordinal)
            .SelectMany(path => string.Join('\n', File.ReadAllLines(path).Where(line => !line.StartsWith('#'))).Split("\n\n",
            StringSplitOptions.RemoveEmptyEntries))
            .Select(Read),
    ];

    private static ToldChild Read(string told)
    {
        var lines = told.Trim('\n').Split('\n');
        var rows = lines.Skip(1).Select(line => line.Trim().Split(' ', 2)).ToList();
        return new ToldChild(lines[0],
            [.. rows.Where(row => Tasks.ContainsKey(row[0]))
                .SelectMany(row => row[1].Split(", ").Select(text => Answer(Tasks[row[0]], text)))], Ids("is"), Ids("perhaps"));

        HashSet<string> Ids(string word) =>
            [.. rows.Where(row => row[0] == word).SelectMany(row => row[1].Split(", ")).Where(id => id != "nothing")];
    }

    private static ItemAnswer Answer((ClockTask Task, AnswerMode Mode) asked, string text)
    {
        var (shown, answer) = text.Split('>') is [var a, var b] ? (a, b) : throw new FormatException($"'{text}' is no answer.");
        var item = new Item(asked.Task, ClockTime.TryParse(shown) ?? throw new FormatException($"'{shown}' is no time."));
        return new ItemAnswer(item, item.Read(answer), asked.Mode);
    }
}
