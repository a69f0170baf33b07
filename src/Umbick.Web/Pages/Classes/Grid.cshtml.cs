using Microsoft.AspNetCore.Authorization;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;
using Umbick.Casework;

namespace Umbick.Web.Pages.Classes;

/// <summary>Answers typed from paper, a row a child.</summary>
[Authorize(Who.Sittings)]
public sealed class GridModel(IDatabase database, ClassScreening screen, RequestPreferences preferences) : SchoolPage(database)
{
    public ScreenedClass Class { get; private set; } = null!;

    public string? Message { get; private set; }

    /// <summary>What stands in a box that is filled, for whoever sees no record: that there is an answer, and not which.</summary>
    public const string Filled = "•";

    /// <summary>What was typed and not kept, with why, in sentences.</summary>
    public List<string> NotKept { get; } = [];

    /// <summary>The same where it was typed.</summary>
    public Dictionary<(SittingId Sitting, int Place), string> Typed { get; } = [];

    /// <summary>What stands in a box.</summary>
    public string InBox(SittingId sitting, int place, string? kept) => Typed.GetValueOrDefault((sitting, place))
        ?? (kept is { Length: > 0 } && !User.SeesRecords() ? Filled : kept ?? "");

    /// <summary>How many answers are kept.</summary>
    public int Kept => Class.Children.Sum(child => child.Sitting.Answered.Count());

    public async Task<IActionResult> OnGet(ScreeningId id) => await Load(id) ? Page() : NotFound();

    /// <summary>Tells the day on which the sheets were done.</summary>
    public async Task<IActionResult> OnPostDay(ScreeningId id, string? day, string? other)
    {
        var text = string.IsNullOrEmpty(day) ? other : day;
        if (!DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date)
            || date > preferences.Today || !SchoolYears.Hold(date))
        {
            Message = "Choose the day on which they were done: today, or before.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return await OnGet(id);
        }
        return await InSchool(connection => screen.TellDay(connection, id, date)) ? Redirect($"/classes/{id}/grid") : NotFound();
    }

    /// <summary>Keeps one answer as its box is left. The page makes its id: sent twice, it is one.</summary>
    public async Task<IActionResult> OnPostCell(ScreeningId id, SittingId sitting, AnswerSent sent, string? raw)
    {
        var text = AnswerSent.Text(raw);
        if (sent.Id is not { } answer) return BadRequest();
        return await Within(async connection =>
        {
            var submission = sent.Submission(answer, text is Filled ? "" : text, AnswerMode.Written, timed: false);
            if (await screen.EnterInClass(connection, id, sitting, submission, User.Person().Id) is not { } taken) return NotFound();
            if (taken.Message is { } why)
                return Refused(answer, why, taken.Outcome is null ? StatusCodes.Status400BadRequest : StatusCodes.Status409Conflict);
            Response.Kept(answer);
            // What stands on paper is kept as it stands; what is to be asked about is told beside it.
            return taken.Read is { Message: not null, Read: var read }
                ? Partial("_CellNote", new CellNote(taken.Child!.Alias, sent.At, text, read as AmbiguousHalf)) : Content("");
        });
    }

    /// <summary>Keeps whatever the boxes hold that is not kept yet, where a page has no script.</summary>
    public async Task<IActionResult> OnPost(ScreeningId id)
    {
        if (!await Load(id)) return NotFound();
        foreach (var child in Class.Children)
        {
            for (var place = 1; place <= Class.Items.Count; place++)
            {
                var raw = AnswerSent.Text(Request.Form[$"a-{child.Sitting.Sitting.Id}-{place}"].ToString());
                var stands = child.Sitting.Questions.FirstOrDefault(question => question.Asked.Place == place)?.Given;
                if (raw.Length == 0 || raw == Filled || raw == stands?.Raw) continue;
                var corrects = AnswerId.TryParse(Request.Form[$"s-{child.Sitting.Sitting.Id}-{place}"], null, out var seen) ? seen
                    : default(AnswerId?);
                if (await Fault(child.Sitting.Sitting.Id, place, raw, corrects) is not { } fault) continue;
                NotKept.Add($"{child.Child.Alias}, question {place}: {fault}");
                Typed[(child.Sitting.Sitting.Id, place)] = raw;
            }
        }
        if (NotKept.Count == 0) return Redirect(User.SeesRecords() ? $"/classes/{id}" : $"/classes/{id}/grid");
        Response.StatusCode = StatusCodes.Status409Conflict;
        return await Load(id) ? Page() : NotFound();
    }

    /// <summary>Why an answer was not kept, in a sentence; null where it was.</summary>
    private async Task<string?> Fault(SittingId sitting, int place, string raw, AnswerId? corrects)
    {
        if (Class.Screening.PaperDay is null) return "say first on which day the sheets were done.";
        if (raw.Length > AnswerParser.LongestAnswer)
            return $"an answer has {AnswerParser.LongestAnswer} characters at most; this one has {raw.Length:N0}.";
        return await Enter(sitting,
            new Submission(AnswerId.New(), place, raw, AnswerMode.Written, null) { Corrects = corrects }) is AnswerOutcome.Kept
                or AnswerOutcome.KeptBefore
            ? null
            : $"another answer was kept there meanwhile. “{raw}” was not kept; it stands in its box, and is kept when you send it again.";
    }

    private PartialViewResult Refused(AnswerId answer, string message, int status)
    {
        Response.Refused(answer);
        Response.StatusCode = status;
        return Partial("_Told", message);
    }

    private Task<AnswerOutcome> Enter(SittingId sitting, Submission submission) =>
        InSchool(connection => screen.Enter(connection, sitting, submission, User.Person().Id));

    private async Task<bool> Load(ScreeningId id)
    {
        if (await InSchool(connection => screen.Load(connection, id)) is not { } found) return false;
        Class = found;
        return true;
    }
}
