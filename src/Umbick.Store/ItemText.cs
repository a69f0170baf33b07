using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Practice;

namespace Umbick.Store;

/// <summary>Items as they stand in rows: the task's id, the time as <c>h:mm</c>, the claim as it would be typed.</summary>
internal static class ItemText
{
    public static string? Claim(Item item) => item.Claim?.Short(Wording.Usual);

    public static string Support(Support support) => support.ToString().ToLowerInvariant();

    public static Support Support(string text) => Enum.Parse<Support>(text, ignoreCase: true);

    /// <exception cref="InvalidDataException">The row names a task or a time that does not exist.</exception>
    public static Item Read(string task, string time, string? claim) => new(
        ClockTasks.Find(task) ?? throw new InvalidDataException($"No task '{task}'."),
        ClockTime.TryParse(time) ?? throw new InvalidDataException($"No time '{time}'."),
        claim is null ? null : AnswerParser.Parse(claim));
}
