using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Store.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

/// <summary>How an answer was given, beside what it was.</summary>
public sealed class HowGiven
{
    public string? First { get; set; }

    public bool Prompted { get; set; }

    public string? How { get; set; }

    public AnswerMode? Mode { get; set; }
}

/// <summary>Asking: in conversation, with the teacher's own clock, or beside a child who answers on another screen.</summary>
public sealed class SittingModel(Database database, ReadingModel model, Asking asking, Here here, TimeProvider clock) : PageModel
{
    public AskingView View { get; private set; } = null!;

    private Guid School => User.Teacher().School;

    public async Task<IActionResult> OnGet(Guid id) => await Show(id) ? Page() : NotFound();

    /// <summary>What a page that knows this version asks each second: nothing, or where the sitting stands now.</summary>
    public async Task<IActionResult> OnGetState(Guid id, int version)
    {
        var sitting = await database.InSchool(School, connection => Sittings.Find(connection, id), HttpContext.RequestAborted);
        if (sitting is null) return NotFound();
        return sitting.Version == version ? StatusCode(StatusCodes.Status204NoContent) : await Shown(id);
    }

    public async Task<IActionResult> OnPostAnswer(Guid id, Guid answer, int place, string? raw, float? seconds, float? begun, HowGiven given)
    {
        raw = (raw ?? "").Trim();
        if (answer == Guid.Empty || !ModelState.IsValid) return await Refuse(id, raw, "This page was incomplete. Nothing was lost: type the answer again.");
        if (raw.Length == 0) return await Refuse(id, raw, "Type what the child said. For no answer type - and for “don’t know” type ?");
        if (raw.Length > AnswerParser.LongestAnswer || given.First?.Length > AnswerParser.LongestAnswer)
            return await Refuse(id, raw, $"That is {Math.Max(raw.Length, given.First?.Length ?? 0):N0} characters; an answer has {AnswerParser.LongestAnswer} at most. It was not taken, and everything before it is kept.");
        if (AnswerParser.Parse(raw) is AmbiguousHalf half)
            return await Refuse(id, raw, $"“{raw}” can be {Hours.Before(half.Hour)}:30 or {half.Hour}:30. Ask which she means, and type that.");

        var submitted = await database.InSchool(
            School,
            async connection =>
            {
                if (await Sittings.Find(connection, id) is not { } sitting) return Submitted.NotFound;
                here.Manner = (await Store.Children.Find(connection, sitting.Child))!.Manner;
                var item = (await Sittings.AskedIn(connection, [id]))[id].FirstOrDefault(asked => asked.Place == place)?.Item;
                var timed = here.Manner.Timed;
                var submission = new Submission(answer, place, item is null ? raw : ClockLetters.Spelled(item, raw), given.Mode ?? (item is null ? AnswerMode.Said : Asking.ModeOf(item, raw)), timed ? seconds : null)
                {
                    BegunSeconds = timed ? begun : null,
                    First = string.IsNullOrWhiteSpace(given.First) ? null : given.First.Trim(),
                    Prompted = given.Prompted,
                    How = HowDone.Find(given.How)?.Id,
                };
                return await asking.Answer(connection, School, id, submission, User.Teacher().Person);
            },
            HttpContext.RequestAborted);
        return submitted switch
        {
            Submitted.Kept or Submitted.KeptBefore => await NextTurn(id),
            Submitted.NotFound => NotFound(),
            Submitted.OtherAnswerKept => await Conflict(id, "Another answer was already kept for this page. This is where the sitting stands."),
            Submitted.Over => await Conflict(id, "This sitting is over, so the last answer was not taken. All others are kept."),
            _ => await Conflict(id, $"The sitting has moved on, so “{raw}” was not taken. This is where it stands."),
        };
    }

    public async Task<IActionResult> OnPostSkip(Guid id, int place)
    {
        var skipped = await database.InSchool(School, connection => asking.Skip(connection, School, id, place), HttpContext.RequestAborted);
        return skipped switch
        {
            Submitted.Kept => await Shown(id),
            Submitted.NotFound => NotFound(),
            _ => await Conflict(id, "The sitting had moved on already, so nothing was left out. This is where it stands."),
        };
    }

    public async Task<IActionResult> OnPostBack(Guid id)
    {
        await database.InSchool(School, connection => Asking.Back(connection, id), HttpContext.RequestAborted);
        return await Shown(id);
    }

    public async Task<IActionResult> OnPostStop(Guid id)
    {
        var stopped = await database.InSchool(School, connection => asking.Stop(connection, School, id), HttpContext.RequestAborted);
        return stopped ? await Shown(id) : NotFound();
    }

    /// <summary>The next one is the last, and will very likely come right.</summary>
    public async Task<IActionResult> OnPostEasy(Guid id)
    {
        await database.InSchool(School, connection => asking.EndSoon(connection, School, id), HttpContext.RequestAborted);
        return await Shown(id);
    }

    /// <summary>Goes on in conversation or with the teacher's own clock.</summary>
    public async Task<IActionResult> OnPostWay(Guid id, string way)
    {
        if (way is not (Ways.Conversation or Ways.OwnClock)) return BadRequest();
        return await Held(id, way) ? await Shown(id) : NotFound();
    }

