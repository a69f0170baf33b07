using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One sitting of a child, answer by answer.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class SittingModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public CaseloadRow Child { get; private set; } = null!;

    public SittingRecord Record { get; private set; } = null!;

    /// <summary>What was believed after it, the firmest first.</summary>
    public IReadOnlyList<Finding> AfterIt { get; private set; } = [];

    /// <summary>What kind of sitting it was.</summary>
    public string What => SittingTexts.Mark(Record.Sitting) is { Length: > 0 } kind ? $"{char.ToUpperInvariant(kind[2])}{kind[3..]}"
        : "Asked";

    public async Task<IActionResult> OnGet(ChildId id, SittingId sitting)
    {
        var record = await InSchool(connection => ChildRecord.Load(connection, model, id));
        var place = record?.Sittings.ToList().FindIndex(each => each.Sitting.Id == sitting) ?? -1;
        if (record is null || place < 0) return NotFound();
        (Child, Record, AfterIt) = (record.Child, record.Sittings[place], record.After(place).Findings);
        preferences.OfChild = Child.Preferences;
        return Page();
    }
}
