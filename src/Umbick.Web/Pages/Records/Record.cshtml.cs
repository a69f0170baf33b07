using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Timetabling;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Records;

/// <summary>A child's record, whole: to read, to print, to take out, to keep until a day.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class RecordModel(
    IDatabase database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public WholeRecord Whole { get; private set; } = null!;

    public string? Message { get; private set; }

    /// <summary>
    /// The name of somebody who did something; where they worked elsewhere, or a file was taken in on the server, it is not known.
    /// </summary>
    public string NameOf(PersonId? person) => person is { } id
        ? Whole.People.GetValueOrDefault(id, id.IsGiven ? "somebody at another school" : "somebody, from a file") : "";

    public async Task<IActionResult> OnGet(ChildId id)
    {
        try
        {
            return await Within(async connection => await Load(connection, id) ? Page() : NotFound());
        }
        catch (Exception unreadable) when (User.IsInCharge()
            && unreadable is not (System.Data.Common.DbException or OperationCanceledException))
        {
            return Redirect($"/children/{id}/erase?unreadable=true");
        }
    }

    public Task<IActionResult> OnGetFile(ChildId id) => Within(async connection =>
    {
        if (User.CameByPin()) return Forbid();
        if (await ChildRecordFile.Write(connection, id, Now) is not { } file) return NotFound();
        await RecordKeeping.NoteTakenOut(connection, id, User.Person().Id, Now);
        return File(Encoding.UTF8.GetBytes(file), "application/json",
            FileNames.Of((await Enrolment.Find(connection, id))!.Alias, preferences.Today, "record", "json"));
    });

    public Task<IActionResult> OnPostKeep(ChildId id, string? until) => Within(async connection =>
    {
        DateOnly? day = null;
        if (!string.IsNullOrWhiteSpace(until))
        {
            if (!DateOnly.TryParseExact(until, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var read)
                || !SchoolYears.Hold(read))
            {
                Message = "Choose a day, or leave it empty. Nothing was changed.";
                Response.StatusCode = StatusCodes.Status400BadRequest;
                return await Load(connection, id) ? Page() : NotFound();
            }
            day = read;
        }
        return await RecordKeeping.KeepUntil(connection, id, day, User.Person().Id, Now) ? Redirect($"/children/{id}/record") : NotFound();
    });

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private async Task<bool> Load(SchoolConnection connection, ChildId id)
    {
        if (await WholeRecord.Load(connection, model, id) is not { } found) return false;
        Whole = found;
        preferences.OfChild = found.Record.Child.Preferences;
        return true;
    }
}