    /// <summary>Makes the code that opens this sitting on the child's device.</summary>
    public async Task<IActionResult> OnPostCode(Guid id)
    {
        if (!await Held(id, Ways.Screen)) return NotFound();
        var code = await database.InSchool(School, connection => Codes.Make(connection, School, id, clock.GetUtcNow().UtcDateTime), HttpContext.RequestAborted);
        if (!await Show(id)) return NotFound();
        View = View with { Code = code };
        return Request.Headers["HX-Request"] == "true" ? Partial("_Asking", View) : Page();
    }

    /// <summary>Turns this device round: from now on it shows this sitting and nothing of the teacher's.</summary>
    public async Task<IActionResult> OnPostHand(Guid id)
    {
        if (!await Held(id, Ways.Screen)) return NotFound();
        await HttpContext.EnterChildMode(School, id);
        return Redirect("/turn");
    }

    private Task<bool> Held(Guid id, string way) => database.InSchool(
        School,
        async connection =>
        {
            if (await Sittings.Lock(connection, id) is not { IsPractice: false, EndedAt: null } sitting) return false;
            if (sitting.Way != way) await Sittings.HoldIn(connection, id, way);
            return true;
        },
        HttpContext.RequestAborted);

    /// <summary>Where several share a clock, the next child's turn; else the same child's next question.</summary>
    private async Task<IActionResult> NextTurn(Guid id)
    {
        var next = await database.InSchool(
            School,
            async connection =>
            {
                if (await Sittings.Find(connection, id) is not { Visit: { } visit } sitting) return id;
                var turns = await Sittings.OfVisit(connection, visit);
                var open = turns.Where(turn => turn.EndedAt is null).ToList();
                return (open.FirstOrDefault(turn => turn.Turn > sitting.Turn) ?? open.FirstOrDefault())?.Id ?? id;
            },
            HttpContext.RequestAborted);
        if (next != id && Request.Headers["HX-Request"] == "true") Response.Headers["HX-Push-Url"] = $"/ask/{next}";
        return await Shown(next);
    }

    private async Task<bool> Show(Guid id, string? told = null, string? typed = null)
    {
        var view = await database.InSchool(
            School,
            async connection =>
            {
                if (await Sittings.Find(connection, id) is not { IsPractice: false } sitting) return null;
                var record = (await ChildRecord.Load(connection, model, sitting.Child))!;
                here.Manner = record.Child.Manner;
                var sittingHere = record.Sittings.FirstOrDefault(other => other.Sitting.Id == id) ?? new SittingRecord(sitting, []);
                var current = sittingHere.Questions.FirstOrDefault(question => question.Asked.Place == sitting.CurrentPlace);
                var ready = current is null ? [] : new ReadyAnswers(model).For(current.Asked.Item, current.Asked.Item.Task.Aloud, record.Replay.Belief);
                return new AskingView(record, sittingHere, ready, OfferIn(record, sittingHere), await Group(connection, sitting), told, typed ?? current?.Given?.Raw ?? "");
            },
            HttpContext.RequestAborted);
        if (view is null) return false;
        View = view;
        return true;
    }

    private StopReason OfferIn(ChildRecord record, SittingRecord sitting)
    {
        if (sitting.Sitting.EndedAt is not null || sitting.Sitting.Plan != Plans.Adaptive) return StopReason.None;
        var answered = sitting.Answered.Count();
        return StopRules.After(model, record.Replay.Belief, [.. record.Replay.Observed.TakeLast(answered)], Asking.Bank(sitting.Sitting, record.Child), sitting.Sitting.Length);
    }

    private static async Task<IReadOnlyList<TurnInGroup>> Group(System.Data.Common.DbConnection connection, Sitting here)
    {
        if (here.Visit is not { } visit) return [];
        var sittings = await Sittings.OfVisit(connection, visit);
        var names = (await Store.Children.Of(connection, sittings.Select(sitting => sitting.Child))).ToDictionary(child => child.Id, child => child.Alias);
        return [.. sittings.Select(sitting => new TurnInGroup(names[sitting.Child], sitting.Id, sitting.Id == here.Id, sitting.EndedAt is not null))];
    }

    /// <summary>The part that changes, to a script; the page's own address, to a browser without one.</summary>
    private async Task<IActionResult> Shown(Guid id)
    {
        if (Request.Headers["HX-Request"] != "true") return Redirect($"/ask/{id}");
        return await Show(id) ? Partial("_Asking", View) : NotFound();
    }

    private Task<IActionResult> Refuse(Guid id, string typed, string told) => Answered(id, StatusCodes.Status400BadRequest, typed, told);

    private Task<IActionResult> Conflict(Guid id, string told) => Answered(id, StatusCodes.Status409Conflict, null, told);

    private async Task<IActionResult> Answered(Guid id, int status, string? typed, string told)
    {
        var kept = typed is { Length: > AnswerParser.LongestAnswer } ? typed[..AnswerParser.LongestAnswer] : typed;
        if (!await Show(id, told, kept)) return NotFound();
        Response.StatusCode = status;
        return Request.Headers["HX-Request"] == "true" ? Partial("_Asking", View) : Page();
    }
}
