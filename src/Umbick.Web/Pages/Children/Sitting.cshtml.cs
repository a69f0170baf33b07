using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Children;

/// <summary>One sitting of a child, answer by answer.</summary>
[Authorize(Who.Records)]
[OpensRecord]
public sealed class SittingModel(Database database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public CaseloadRow Child { get; private set; } = null!;

    public SittingRecord Record { get; private set; } = null!;

    /// <summary>What was believed after it, the firmest first.</summary>
    public IReadOnlyList<Finding> AfterIt { get; private set; } = [];

    /// <summary>What kind of sitting it was.</summary>
    public string What => Kind(Record.Sitting) is { Length: > 0 } kind ? $"{char.ToUpperInvariant(kind[2])}{kind[3..]}" : "Asked";

    /// <summary>What kind of sitting it was, to stand after its day; nothing where it was an asking like most.</summary>
    public static string Kind(Sitting sitting) => sitting switch
    {
        { IsPractice: true } => ", set",
        { Plan: Plan.ColdStart } => ", cold",
        { Screening: not null } => ", class sheet",
        { Form: { } form } => $", form {form}",
        { Plan: Plan.Prerequisites } => ", prerequisites",
        _ => "",
    };

    public async Task<IActionResult> OnGet(ChildId id, SittingId sitting)
    {
        var record = await InSchool(connection => ChildRecord.Load(connection, model, id));
        var place = record?.Sittings.ToList().FindIndex(one => one.Sitting.Id == sitting) ?? -1;
        if (record is null || place < 0) return NotFound();
        (Child, Record, AfterIt) = (record.Child, record.Sittings[place], record.After(place).Findings);
        preferences.OfChild = Child.Preferences;
        return Page();
    }

    /// <summary>What is to be known of an answer beside what it is.</summary>
    public static IEnumerable<string> NotesOf(ItemResponse question)
    {
        var given = question.Given!;
        if (given.Seconds is { } seconds) yield return $"{seconds:0} seconds";
        if (question.Asked.Support != Support.Bare) yield return "with help on the face";
        if (given.Prompted) yield return "after a word";
        if (given.FirstRaw is { } first) yield return $"at first “{first}”";
        if (HowDone.Find(given.How) is { } how) yield return how.Name;
        if (given.Corrects is not null) yield return "put right later";
        yield return question.Asked.Why;
    }
}
