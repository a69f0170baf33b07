using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>A conversation with a made-up child: clocks that the adult chooses, and what the child says.</summary>
public sealed class ChildModel(IDatabase database, RequestPreferences preferences, TimeProvider clock, TrainerTurns turns)
    : ConversationPage(database, preferences, clock, turns)
{
    /// <summary>What was typed and could not be asked.</summary>
    public string Typed { get; private set; } = "";

    public ClockTask Task { get; private set; } = ClockTasks.ReadDigital;

    /// <summary>Which kind of verdict was said, and could not be taken.</summary>
    public string Kind { get; private set; } = "";

    public string? Message { get; private set; }

    public IReadOnlyList<Pattern> Patterns => Turns.Patterns.All;

    public async Task<IActionResult> OnGet(string? time, string? task, string? kind)
    {
        if (TrainingLevels.Find(Level) is not { } level) return NotFound();
        if (Child == 0)
        {
            var seed = await Turns.SeedAt(level, Random.Shared.Next(10_000), HttpContext.RequestAborted);
            return Redirect($"/trainer/child?level={Level}&child={seed}");
        }
        if (!await Find()) return NotFound();
        Kind = kind ?? "";
        if (kind is not null) Message = "Choose which pattern it is; two that are not the same, where there are two.";
        Task = TrainingPatterns.Tasks.FirstOrDefault(each => each.Id == task) ?? (Conversation.Items.Count > 0 ? Conversation.Items[^1].Task
            : ClockTasks.ReadDigital);
        if (time is null || !Conversation.MayAsk) return Page();
        Typed = time.Length > AnswerParser.LongestAnswer ? "" : time.Trim();
        if (AnswerParser.Parse(Typed).Meaning is not { } shown)
        {
            Message = $"No clock can show “{Typed}”. Type a time such as {Wording.Digital(new ClockTime(7, 50))} or 835.";
            return Page();
        }
        var item = new Item(Task, shown);
        if (Conversation.Items.Contains(item))
        {
            Message = "You have asked just this. Choose another time, or another way to ask.";
            return Page();
        }
        return Redirect(Address("child", Conversation.Items.Append(item)));
    }

    /// <summary>What patterns of a step are about.</summary>
    public static string Heading(Step step) => Catalogue.ReadsRightly(step, Wording.Usual) is var right
        ? char.ToUpperInvariant(right[0]) + right[1..] : "";
}
