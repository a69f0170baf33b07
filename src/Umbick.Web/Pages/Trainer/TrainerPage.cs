using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Drawing;
using Umbick.Training;

namespace Umbick.Web.Pages.Trainer;

/// <summary>
/// A page of the trainer. It stands open to anybody and keeps nothing, but for whoever is signed in: everything that was asked stands in
/// its address.
/// </summary>
[AllowAnonymous]
public abstract class TrainerPage(IDatabase database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    /// <summary>How times are said: as at the school, for whoever is signed in.</summary>
    protected Wording Wording => preferences.Wording;

    /// <summary>How clocks are taught: as at the school, for whoever is signed in.</summary>
    protected TeachingPreferences Teaching => preferences.Teaching;

    /// <summary>Keeps what somebody has trained with in their own course, where they are signed in.</summary>
    protected async Task Keep(TrainingRow row)
    {
        if (!User.IsSignedIn() || row.Moves.Length > TrainingRow.LongestMoves || row.Id == default) return;
        await InSchool(connection => OwnCourse.Keep(connection, User.Person().Id, row));
    }

    protected DateTime Moment => clock.GetUtcNow().UtcDateTime;

    /// <summary>A clock with what was answered as its shadow.</summary>
    public static Face Drawn(FaceSize size, Item item, Answer answer, bool isRight) =>
        Face.Showing(size, item.Time, answer, isRight, $"{item.Time}, answered {AnswerInWords.For(answer, Wording.Usual)}") with
        { Only = Face.OnlyOf(item.Task) };

    /// <summary>An answer as it stands beside its clock.</summary>
    public string Said(Item item, string raw) => item.Read(raw) switch
    {
        PlacedAnswer => "set like this",
        Unread => raw,
        HourPlaceAnswer or PlacesAnswer or DigitalAnswer { Hour: null } => AnswerInWords.For(item.Read(raw), Wording),
        _ => item.Task.Form == AnswerForm.Digital ? raw.Replace(':', Wording.Mark) : raw,
    };
}

/// <summary>A page of one conversation: its level, its child and what was asked stand in the address.</summary>
public abstract class ConversationPage(
    IDatabase database, RequestPreferences preferences, TimeProvider clock, TrainerTurns turns) : TrainerPage(database, preferences, clock)
{
    /// <summary>The level’s name in the address.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Level { get; set; }

    /// <summary>The number that makes the child.</summary>
    [BindProperty(SupportsGet = true)]
    public int Child { get; set; }

    /// <summary>What was asked.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Asked { get; set; }

    public Conversation Conversation { get; private set; } = null!;

    protected TrainerTurns Turns => turns;

    /// <summary>Finds the conversation.</summary>
    /// <returns>Whether there can be such a one.</returns>
    protected async Task<bool> Find()
    {
        if (TrainingLevels.Find(Level) is not { } level || Conversation.Read(Asked) is not { } items
            || await turns.ChildOf(level, Child, HttpContext.RequestAborted) is not { } child) return false;
        Conversation = new(child, items);
        return true;
    }

    /// <summary>The same conversation in an address.</summary>
    public string Address(string page, IEnumerable<Item>? asked = null) =>
        $"/trainer/{page}?level={Level}&child={Child}&asked={Uri.EscapeDataString(Conversation.Write(asked ?? Conversation.Items))}";
}
