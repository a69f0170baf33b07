using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>A child's stage, the tasks they have met, and their own ways over the school's.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class TeachingModel(Database database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public CaseloadRow Child { get; private set; } = null!;

    public bool Kept { get; private set; }

    public SettingChoices Choices { get; private set; } = null!;

    /// <summary>The classes that are known.</summary>
    public IReadOnlyList<string> Classes { get; private set; } = [];

    /// <summary>Why the alias that was typed is not theirs; null where nothing is in the way.</summary>
    public string? Message { get; private set; }

    /// <summary>The alias that was typed and refused.</summary>
    public string? Typed { get; private set; }

    public async Task<IActionResult> OnGet(ChildId id, bool kept)
    {
        Kept = kept;
        return await Shown(id);
    }

    public async Task<IActionResult> OnPost(ChildId id, Stage stage, string[] met, string? className)
    {
        var from = (className ?? "").Trim();
        if (!Enum.IsDefined(stage) || from.Length > ClassTeachings.LongestName) return BadRequest();
        var known = ClockTasks.Plain.Select(task => task.Id).Intersect(met).ToList();
        var all = known.Count == 0 || known.Count == ClockTasks.Plain.Count;
        var taught = await InSchool(async connection =>
            {
                if (className is not null) await Store.Children.SetClass(connection, id, from);
                var kept = await Store.Children.Teach(connection, id, stage, all ? null : known, SettingChoices.Read(Request.Form));
                if (kept > 0) await Audit.Note(connection, User.Person().Id, AuditKinds.SettingsChanged, clock.GetUtcNow().UtcDateTime, id);
                return kept;
            });
        return taught == 0 ? NotFound() : Redirect($"/children/{id}/teaching?kept=true");
    }

    public async Task<IActionResult> OnPostRename(ChildId id, string? alias)
    {
        Typed = (alias ?? "").Trim();
        Message = Alias.Fault(Typed);
        if (Message is null)
        {
            if (await InSchool(connection => Store.Children.Rename(connection, id, Typed)))
                return Redirect($"/children/{id}");
            Message = $"“{Typed}” is another child's alias. Choose one that nobody has.";
        }
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return await Shown(id);
    }

    public async Task<IActionResult> OnPostCaseload(ChildId id, bool on)
    {
        var changed = await InSchool(connection => Store.Children.TakeIn(connection, id, on));
        return changed == 0 ? NotFound() : Redirect(on ? $"/children/{id}" : "/children");
    }

    private async Task<IActionResult> Shown(ChildId id)
    {
        var (found, classes) = await InSchool(async connection => (await Store.Children.Find(connection, id), await ClassTeachings.Names(connection)));
        if (found is not { } child) return NotFound();
        (Child, Classes) = (child, classes);
        Choices = SettingChoices.OfChild(preferences.Teaching, child.Preferences);
        preferences.OfChild = child.Preferences;
        return Page();
    }
}
