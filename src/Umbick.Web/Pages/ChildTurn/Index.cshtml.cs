using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Casework;

namespace Umbick.Web.Pages.ChildTurn;

/// <summary>The child's side: one sitting and nothing else.</summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class IndexModel(
    IDatabase database, Practising practising, Asking asking, IAntiforgery forms, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>A turn of a practice set; null where the sitting is an asking.</summary>
    public SetPlaceView? View { get; private set; }

    /// <summary>A question of an asking; null where the sitting is a practice set.</summary>
    public QuestionView? Question { get; private set; }

    protected override SchoolId SchoolId => User.Child().School;

    private SittingId Id => User.Child().Sitting;

    public Task<IActionResult> OnGet() => Within(async connection => await OfVisit(connection) ? Redirect("/screen")
        : await Show(connection) ? Page() : NotFound());

    /// <summary>Whether the device is the screen of a visit: the adult notes what is answered there, and it writes nothing.</summary>
    private async Task<bool> OfVisit(SchoolConnection connection) => await Asking.Find(connection, Id) is { Visit: not null };

    /// <summary>What a page that knows this version asks each second: nothing, or where the sitting stands now.</summary>
    public Task<IActionResult> OnGetState(int version) => Within(async connection =>
    {
        if (await Asking.Find(connection, Id) is not { } sitting) return NotFound();
        if (sitting.IsPractice || sitting.Version == version) return StatusCode(StatusCodes.Status204NoContent);
        return await Show(connection) ? Part() : NotFound();
    });

    /// <summary>The questions after this one of a list that was made before, so that it can go on without a connection.</summary>
    public Task<IActionResult> OnGetAhead() => Within(async connection =>
    {
        if (!await Show(connection)) return NotFound();
        var sitting = View?.Place.Sitting ?? Question!.Sitting;
        if (sitting.EndedAt is not null || sitting is { IsPractice: false, Plan: Plan.Adaptive })
            return StatusCode(StatusCodes.Status204NoContent);
        var done = View?.Place.Done ?? Question!.Done;
        var ahead = (await Asking.Ahead(connection, sitting))
            .Select((asked, i) => new QuestionView(sitting, asked, done + i + 1, null)
            { Geared = sitting.IsPractice && preferences.Teaching.PractisesGeared && AnswerBoxes.CanGear(asked.Item) });
        return Partial("_Ahead", ahead.Append(new QuestionView(sitting, null, sitting.Length, null)).ToList());
    });

    /// <summary>A fresh key for the page's forms, where the one in it has grown old.</summary>
    public IActionResult OnGetToken() => Content(forms.GetAndStoreTokens(HttpContext).RequestToken ?? "");

    public Task<IActionResult> OnPostAnswer(AnswerSent sent, string? instead, AnswerFields parts) => Within(async connection =>
    {
        if (sent.Id is not { } answer)
            return await Message(connection, "Something went missing on the way. Try once more.", StatusCodes.Status400BadRequest);
        // The answer is to the item at its place, whatever is asked by now.
        if (await SittingState.Lock(connection, Id) is not { Sitting.Visit: null } locked) return NotFound();
        preferences.OfChild = locked.Preferences;
        if (locked.ItemAt(sent.At) is not { } item)
            return await Refused(connection, answer, "This question was not asked here. Here is where you are.",
                StatusCodes.Status409Conflict);
        var text = instead is "?" or "yes" ? instead : AnswerSent.Text(parts.AsText(item));
        if (text.Length == 0) return await Refused(connection, answer, AnswerFields.Missing(item), StatusCodes.Status400BadRequest);
        if (text.Length > AnswerParser.LongestAnswer)
            return await Refused(connection, answer, "That is too long for a time. Try once more.", StatusCodes.Status400BadRequest);
        var submission = sent.Submission(answer, text, sent.OnScreen(item), preferences.Teaching.Timed);
        var taken = locked.Sitting.IsPractice
            ? await practising.Keep(connection, locked, submission)
            : await asking.Keep(connection, locked, submission, by: null);
        if (!taken.Outcome.IsKept())
            return await Refused(connection, answer, "This one was answered already. Here is where you are.",
                StatusCodes.Status409Conflict);
        Response.Kept(answer);
        return await Shown(connection, taken.State);
    });

    /// <summary>Goes on from an item that is settled. It is sent like an answer, so that it is not lost either.</summary>
    public Task<IActionResult> OnPostOn(AnswerId answer, int place) => Within(async connection =>
    {
        if (await OfVisit(connection)) return NotFound();
        await practising.GoOn(connection, Id, place);
        Response.Kept(answer);
        return await Shown(connection);
    });

    private async Task<bool> Show(SchoolConnection connection, string? message = null, SittingState? state = null)
    {
        if ((state ?? await SittingState.Load(connection, Id)) is not { } now) return false;
        var sitting = now.Sitting;
        preferences.OfChild = now.Preferences;
        if (sitting.IsPractice)
        {
            var turn = await Practising.Where(connection, now);
            View = new SetPlaceView(turn,
                turn.Asked is { } asking
                    ? ChildWords.LookAgain(asking.Item, turn.Set.Pattern?.Step ?? Step.Hour, preferences.Teaching, sitting.Stage) : "",
                    message);
            return true;
        }
        var answers = now.Rows.LatestAnswers.ToList();
        Question = new QuestionView(sitting, now.Asked, answers.Count(answer => answer.Place != sitting.CurrentPlace), message)
        { Stands = answers.Find(answer => answer.Place == sitting.CurrentPlace)?.Id };
        return true;
    }

    private PartialViewResult Part() => View is { } practice ? Partial("_SetPlace", practice) : Partial("_Question", Question);

    private async Task<IActionResult> Shown(SchoolConnection connection, SittingState? state = null)
    {
        if (!Request.IsScripted()) return Redirect("/turn");
        return await Show(connection, state: state) ? Part() : NotFound();
    }

    private Task<IActionResult> Refused(SchoolConnection connection, AnswerId answer, string message, int status)
    {
        Response.Refused(answer);
        return Message(connection, message, status);
    }

    private async Task<IActionResult> Message(SchoolConnection connection, string message, int status)
    {
        if (!await Show(connection, message)) return NotFound();
        Response.StatusCode = status;
        return Request.IsScripted() ? Part() : Page();
    }
}
