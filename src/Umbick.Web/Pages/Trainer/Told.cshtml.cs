using Microsoft.AspNetCore.Mvc;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>How a conversation went: what lay behind the answers, which clocks told, and what the engine would have asked.</summary>
public sealed class ToldModel(IDatabase database, RequestPreferences preferences, TimeProvider clock, TrainerTurns turns)
    : ConversationPage(database, preferences, clock, turns)
{
    public Feedback Feedback { get; private set; } = null!;

    public EnginePath Engine { get; private set; } = null!;

    public FirstWords Words { get; private set; } = null!;

    public FirstShown Shown { get; private set; } = null!;

    public async Task<IActionResult> OnGet(string? verdict, string? words, string? shown) =>
        await Tell(verdict, words, shown) ? Page() : NotFound();

    /// <summary>Keeps it in the own course of whoever is signed in, and tells.</summary>
    public async Task<IActionResult> OnPost(TrainingId id, string? verdict, string? words, string? shown)
    {
        if (!await Tell(verdict, words, shown)) return NotFound();
        await Keep(new TrainingRow
        {
            Id = id,
            Kind = "child",
            Level = Level!,
            Seed = Child,
            Moves = Conversation.Write(Conversation.Items),
            Verdict = $"{Feedback.Given.Id} {words} {shown}",
            Told = $"{FeedbackInWords.Truth(Conversation.Child, Wording)} {FeedbackInWords.Fit(Feedback, Conversation, Wording)}",
            WentWell = Feedback.IsRight,
            At = Moment,
        });
        return Redirect($"{Address("told")}&verdict={Uri.EscapeDataString(Feedback.Given.Id)}&words={words}&shown={shown}");
    }

    /// <summary>What is told of what was shown.</summary>
    public static string OfShown(FirstShown shown, Verdict truth) => (shown.Shown, shown.Fits(truth)) switch
    {
        (null, true) => "right, there is nothing to show.",
        (null, false) => "but here a demonstration helps.",
        (_, true) => "it shows just this.",
        (_, false) when !truth.NamesPatterns => "it mends what is not broken.",
        _ => "it is for another way of reading.",
    };

    private async Task<bool> Tell(string? verdict, string? words, string? shown)
    {
        if (!await Find() || !Conversation.MayCall || Verdict.Find(verdict) is not { } given) return false;
        if (FirstWords.For(Conversation, given, Turns.Patterns, Teaching).FirstOrDefault(each => each.Id == words)
            is not { } said) return false;
        if (FirstShown.For(Conversation.Child, given).FirstOrDefault(each => each.Id == shown) is not { } show) return false;
        (Words, Shown) = (said, show);
        (Feedback, Engine) = await Turns.Weigh(Conversation, given, HttpContext.RequestAborted);
        return true;
    }
}
