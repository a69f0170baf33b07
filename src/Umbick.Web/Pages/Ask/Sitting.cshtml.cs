using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

/// <summary>How an answer was given, beside what it was.</summary>
public sealed class HowGiven
{
    public string? First { get; set; }

    public string? Prompted { get; set; }

    public string? How { get; set; }

    public string? Mode { get; set; }
}

/// <summary>Asking: in conversation, with the teacher's own clock, or beside a child who answers on another screen.</summary>
[Authorize(Who.Sittings)]
public sealed class SittingModel(
    IDatabase database, ReadingModel model, Asking asking, BackDoor back, RequestPreferences preferences) : SchoolPage(database)
{
    public AskingView View { get; private set; } = null!;

    /// <summary>What was typed that cannot be read: sent once more, it is kept as it is.</summary>
    private string? Unreadable { get; set; }

    public Task<IActionResult> OnGet(SittingId id) => Within(async connection =>
        await Asking.VisitUnderWay(connection, id) is { } visit
            ? Redirect($"/visits/{visit}")
            : await Show(connection, id) ? Page() : NotFound());

    /// <summary>What a page that knows this version asks each second: nothing, or where the sitting stands now.</summary>
    public Task<IActionResult> OnGetState(SittingId id, int version) => Within(async connection =>
    {
        if (await Asking.Find(connection, id) is not { } sitting) return NotFound();
        return sitting.Version == version ? StatusCode(StatusCodes.Status204NoContent) : await Shown(connection, id);
    });

    public Task<IActionResult> OnPostAnswer(SittingId id, AnswerSent sent, string? raw, HowGiven given) => Within(async connection =>
    {
        var (text, first) = (AnswerSent.Text(raw), AnswerSent.Text(given.First));
        if (sent.Id is not { } answer)
            return await Refuse(connection, id, text, "This page was incomplete. Nothing was lost: type the answer again.");
        var submission = sent.Submission(answer, text, default, timed: true) with
        {
            First = first.Length == 0 ? null : first,
            Prompted = given.Prompted == "true",
            How = HowDone.Find(given.How)?.Id
        };
        var taken = await asking.KeepTyped(connection, id, submission, Mode(given), AnswerSent.Text(sent.Confirmed), User.Person().Id);
        if (taken.Outcome == AnswerOutcome.NotFound) return NotFound();
        if (taken.Message is { } message)
        {
            Response.Refused(answer);
            preferences.OfChild = taken.State?.Preferences;
            Unreadable = taken.CanBeConfirmed ? text : null;
            return taken.Outcome is null ? await Refuse(connection, id, text, message)
                : await Conflict(connection, id,
                $"{message} This is where the sitting stands{(taken.Outcome == AnswerOutcome.AnsweredBefore ? "; go one back to put an "
                    + "answer right" : "")}.");
        }
        Response.Kept(answer);
        return await NextTurn(connection, id, taken.State);
    });

    /// <summary>Hands that are being noted, as they are understood so far: seen as a clock before they are kept.</summary>
    public PartialViewResult OnGetUnderstood(string? raw) =>
        Partial("_Understood", PlacedAnswer.FromPlaces(raw) ?? AnswerParser.Parse(raw) as PlacedAnswer);

    public Task<IActionResult> OnPostSkip(SittingId id, int place) =>
        Within(async connection => await asking.Skip(connection, id, place) switch
    {
        true => await Shown(connection, id),
        null => NotFound(),
        _ => await Conflict(connection, id, "The sitting had moved on already, so nothing was left out. This is where it stands."),
    });

    public Task<IActionResult> OnPostBack(SittingId id) => Within(async connection =>
    {
        await Asking.Back(connection, id);
        return await Shown(connection, id);
    });

    public Task<IActionResult> OnPostStop(SittingId id) =>
        Within(async connection => await asking.Stop(connection, id) ? await Shown(connection, id) : NotFound());

    /// <summary>Goes on where it was stopped today.</summary>
    public Task<IActionResult> OnPostGoOn(SittingId id) => Within(async connection =>
        await asking.Reopen(connection, id) switch
        {
            Reopened.NotFound => NotFound(),
            Reopened.GoesOn => await Shown(connection, id),
            Reopened.Busy => await Conflict(connection, id, "The child is in the middle of something else by now. This stays as it is."),
            _ => await Conflict(connection, id, "This was not stopped today, so it stays as it is."),
        });

    /// <summary>The next one is the last, and will very likely come right.</summary>
    public Task<IActionResult> OnPostEasy(SittingId id) => Within(async connection =>
    {
        await asking.EndSoon(connection, id);
        return await Shown(connection, id);
    });

    /// <summary>A few questions more, for something that stays possible.</summary>
    public Task<IActionResult> OnPostLonger(SittingId id, int length) => Within(async connection =>
    {
        await Asking.Longer(connection, id, length);
        return await Shown(connection, id);
    });

    /// <summary>Goes on in conversation or with the teacher's own clock.</summary>
    public Task<IActionResult> OnPostDelivery(SittingId id, DeliveryMode? mode) => Within(async connection =>
    {
        if (mode is not (DeliveryMode.Conversation or DeliveryMode.OwnClock)) return BadRequest();
        return await asking.Deliver(connection, id, mode.Value) ? await Shown(connection, id) : NotFound();
    });

    /// <summary>Makes the code that opens this sitting on the child's device.</summary>
    public Task<IActionResult> OnPostCode(SittingId id) => Within(async connection =>
    {
        if (await asking.MakeCode(connection, id) is not { } code) return await Shown(connection, id);
        if (!await Show(connection, id)) return NotFound();
        View = View with { Code = code };
        return Request.IsScripted() ? Partial("_Asking", View) : Page();
    });

    /// <summary>Tells the day on which it was answered on paper.</summary>
    public Task<IActionResult> OnPostDay(SittingId id, DateOnly? day) => Within(async connection =>
        await asking.TellDay(connection, id, day) switch
        {
            true => await Shown(connection, id),
            null => NotFound(),
            _ => await Refuse(connection, id, "", "Choose the day on which it was done: today, or before."),
        });

    /// <summary>Turns this device round: from now on it shows this sitting and nothing of the teacher's.</summary>
    public async Task<IActionResult> OnPostHand(SittingId id)
    {
        // Kept first: the device's session is another transaction, and waits for whoever holds the sitting.
        var handed = await InSchool(connection => asking.Deliver(connection, id, DeliveryMode.OnChildsScreen));
        if (!handed) return await Within(connection => Shown(connection, id));
        await HttpContext.EnterChildMode(SchoolId, id, await back.From(HttpContext));
        return Redirect("/turn");
    }

    private static AnswerMode? Mode(HowGiven given) => Enum.TryParse<AnswerMode>(given.Mode, out var mode) && Enum.IsDefined(mode) ? mode
        : null;

    /// <summary>Where several share a clock, the next child's turn; else the same child's next question.</summary>
    private async Task<IActionResult> NextTurn(SchoolConnection connection, SittingId id, SittingState? state)
    {
        if ((state?.Sitting ?? await Asking.Find(connection, id)) is not { Visit: not null } sitting)
            return await Shown(connection, id, state);
        var next = await Asking.NextTurn(connection, sitting);
        if (next != sitting.Id && Request.IsScripted()) Response.Headers["HX-Push-Url"] = $"/ask/{next}";
        return await Shown(connection, next);
    }

    private async Task<bool> Show(
        SchoolConnection connection, SittingId id, string? message = null, string? typed = null, SittingState? state = null)
    {
        if ((state is null ? await AskingShown.Load(connection, model, id, preferences.Today)
            : await AskingShown.From(connection, model, state, preferences.Today)) is not { } at) return false;
        preferences.OfChild = at.Child.Preferences;
        View = new AskingView(at, message, typed ?? at.Current?.Given?.Raw ?? "") { Unreadable = Unreadable };
        return true;
    }

    /// <summary>The part that changes, to a script; the page's own address, to a browser without one.</summary>
    private async Task<IActionResult> Shown(SchoolConnection connection, SittingId id, SittingState? state = null)
    {
        if (!Request.IsScripted()) return Redirect($"/ask/{id}");
        return await Show(connection, id, state: state) ? Partial("_Asking", View) : NotFound();
    }

    private Task<IActionResult> Refuse(SchoolConnection connection, SittingId id, string typed, string message) =>
        Answered(connection, id, StatusCodes.Status400BadRequest, typed, message);

    private Task<IActionResult> Conflict(SchoolConnection connection, SittingId id, string message) =>
        Answered(connection, id, StatusCodes.Status409Conflict, null, message);

    private async Task<IActionResult> Answered(SchoolConnection connection, SittingId id, int status, string? typed, string message)
    {
        var kept = typed is { Length: > AnswerParser.LongestAnswer } ? typed[..AnswerParser.LongestAnswer] : typed;
        if (!await Show(connection, id, message, kept)) return NotFound();
        Response.StatusCode = status;
        return Request.IsScripted() ? Partial("_Asking", View) : Page();
    }
}
