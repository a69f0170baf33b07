using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>A child's stage, the tasks they have met, and their own ways over the school's.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class TeachingModel(IDatabase database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
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
        if (!Enum.IsDefined(stage) || from.Length > ClassTeaching.LongestName) return BadRequest();
        var taught = await InSchool(connection => Enrolment.Teach(
            connection, id, stage, met, className is null ? null : from, SettingChoices.Read(Request.Form), User.Person().Id,
            clock.GetUtcNow().UtcDateTime));
        return taught ? Redirect($"/children/{id}/teaching?kept=true") : NotFound();
    }

    public async Task<IActionResult> OnPostRename(ChildId id, string? alias)
    {
        Typed = (alias ?? "").Trim();
        Message = Alias.Fault(Typed);
        if (Message is null)
        {
            if (await InSchool(connection => Enrolment.Rename(connection, id, Typed)))
                return Redirect($"/children/{id}");
            Message = $"“{Typed}” is another child's alias. Choose one that nobody has.";
        }
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return await Shown(id);
    }

    public async Task<IActionResult> OnPostCaseload(ChildId id, bool on)
    {
        var changed = await InSchool(connection => Enrolment.SetOnCaseload(connection, id, on));
        return changed ? Redirect(on ? $"/children/{id}" : "/children") : NotFound();
    }

    private async Task<IActionResult> Shown(ChildId id)
    {
        var (found, classes) = await InSchool(connection => Enrolment.FindWithClasses(connection, id));
        if (found is not { } child) return NotFound();
        (Child, Classes) = (child, classes);
        Choices = SettingChoices.OfChild(preferences.Teaching, child.Preferences);
        preferences.OfChild = child.Preferences;
        return Page();
    }
}
