using Microsoft.AspNetCore.Authorization;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Classes;

/// <summary>What a teacher is told of an answer that was typed from paper and kept; null of both where there is nothing to tell.</summary>
/// <param name="Alias">The child.</param>
/// <param name="Place">The question's place.</param>
/// <param name="Raw">What was typed.</param>
/// <param name="Half">What a half may mean.</param>
public sealed record CellNote(string Alias, int Place, string Raw, AmbiguousHalf? Half);

/// <summary>Answers typed from paper, a row a child.</summary>
[Authorize(Who.Sittings)]
public sealed class GridModel(Database database, ClassScreening screen, RequestPreferences preferences) : SchoolPage(database)
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
    public string InBox(SittingId sitting, int place, string? kept) => Typed.GetValueOrDefault((sitting, place)) ?? (kept is { Length: > 0 } && !User.SeesRecords() ? Filled : kept ?? "");

    /// <summary>How many answers are kept.</summary>
    public int Kept => Class.Children.Sum(child => child.Sitting.Answered.Count());

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Tells the day on which the sheets were done.</summary>
    public async Task<IActionResult> OnPostDay(Guid id, string? day, string? other)
    {
        var text = string.IsNullOrEmpty(day) ? other : day;
        if (!DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date) || date > preferences.Today || !SchoolYears.Hold(date))
        {
            Message = "Choose the day on which they were done: today, or before.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return await OnGet(id);
        }
        return await InSchool(connection => screen.TellDay(connection, id, date)) ? Redirect($"/classes/{id}/grid") : NotFound();
    }

    /// <summary>Keeps one answer as its box is left. The page makes its id: sent twice, it is one.</summary>
    public async Task<IActionResult> OnPostCell(Guid id, SittingId sitting, AnswerSent sent, string? raw)
    {
        var text = AnswerSent.Text(raw);
        if (sent.Id is not { } answer) return BadRequest();
        return await InSchool<IActionResult>(async connection =>
            {
                var screening = await Screenings.Find(connection, id);
                var child = await Sittings.Find(connection, sitting) is { } found && found.Screening == id ? await Store.Children.Find(connection, found.Child) : null;
                if (screening is null) return NotFound();
                if (child is null || text is Filled || text.Length is 0 or > AnswerParser.LongestAnswer || screening.PaperDay is null) return Refused(answer, Why(child, text), StatusCodes.Status400BadRequest);
                var kept = await screen.Enter(connection, sitting, sent.Submission(answer, text, AnswerMode.Written, timed: false), User.Person().Id);
                if (kept is not (Submitted.Kept or Submitted.KeptBefore))
                    return Refused(answer, $"{child.Alias}, question {sent.At}, has another answer by now. Open the page again to see it.", StatusCodes.Status409Conflict);
                Response.Kept(answer);
                // What stands on paper is kept as it stands; what is to be asked about is told beside it.
                return TypedAnswer.From((await Sittings.At(connection, sitting, sent.At))!.Item, text, child.Preferences.Wording) is { Message: not null, Read: var read }
                    ? Partial("_CellNote", new CellNote(child.Alias, sent.At, text, read as AmbiguousHalf))
                    : Content("");
            });
    }

    /// <summary>Keeps whatever the boxes hold that is not kept yet, where a page has no script.</summary>
    public async Task<IActionResult> OnPost(Guid id)
    {
        if (!await Load(id)) return NotFound();
        foreach (var child in Class.Children)
        {
            for (var place = 1; place <= Class.Items.Count; place++)
            {
                var raw = AnswerSent.Text(Request.Form[$"a-{child.Sitting.Sitting.Id}-{place}"].ToString());
                var stands = child.Sitting.Questions.FirstOrDefault(question => question.Asked.Place == place)?.Given;
                if (raw.Length == 0 || raw == Filled || raw == stands?.Raw) continue;
                var corrects = Guid.TryParse(Request.Form[$"s-{child.Sitting.Sitting.Id}-{place}"], out var seen) ? seen : default(Guid?);
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
    private async Task<string?> Fault(SittingId sitting, int place, string raw, Guid? corrects)
    {
        if (Class.Screening.PaperDay is null) return "say first on which day the sheets were done.";
        if (raw.Length > AnswerParser.LongestAnswer) return $"an answer has {AnswerParser.LongestAnswer} characters at most; this one has {raw.Length:N0}.";
        return await Enter(sitting, new Submission(Guid.CreateVersion7(), place, raw, AnswerMode.Written, null) { Corrects = corrects }) is Submitted.Kept or Submitted.KeptBefore
            ? null
            : $"another answer was kept there meanwhile. “{raw}” was not kept; it stands in its box, and is kept when you send it again.";
    }

    private static string Why(CaseloadRow? child, string text) =>
        child is null ? "This child is not in the class."
        : text.Length > AnswerParser.LongestAnswer ? $"An answer has {AnswerParser.LongestAnswer} characters at most; this one has {text.Length:N0}."
        : "Tell first on which day the sheets were done.";

    private PartialViewResult Refused(Guid answer, string message, int status)
    {
        Response.Refused(answer);
        Response.StatusCode = status;
        return Partial("_Told", message);
    }

    private Task<Submitted> Enter(SittingId sitting, Submission submission) =>
        InSchool(connection => screen.Enter(connection, sitting, submission, User.Person().Id));

    private async Task<bool> Load(Guid id)
    {
        if (await InSchool(connection => screen.Load(connection, id)) is not { } found) return false;
        Class = found;
        return true;
    }
}
