using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

/// <summary>What a child is to be asked, and how.</summary>
[Authorize(Who.Records)]
public sealed class BeginModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public CaseloadRow Child { get; private set; } = null!;

    /// <summary>Whether the minutes are muddled, so that the prerequisite skills are worth a look.</summary>
    public bool OffersPrerequisites { get; private set; }

    /// <summary>The pattern that a cold start would be for.</summary>
    public Pattern? WorkedOn { get; private set; }

    public IEnumerable<IGrouping<Stage, ClockTask>> Tasks { get; } = ClockTasks.All.OrderBy(task => task.From).GroupBy(task => task.From);

    /// <summary>What the child has met and this way of asking leaves out.</summary>
    public IReadOnlyList<string> LeftOut(DeliveryMode mode) =>
        [.. ClockTasks.Plain.Where(task => Child.Uses(task, Child.Stage) && task.From <= Child.Stage)
            .Except(ItemsInUse.TasksOf(mode)).Select(task => task.Texts.Name)];

    /// <summary>Whether tasks were to be chosen, and none was.</summary>
    public bool NoneChosen { get; private set; }

    public async Task<IActionResult> OnGet(ChildId id, bool none)
    {
        NoneChosen = none;
        var record = await InSchool(connection => ChildRecord.Load(connection, model, id));
        if (record is null) return NotFound();
        Child = record.Child;
        preferences.OfChild = Child.Preferences;
        WorkedOn = record.WorkedOn;
        OffersPrerequisites = PrerequisiteCheckOffer.IsWorthOffering(record.Now, record.First.Select(impact => impact.Finding.Pattern));
        return Page();
    }
}
