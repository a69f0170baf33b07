using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Casework;

namespace Umbick.Web.Pages.Records;

/// <summary>
/// Erases a child's record when its alias was typed. Nothing of the record is read for it: one that cannot be read can be erased too.
/// </summary>
[Authorize(Who.InCharge)]
public sealed class EraseModel(IDatabase database, ReadingModel model, TimeProvider clock) : SchoolPage(database)
{
    public string Alias { get; private set; } = "";

    /// <summary>Whether the record cannot be shown.</summary>
    public bool IsUnreadable { get; private set; }

    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(ChildId id, bool unreadable) => Within(async connection =>
    {
        IsUnreadable = unreadable;
        return await Load(connection, id) ? Page() : NotFound();
    });

    public Task<IActionResult> OnPost(ChildId id, string? alias) => Within(async connection =>
    {
        if (await RecordKeeping.Erase(connection, model, id, (alias ?? "").Trim(), User.Person().Id, clock.GetUtcNow().UtcDateTime))
            return Redirect("/files?erased=true");
        if (!await Load(connection, id)) return NotFound();
        Message = $"Type {Alias} to erase the record. Nothing was erased.";
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    });

    private async Task<bool> Load(SchoolConnection connection, ChildId id)
    {
        if (await RecordKeeping.AliasOf(connection, id) is not { } alias) return false;
        Alias = alias;
        return true;
    }
}
