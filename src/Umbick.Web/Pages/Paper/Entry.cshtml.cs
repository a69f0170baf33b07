using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Paper;

/// <summary>One sheet that came back: a key an item, and each answer is kept as it is pressed.</summary>
[Authorize(Who.Sittings)]
public sealed class EntryModel(IDatabase database, PaperEntry entry, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>What stands in a box that is filled, for whoever sees no record: that there is an answer, and not which.</summary>
    public const string Filled = "•";

    /// <summary>The letters of the sheet's code. An address may have them small.</summary>
    [FromRoute]
    public string Letters { get; set => field = value.ToUpperInvariant(); } = "";

    public SheetEntry Sheet { get; private set; } = null!;

    public string? Message { get; private set; }

    /// <summary>What was typed and not kept, with why, in sentences.</summary>
    public List<string> NotKept { get; } = [];

    /// <summary>The day of the pile, for the sheet after this one.</summary>
    public DateOnly? Day => Sheet.Day;

    /// <summary>The first row without an answer; null where all have one.</summary>
    public SheetRow? First => Sheet.Rows.FirstOrDefault(row => row.Question.Given is null);

    /// <summary>What stands in the box of a row.</summary>
    public string Kept(SheetRow row) => row.Question.Given is not { } given ? "" : User.SeesRecords() ? given.Raw : Filled;

    public Task<IActionResult> OnGet() => Shown();

    /// <summary>Tells the day on which the sheet was done.</summary>
    public async Task<IActionResult> OnPostDay(string? day, string? other)
    {
        var text = string.IsNullOrEmpty(day) ? other : day;
        if (!DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date)
            || date > preferences.Today || !SchoolYears.Hold(date))
        {
            Message = "Choose the day on which it was done: today, or before.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return await Shown();
        }
        return await InSchool(connection => entry.TellDay(connection, Letters, date)) ? Redirect($"/paper/{Letters}") : NotFound();
    }

    /// <summary>Keeps one answer as it is pressed. The page makes its id: sent twice, it is one.</summary>
    public Task<IActionResult> OnPostRow(AnswerSent sent, string? raw, string? how) => Within(async connection =>
    {
        if (sent.Id is not { } answer) return BadRequest();
        var text = AnswerSent.Text(raw);
        var submission = sent.Submission(answer, text is Filled ? "" : text, AnswerMode.Written, timed: false) with
        { How = HowDone.OnPaper.Any(note => note.Id == how) ? how : null };
        if (await entry.Enter(connection, Letters, submission, User.Person().Id) is not { } taken) return NotFound();
        if (taken.Message is { } why)
        {
            Response.Refused(answer);
            Response.StatusCode = taken.Outcome is null ? StatusCodes.Status400BadRequest : StatusCodes.Status409Conflict;
            return Partial("_Told", why);
        }
        Response.Kept(answer);
        return taken.Read is { Message: not null, Read: var read }
            ? Partial("_CellNote", new CellNote(taken.Child!.Alias, sent.At, text, read as AmbiguousHalf))
            : Content("");
    });

    /// <summary>Keeps whatever the boxes hold that is not kept yet, where a page has no script.</summary>
    public Task<IActionResult> OnPost() => Within(async connection =>
    {
        if (await entry.Load(connection, Letters) is not { } sheet) return NotFound();
        foreach (var row in sheet.Rows)
        {
            var (place, given) = (row.Question.Asked.Place, row.Question.Given);
            var raw = AnswerSent.Text(Request.Form[$"row-{place}"].ToString());
            if (raw.Length == 0 || raw == Filled || raw == given?.Raw) continue;
            var corrects = AnswerId.TryParse(Request.Form[$"stands-{place}"], null, out var seen) ? seen : default(AnswerId?);
            var submission = new Submission(AnswerId.New(), place, raw, AnswerMode.Written, null) { Corrects = corrects };
            if ((await entry.Enter(connection, Letters, submission, User.Person().Id))?.Message is { } why)
                NotKept.Add($"“{raw}” at question {place}: {why}");
        }
        if (NotKept.Count == 0) return Redirect($"/paper/{Letters}");
        Response.StatusCode = StatusCodes.Status409Conflict;
        return await Load(connection) ? Page() : NotFound();
    });

    private Task<IActionResult> Shown() => Within(async connection => await Load(connection) ? Page() : NotFound());

    private async Task<bool> Load(SchoolConnection connection)
    {
        if (await entry.Load(connection, Letters) is not { } sheet) return false;
        Sheet = sheet;
        preferences.OfChild = sheet.Child.Preferences;
        return true;
    }
}
