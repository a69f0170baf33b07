using Microsoft.AspNetCore.Mvc;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>What an adult says first, and shows, once they have said what it is.</summary>
public sealed class WordsModel(IDatabase database, RequestPreferences preferences, TimeProvider clock, TrainerTurns turns)
    : ConversationPage(database, preferences, clock, turns)
{
    public Verdict Given { get; private set; } = null!;

    public IReadOnlyList<FirstWords> Words { get; private set; } = [];

    public IReadOnlyList<FirstShown> Demonstrations { get; private set; } = [];

    public async Task<IActionResult> OnGet(string? kind, string? first, string? second)
    {
        if (!await Find() || !Conversation.MayCall) return NotFound();
        var given = kind == "pattern" ? Verdict.Find(string.IsNullOrEmpty(second) ? first : $"{first}+{second}") : Verdict.Find(kind);
        // What is no verdict yet is asked for once more, with all that was heard.
        if (given is null || (kind == "pattern") != given.NamesPatterns) return Redirect($"{Address("child")}&kind=pattern");
        Given = given;
        Words = FirstWords.For(Conversation, given, Turns.Patterns, Teaching);
        Demonstrations = FirstShown.For(Conversation.Child, given);
        return Page();
    }
}
