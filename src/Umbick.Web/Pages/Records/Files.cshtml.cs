using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.Records;

/// <summary>Answers, children and records, in and out.</summary>
[Authorize(Who.Files)]
[RequestSizeLimit(LargestRequest)]
public sealed class FilesModel(
    IDatabase database, FileJobs jobs, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    /// <summary>The largest file of answers or children, in bytes.</summary>
    public const int Largest = 25_000_000;

    // A file and what a form has beside it.
    private const int LargestRequest = Largest + 64 * 1024;

    /// <summary>Records that are past the day until which they are kept, and those that come to it within a month.</summary>
    public IReadOnlyList<ListedChild> KeptUntil { get; private set; } = [];

    public string? Message { get; private set; }

    /// <summary>The alias that a record would have, where another has it here.</summary>
    public string? Alias { get; private set; }

    /// <summary>Whether a record was just erased.</summary>
    public bool Erased { get; private set; }

    public async Task OnGet(bool erased)
    {
        Erased = erased;
        await Load();
    }

    public Task<IActionResult> OnGetAnswers() => Out("answers", AnswersExport.Write);

    public Task<IActionResult> OnGetChildren() => Out("children", ChildrenFile.Write);

    public async Task<IActionResult> OnPost(IFormFile? file)
    {
        if (file is not { Length: > 0 }) return await Refuse("Choose a file first.");
        if (file.Length > Largest)
            return await Refuse($"This file has {file.Length / 1_000_000} MB; {Largest / 1_000_000} MB are the most. Send it in parts.");
        return Redirect($"/files/{await jobs.Begin(SchoolId, User.Person().Id, file, HttpContext.RequestAborted)}");
    }

    public async Task<IActionResult> OnPostRecord(IFormFile? file, string? alias)
    {
        if (file is not { Length: > 0 }) return await Refuse("Choose a record first.");
        if (file.Length > ChildRecordFile.Largest)
            return await Refuse($"This file has {file.Length / 1_000_000} MB; a record has {ChildRecordFile.Largest / 1_000_000} MB at "
                + $"most.");
        var bytes = new byte[file.Length];
        await using (var sent = file.OpenReadStream()) await sent.ReadExactlyAsync(bytes);
        var (record, own, fault) = ChildRecordFile.Read(bytes);
        if (record is not { } rows) return await Refuse(fault!);
        Alias = string.IsNullOrWhiteSpace(alias) ? own : alias.Trim();
        var (child, wrong) = await InSchool(connection =>
            ChildRecordFile.Import(connection, model, rows, Alias, User.Person().Id, clock.GetUtcNow().UtcDateTime));
        return child is { } taken ? Redirect($"/children/{taken}") : await Refuse(wrong!);
    }

    private async Task<IActionResult> Out(string what, Func<SchoolConnection, TextWriter, Task<int>> write)
    {
        var file = new MemoryStream();
        await using (var text = new StreamWriter(file, new UTF8Encoding(false), leaveOpen: true))
        {
            await InSchool(async connection =>
                {
                    var count = await write(connection, text);
                    await RecordKeeping.NoteExported(connection, string.Create(CultureInfo.InvariantCulture, $"{count} {what}"),
                        User.Person().Id, clock.GetUtcNow().UtcDateTime);
                });
        }
        file.Position = 0;
        return File(file, "text/csv; charset=utf-8",
            FileNames.On(preferences.Today, what, "csv"));
    }

    private async Task<IActionResult> Refuse(string why)
    {
        Message = why;
        Response.StatusCode = StatusCodes.Status400BadRequest;
        await Load();
        return Page();
    }

    private async Task Load() => KeptUntil = await InSchool(connection => RecordKeeping.ComingToTheirEnd(connection, preferences.Today));
}
