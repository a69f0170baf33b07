using System.Text.Json;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>
/// Items as they stand in rows: the task's id, the time as <c>h:mm</c>, the claim as it would be typed, the rest as JSON.
/// </summary>
internal static class ItemText
{
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);

    /// <summary>What an item has beside its task and its time.</summary>
    private sealed record ItemDetail(string? Question, IReadOnlyList<string>? Choices, IReadOnlyList<string>? Clocks, int? Move);

    public static string? Claim(Item item) => item.Claim?.Short(Wording.Usual);

    public static string Support(Support support) => support.ToString().ToLowerInvariant();

    /// <summary>The help that stands in a row; one that cannot be understood is taken for full help, which proves nothing.</summary>
    public static Support Support(string text) =>
        Enum.TryParse<Support>(text, ignoreCase: true, out var support) && Enum.IsDefined(support) ? support : Core.Items.Support.Full;

    /// <summary>The rest of an item; null where there is none.</summary>
    public static string? Detail(Item item)
    {
        if (item is { OtherSkill: null, Choices.Count: 0, Clocks.Count: 0, Move: 0 }) return null;
        return JsonSerializer.Serialize(
            new ItemDetail(
                item.OtherSkill?.Given,
                item.Choices.Count == 0 ? null : [.. item.Choices.Select(choice => choice.Short(Wording.Usual))],
                item.Clocks.Count == 0 ? null : [.. item.Clocks.Select(clock => clock.ToString())],
                item.Move == 0 ? null : item.Move),
            Plain);
    }

    /// <summary>
    /// The item of a row. It never throws: a row that names a task, a time or a question that does not exist is an item that cannot be
    /// read.
    /// </summary>
    public static Item Read(string task, string time, string? claim, string? detail = null)
    {
        if (ClockTasks.Find(task) is not { } known || ClockTime.TryParse(time) is not { } shown || !TryRead(detail, out var rest))
            return Item.Unreadable($"{task} {time}");
        if (rest?.Question is { } question)
            return OtherSkillItems.Find(known, question) is { } found ? Item.From(found) : Item.Unreadable($"{task} {question}");
        var clocks = (rest?.Clocks ?? []).Select(ClockTime.TryParse).ToList();
        if (clocks.Contains(null) || known.IsQuestion) return Item.Unreadable($"{task} {time}");
        return new Item(known, shown, claim is null ? null : AnswerParser.Parse(claim))
        {
            Choices = [.. (rest?.Choices ?? []).Select(choice => AnswerParser.Parse(choice))],
            Clocks = [.. clocks.OfType<ClockTime>()],
            Move = rest?.Move ?? 0,
        };
    }

    private static bool TryRead(string? detail, out ItemDetail? rest)
    {
        rest = null;
        if (detail is null) return true;
        try
        {
            rest = JsonSerializer.Deserialize<ItemDetail>(detail, Plain);
            return true;
        }
        catch (JsonException)
        {
            return false;
        }
    }
}
