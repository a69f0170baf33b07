using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Patterns;

/// <summary>Explains one answer. It knows no child, so on demonstration data it stands open before signing in.</summary>
[AllowAnonymous]
public sealed class ExplainModel(ReadingModel model, Demo demo) : PageModel
{
    public string TimeText { get; private set; } = "";

    public string AnswerText { get; private set; } = "";

    public ClockTask Task { get; private set; } = ClockTasks.ReadDigital;

    public ClockTime Time { get; private set; }

    public string? Told { get; private set; }

    public Answer? Given { get; private set; }

    public Explained? Explained { get; private set; }

    /// <summary>What each pattern would answer to this clock.</summary>
    public IReadOnlyList<(Answer Answer, IReadOnlyList<Pattern> Patterns)> OtherWays { get; private set; } = [];

    public async Task<IActionResult> OnGet(string? time, string? answer, string? task)
    {
        if (User.Identity?.IsAuthenticated != true && !await demo.IsOpenTo(HttpContext)) return Challenge();
        (TimeText, AnswerText, Task) = (Cut(time ?? "4:00"), Cut(answer ?? ""), ClockTasks.Find(task) ?? ClockTasks.ReadDigital);
        if (Task == ClockTasks.Judge) Task = ClockTasks.ReadDigital;
        Explain(time, answer);
        return Request.Headers["HX-Request"] == "true" ? Partial("_Explain", this) : Page();
    }

    private void Explain(string? time, string? answer)
    {
        if (AnswerParser.Parse(time ?? "4:00").Meaning is not { } shown)
        {
            Time = new ClockTime(12, 0);
            Told = $"No clock can show “{TimeText}”. Type a time such as 4:00 or 835.";
            return;
        }
        Time = shown;
        TimeText = Wording.Usual.Digital(shown);
        OtherWays = new Explainer(model).OtherWays(Asked, Task.OnScreen);
        if (answer?.Length > AnswerParser.LongestAnswer)
        {
            Told = $"That is {answer.Length:N0} characters; an answer has {AnswerParser.LongestAnswer} at most.";
            return;
        }
        if (AnswerText.Length == 0) return;
        Given = AnswerParser.Parse(AnswerText);
        Told = Given switch
        {
            AmbiguousHalf half => $"“{AnswerText}” can be {Hours.Before(half.Hour)}:30 or {half.Hour}:30; in some languages it is the first. Ask which is meant, and type that.",
            Unread => $"“{AnswerText}” cannot be read as a time. Type it as 8:35, quarter to nine, or 7.67|40 for placed hands.",
            NoAnswer or DontKnow => "No answer tells nothing of how the clock is read. It is still worth noting.",
            _ => null,
        };
        if (Told is null) Explained = new Explainer(model).Explain(new GivenAnswer(Asked, Given, Task.OnScreen));
    }

    /// <summary>The item that was answered.</summary>
    public Item Asked => new(Task, Time);

    /// <summary>The shadow that the answer throws on the clock.</summary>
    public Face Large => Face.Of(FaceSize.Large, Time, Given, Explained?.IsRight ?? Given is null, $"A clock at {Time}");

    /// <summary>Patterns together, as a sentence.</summary>
    public static string Together(IReadOnlyList<Pattern> patterns) =>
        $"{patterns[0].Texts.Name}{string.Concat(patterns.Skip(1).Select(pattern => $", and {char.ToLowerInvariant(pattern.Texts.Name[0])}{pattern.Texts.Name[1..]}"))}.";

    private static string Cut(string text) => text.Trim() is { Length: > AnswerParser.LongestAnswer } longer ? longer[..AnswerParser.LongestAnswer] : text.Trim();
}
