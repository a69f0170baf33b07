using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Timetabling;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Records;

/// <summary>A child's record, whole: to read, to print, to take out, to keep until a day.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class RecordModel(Database database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public ChildRecord Record { get; private set; } = null!;

    public ListedChild Child { get; private set; } = null!;

    public DateOnly AddedOn => Record.Child.AddedOn;

    /// <summary>What was done beside asking, the earliest first.</summary>
    public IReadOnlyList<RecordEvent> Events { get; private set; } = [];

    /// <summary>What the child read off the room's own clock.</summary>
    public IReadOnlyList<(DateOnly Day, string ClockTime, string Raw)> RoomClock { get; private set; } = [];

    /// <summary>Who did what with the record, the latest first.</summary>
    public IReadOnlyList<AuditEntry> Audited { get; private set; } = [];

    /// <summary>Backups that hold the record, as far as is known here.</summary>
    public IReadOnlyList<BackupMade> Backups { get; private set; } = [];

    public string? Message { get; private set; }

    private IReadOnlyDictionary<Guid, string> _people = new Dictionary<Guid, string>();

    /// <summary>The name of somebody who did something; where they worked elsewhere, or a file was taken in on the server, it is not known.</summary>
    public string NameOf(Guid? person) => person is { } id ? _people.GetValueOrDefault(id, id == Guid.Empty ? "somebody, from a file" : "somebody at another school") : "";

    public async Task<IActionResult> OnGet(ChildId id)
    {
        try
        {
            return await Within(async connection => await Load(connection, id) ? Page() : NotFound());
        }
        catch (Exception unreadable) when (User.IsInCharge() && unreadable is not (System.Data.Common.DbException or OperationCanceledException))
        {
            return Redirect($"/children/{id}/erase?unreadable=true");
        }
    }

    public Task<IActionResult> OnGetFile(ChildId id) => Within(async connection =>
    {
        if (await ChildRecordFile.Write(connection, id, Now) is not { } file) return NotFound();
        await Audit.Note(connection, User.Person().Id, AuditKinds.TookOut, Now, id);
        return File(Encoding.UTF8.GetBytes(file), "application/json", string.Create(CultureInfo.InvariantCulture, $"record-{preferences.Today:yyyy-MM-dd}.json"));
    });

    public Task<IActionResult> OnPostKeep(ChildId id, string? until) => Within(async connection =>
    {
        DateOnly? day = null;
        if (!string.IsNullOrWhiteSpace(until))
        {
            if (!DateOnly.TryParseExact(until, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var read) || !SchoolYears.Hold(read))
            {
                Message = "Choose a day, or leave it empty. Nothing was changed.";
                Response.StatusCode = StatusCodes.Status400BadRequest;
                return await Load(connection, id) ? Page() : NotFound();
            }
            day = read;
        }
        if (await Store.Children.KeepUntil(connection, id, day) == 0) return NotFound();
        await Audit.Note(connection, User.Person().Id, AuditKinds.KeepUntil, Now, id, detail: day is { } settled ? settled.ToString("d MMMM yyyy", CultureInfo.InvariantCulture) : "not settled");
        return Redirect($"/children/{id}/record");
    });

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private async Task<bool> Load(SchoolConnection connection, ChildId id)
    {
        if (await ChildRecord.Load(connection, model, id) is not { } record) return false;
        Record = record;
        preferences.OfChild = record.Child.Preferences;
        Child = (await Store.Children.Listed(connection, id))!;
        Events = RecordEvent.Of((await RecordRows.Of(connection, id))!, preferences.Wording);
        RoomClock = await Store.Visits.RoomClockOf(connection, id);
        _people = await Store.People.Names(connection);
        Audited = await Audit.Latest(connection, null, null, id, null, null);
        Backups = await Store.Backups.Latest(connection, 100);
        return true;
    }
}
