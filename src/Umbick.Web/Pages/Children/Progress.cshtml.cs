using Microsoft.AspNetCore.Authorization;
using System.Text;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>How the work with a child went: one sentence with its grounds, and the figures.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class ProgressModel(
    IDatabase database, ReadingModel model, Deciding deciding, RequestPreferences preferences) : SchoolPage(database)
{
    public ProgressRecord Record { get; private set; } = null!;

    /// <summary>The pattern that is told of; null where there is none yet.</summary>
    public Pattern? Pattern { get; private set; }

    /// <summary>The work on it; null where there is none yet.</summary>
    public PatternCourse? Course { get; private set; }

    /// <summary>Whether that helps; null where there is none yet.</summary>
    public ProgressSentence? Sentence { get; private set; }

    public ProgressChart Chart { get; private set; } = null!;

    public IReadOnlyList<ProgressLine> Lines { get; private set; } = [];

    /// <summary>Why a cycle was not begun or ended; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(ChildId id, string? pattern) => Within(connection => Shown(connection, id, pattern));

    public Task<IActionResult> OnGetCsv(ChildId id) => Within(async connection =>
        await ProgressRecord.Load(connection, model, id, preferences.Today) is { } record
            ? File(Encoding.UTF8.GetBytes(ProgressFile.Write(record)), "text/csv; charset=utf-8",
            FileNames.Of(record.Child.Alias, record.To, "progress", "csv"))
            : NotFound());

    public Task<IActionResult> OnPostBeginCycle(ChildId id, CycleId cycle, int weeks, int goal, string? reason) =>
        Within(async connection =>
    {
        var why = (reason ?? "").Trim();
        if (!cycle.IsGiven || !CheckCycle.Weeks.Contains(weeks) || goal is < 1 or > CheckCycle.FormLength
            || why.Length > CycleRow.LongestReason) return BadRequest();
        if (await Enrolment.Find(connection, id) is null) return NotFound();
        if (why.Length > 0)
        {
            await deciding.BeginCycle(connection, cycle, id, weeks, goal, why, User.Person().Id);
            return Redirect($"/children/{id}/progress#cycle");
        }
        Message = "Say in a few words why the child comes in. No cycle was begun.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return await Shown(connection, id, null);
    });

    public Task<IActionResult> OnPostEndCycle(ChildId id, CycleId cycle, string? reason) => Within(async connection =>
    {
        var why = (reason ?? "").Trim();
        if (why.Length > CycleRow.LongestReason) return BadRequest();
        if (why.Length > 0)
        {
            await deciding.EndCycle(connection, cycle, id, why, User.Person().Id);
            return Redirect($"/children/{id}/progress#cycle");
        }
        Message = "Say in a few words why the cycle ends. It goes on.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return await Shown(connection, id, null);
    });

    private async Task<IActionResult> Shown(SchoolConnection connection, ChildId id, string? pattern)
    {
        if (await ProgressRecord.Load(connection, model, id, preferences.Today) is not { } record) return NotFound();
        Record = record;
        preferences.OfChild = record.Child.Preferences;
        Pattern = Catalogue.Find(pattern) is { } chosen && record.Work.Courses.ContainsKey(chosen) ? chosen : record.Summary.WorkedOn;
        Course = Pattern is null ? null : record.Work.CourseOf(Pattern);
        Sentence = Course is null ? null : ProgressSentence.From(Course);
        Chart = new ProgressChart(record, Pattern);
        Lines = ProgressFile.Lines(record);
        return Page();
    }
}
