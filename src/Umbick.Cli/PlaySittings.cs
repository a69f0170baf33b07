using System.Text;
using System.Text.Json;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Casework.Files;

namespace Umbick.Cli;

/// <summary>
/// <c>./umbick sitting</c>: sittings over standard input and output, one JSON object a line, so that any program can play the child.
/// </summary>
internal static class PlaySittings
{
    private const int MostItems = 200;

    private sealed record Begin(string? Child, int? Items, int? Stage);

    private sealed record Said(string? Answer);

    private sealed record Asked(string Task, string Given, IReadOnlyList<string>? Choices, string Why);

    private sealed record Ask(Asked Asked)
    {
        [System.Text.Json.Serialization.JsonPropertyName("ask")]
        public Asked Asked { get; } = Asked;
    }

    public static int Run(int seed)
    {
        using var input = new StreamReader(Console.OpenStandardInput(), new UTF8Encoding(false));
        using var output = new StreamWriter(Console.OpenStandardOutput(), new UTF8Encoding(false)) { AutoFlush = true, NewLine = "\n" };
        var model = new ReadingModel();
        var banks = new Dictionary<Stage, IReadOnlyList<Item>>();
        while (NextLine(input) is { } line)
        {
            if (Parsed<Begin>(line) is not { Child: { } child } begin || begin.Items is < 1 or > MostItems || begin.Stage is < 1 or > 12)
            {
                output.WriteLine(Error($"A sitting begins with {{\"child\":\"a\",\"items\":12,\"stage\":10}}; items 1 to {MostItems}, "
                    + $"stage 1 to 12."));
                return 1;
            }
            var stage = (Stage)(begin.Stage ?? (int)Stage.EveryMinute);
            if (!banks.TryGetValue(stage, out var bank)) banks[stage] = bank = ItemBank.ForSitting(stage, ClockTasks.Plain);
            var sitting = new AdaptiveSitting(
                model, new Belief(model), new SittingItems(bank, begin.Items ?? SittingItems.UsualLength), SeedOf(seed, child));
            for (var asked = 0; asked < (begin.Items ?? SittingItems.UsualLength) && sitting.Next() is { } next; asked++)
            {
                output.WriteLine(JsonSerializer.Serialize(new Ask(new Asked(next.Item.Task.Id, next.Item.Given, null, next.Why)),
                    DiagnosisJson.Options));
                if (NextLine(input) is not { } reply) return 0;
                if (Parsed<Said>(reply) is not { Answer: { } raw })
                {
                    output.WriteLine(Error("An answer is {\"answer\":\"8:07\"}."));
                    return 1;
                }
                sitting.Add(new ItemAnswer(next.Item,
                    raw.Length > AnswerParser.LongestAnswer ? new Unread(raw) : next.Item.Read(raw, Typist.Child), next.Item.Task.Taken));
            }
            output.WriteLine(JsonSerializer.Serialize(DiagnosisJson.From(child, sitting.Conclude(), []), DiagnosisJson.Options));
        }
        return 0;
    }

    /// <summary>Each child has items of their own, the same each time.</summary>
    private static int SeedOf(int seed, string child) => child.Aggregate(seed, (hash, sign) => unchecked((hash * 31) + sign));

    private static string? NextLine(StreamReader input)
    {
        while (input.ReadLine() is { } line)
        {
            if (line.Trim().Length > 0) return line;
        }
        return null;
    }

    private static T? Parsed<T>(string line) where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(line, JsonSerializerOptions.Web);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static string Error(string what) => JsonSerializer.Serialize(new { error = what }, DiagnosisJson.Options);
}
