using System.Text.Json;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store;

/// <summary>Items as they stand in rows: the task's id, the time as <c>h:mm</c>, the claim as it would be typed, the rest as JSON.</summary>
internal static class ItemText
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);

    /// <summary>What an item has beside its task and its time.</summary>
    private sealed record ItemDetail(string? Question, IReadOnlyList<string>? Choices, IReadOnlyList<string>? Clocks, int? Move);

    public static string? Claim(Item item) => item.Claim?.Short(Wording.Usual);

    public static string Support(Support support) => support.ToString().ToLowerInvariant();

    public static Support Support(string text) => Enum.Parse<Support>(text, ignoreCase: true);

    /// <summary>The rest of an item; null where there is none.</summary>
    public static string? Detail(Item item)
    {
        if (item is { Question: null, Choices.Count: 0, Clocks.Count: 0, Move: 0 }) return null;
        return JsonSerializer.Serialize(
            new ItemDetail(
                item.Question?.Given,
                item.Choices.Count == 0 ? null : [.. item.Choices.Select(choice => choice.Short(Wording.Usual))],
                item.Clocks.Count == 0 ? null : [.. item.Clocks.Select(clock => clock.ToString())],
                item.Move == 0 ? null : item.Move),
            Plain);
    }

    /// <exception cref="InvalidDataException">The row names a task, a time or a question that does not exist.</exception>
    public static Item Read(string task, string time, string? claim, string? detail = null)
    {
        var known = ClockTasks.Find(task) ?? throw new InvalidDataException($"No task '{task}'.");
        var rest = detail is null ? null : JsonSerializer.Deserialize<ItemDetail>(detail, Plain);
        if (rest?.Question is { } question)
            return Item.Of(SideQuestions.Find(known, question) ?? throw new InvalidDataException($"No question '{question}' in '{task}'."));
        return new Item(known, Time(time), claim is null ? null : AnswerParser.Parse(claim))
        {
            Choices = [.. (rest?.Choices ?? []).Select(AnswerParser.Parse)],
            Clocks = [.. (rest?.Clocks ?? []).Select(Time)],
            Move = rest?.Move ?? 0,
        };
    }

    private static ClockTime Time(string text) => ClockTime.TryParse(text) ?? throw new InvalidDataException($"No time '{text}'.");
}
