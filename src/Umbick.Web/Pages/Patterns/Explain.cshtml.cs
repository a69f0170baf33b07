using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Patterns;

/// <summary>Explains one answer. It knows no child, so on demonstration data it stands open before signing in.</summary>
[AllowAnonymous]
public sealed class ExplainModel(ReadingModel model, Demo demo, RequestPreferences preferences) : PageModel
{
    /// <summary>One row of faces: the commonest ways; a rarer one is explained when its answer is typed.</summary>
    private const int MostWays = 9;

    public string TimeText { get; private set; } = "";

    public string AnswerText { get; private set; } = "";

    public ClockTask Task { get; private set; } = ClockTasks.ReadDigital;

    public ClockTime Time { get; private set; }

    public string? Message { get; private set; }

    public Answer? Given { get; private set; }

    public Explained? Explained { get; private set; }

    /// <summary>Whether a script asks for what changes, and not for the page.</summary>
    public bool IsPart => Request.IsScripted();

    /// <summary>What each pattern would answer to this clock.</summary>
    public IReadOnlyList<(Answer Answer, IReadOnlyList<Pattern> Patterns)> OtherWays { get; private set; } = [];

    /// <summary>The tasks that can be explained: those with a clock or a time.</summary>
    public static IReadOnlyList<ClockTask> Tasks { get; } =
        [.. ClockTasks.All.Where(task =>
            task != ClockTasks.Judge && task != ClockTasks.Match
                && (task.Stimulus != Core.Items.Stimulus.Text || task.Order.Count > 0 || task == ClockTasks.Later
                || task == ClockTasks.DayPart))];

    /// <summary>The item that was answered.</summary>
    public Item Asked { get; private set; } = new(ClockTasks.ReadDigital, new ClockTime(12, 0));

    /// <summary>The patterns that answer a question beside reading just so.</summary>
    public IReadOnlyList<Pattern> Beside { get; private set; } = [];

    public async Task<IActionResult> OnGet(string? time, string? answer, string? task)
    {
        if (User.Identity?.IsAuthenticated != true && !await demo.IsOpenTo(HttpContext)) return Challenge();
        (TimeText, AnswerText, Task) =
            (Cut(time ?? "4:00"), Cut(answer ?? ""), Tasks.FirstOrDefault(each => each.Id == task) ?? ClockTasks.ReadDigital);
        if (Find() is { } asked) Explain(asked, answer);
        return IsPart ? Partial("_Explained", this) : Page();
    }

    private Item? Find()
    {
        if (Task.Order.Count == 0 && Task.Stimulus == Core.Items.Stimulus.Text)
        {
            if (OtherSkillItems.Find(Task, TimeText) is { } question)
            {
                Time = question.Time;
                return Item.From(question);
            }
            Time = new ClockTime(12, 0);
            Message = Task == ClockTasks.Later
                ? preferences.Wording.Fill("Type the time and the minutes: 10:59 + 1, 4:10 - 20, or 2:40 until 3:10.")
                : preferences.Wording.Fill("Type the time with its half of the day: 9:10 am.");
            return null;
        }
        if (AnswerParser.Parse(TimeText).Meaning is not { } shown)
        {
            Time = new ClockTime(12, 0);
            Message = $"No clock can show “{TimeText}”. Type a time such as {preferences.Wording.Digital(new ClockTime(4, 0))} or 835.";
            return null;
        }
        Time = shown;
        TimeText = preferences.Wording.Digital(shown);
        return new Item(Task, Time) { Move = 60 };
    }

    private void Explain(Item asked, string? answer)
    {
        Asked = asked;
        if (Task.Order.Count > 0) OtherWays = [.. new Explainer(model).OtherWays(asked, Task.OnScreen).Take(MostWays)];
        if (answer?.Length > AnswerParser.LongestAnswer)
        {
            Message = $"That is {answer.Length:N0} characters; an answer has {AnswerParser.LongestAnswer} at most.";
            return;
        }
        if (AnswerText.Length == 0) return;
        Given = asked.Read(AnswerText);
        Message = Given switch
        {
            AmbiguousHalf half => $"“{AnswerText}” can be {preferences.Wording.Digital(half.Before)} or "
                + $"{preferences.Wording.Digital(half.After)}; in some languages it is the first. Ask which is meant, and type that.",
            Unread => $"“{AnswerText}” cannot be read as an answer to this. {HowToType}",
            NoAnswer or DontKnow => "No answer tells nothing of how the clock is read. It is still worth noting.",
            _ => null,
        };
        if (Message is not null) return;
        if (asked.OtherSkill is { } question)
        {
            Beside = OtherSkillModel.Explaining(question, AnswerText);
            Explained = new Explained(question.IsRight(AnswerText), [], 0, Beside.Count > 0 ? Fit.Common : Fit.Nothing, 0);
            return;
        }
        Explained = new Explainer(model).Explain(new ItemAnswer(asked, Given, Task.OnScreen));
    }

    private string HowToType => Task.Form switch
    {
        AnswerForm.Hands => "Type placed hands as 7.67|40, one hand alone as 7.67| or |40.",
        AnswerForm.Hour => "Type the hour and how far past it: 6, 6 halfway, 6 nearly next.",
        AnswerForm.Places => "Type the numerals: between 7 and 8, 5.",
        AnswerForm.Several => "Type the ones chosen, with semicolons between.",
        _ => preferences.Wording.Fill("Type it as 8:35 or quarter {to} nine."),
    };

    /// <summary>The shadow that the answer throws on the clock.</summary>
    public Face Large => Face.Showing(FaceSize.Large, Time, Asked.OtherSkill is null ? Given : null, Explained?.IsRight ?? Given is null,
        $"A clock at {Time}");

    /// <summary>How well it is explained at all, as a sentence.</summary>
    public static string InWords(Explained explained) => explained.Fit == Fit.Common
        ? "A common way of reading gives just this answer."
        : "Only a rare way, or two together, gives this answer: ask more before you believe it.";

    /// <summary>How often a slip is behind such an answer, in words.</summary>
    public static string TimesInTen(double share) => Math.Round(10 * share) switch
    {
        0 => "That is rare here.",
        10 => "That is nearly always so here.",
        var times => $"That is so about {(times == 1 ? "once" : $"{times} times")} in ten.",
    };

    /// <summary>Patterns together, as a sentence.</summary>
    public static string Together(IReadOnlyList<Pattern> patterns, Wording wording)
    {
        var names = patterns.Select(pattern => pattern.TextsIn(wording).Name).ToList();
        return $"{names[0]}{string.Concat(names.Skip(1).Select(name => $", and {char.ToLowerInvariant(name[0])}{name[1..]}"))}.";
    }

    private static string Cut(string text) => text.Trim() is { Length: > AnswerParser.LongestAnswer } longer
        ? longer[..AnswerParser.LongestAnswer] : text.Trim();
}
