using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One sitting of a child, answer by answer.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class SittingModel(IDatabase database, ReadingModel model, Asking asking, RequestPreferences preferences)
    : SchoolPage(database)
{
    public CaseloadRow Child { get; private set; } = null!;

    public SittingRecord Record { get; private set; } = null!;

    /// <summary>What was believed after it, the firmest first.</summary>
    public IReadOnlyList<Finding> AfterIt { get; private set; } = [];

    /// <summary>What kind of sitting it was.</summary>
    public string What => SittingTexts.Mark(Record.Sitting) is { Length: > 0 } kind ? $"{char.ToUpperInvariant(kind[2])}{kind[3..]}"
        : "Asked";

    /// <summary>Why what was said of an answer was not kept; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(ChildId id, SittingId sitting) => Shown(id, sitting);

    /// <summary>Says what an answer means, or what it should have been typed as. It puts that one right, and both stay.</summary>
    public async Task<IActionResult> OnPostMeans(
        ChildId id, SittingId sitting, AnswerId answer, int place, AnswerId corrects, [StringLength(200)] string? raw)
    {
        if (!ModelState.IsValid || !answer.IsGiven || !corrects.IsGiven) return BadRequest();
        var taken = await InSchool(connection => asking.PutRight(connection, sitting,
            new Submission(answer, place, (raw ?? "").Trim(), AnswerMode.Said, null) { Corrects = corrects }, User.Person().Id));
        if (taken.Outcome is AnswerOutcome.NotFound or AnswerOutcome.NotAsked) return NotFound();
        if (taken.Message is null) return Redirect($"/children/{id}/sittings/{sitting}#at-{place}");
        Message = taken.Message;
        return await Shown(id, sitting);
    }

    private async Task<IActionResult> Shown(ChildId id, SittingId sitting)
    {
        var record = await InSchool(connection => ChildRecord.Load(connection, model, id));
        var place = record?.Sittings.ToList().FindIndex(each => each.Sitting.Id == sitting) ?? -1;
        if (record is null || place < 0) return NotFound();
        (Child, Record, AfterIt) = (record.Child, record.Sittings[place], record.After(place).Findings);
        preferences.OfChild = Child.Preferences;
        return Page();
    }
}
