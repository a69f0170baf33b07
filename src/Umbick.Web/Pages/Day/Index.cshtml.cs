using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Day;

/// <summary>The day: who comes when, what is done with them, what to bring, and what waits.</summary>
public sealed class IndexModel(Database database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : PageModel
{
    public DayWork Work { get; private set; } = null!;

    /// <summary>What is begun now, or next; none where the day is done.</summary>
    public IReadOnlyList<Beginning> Now { get; private set; } = [];

    /// <summary>What has to be at hand today, each thing once.</summary>
    public IReadOnlyList<string> Bring { get; private set; } = [];

    public async Task OnGet()
    {
        Work = await database.InSchool(User.Teacher().School, connection => DayWork.Load(connection, model, preferences.Today, preferences.Now), HttpContext.RequestAborted);
        Now = Work.Next is { } next ? Beginning.Of(Work, next) : [];
        Bring = [.. Work.Plan.Slots.SelectMany(slot => Beginning.Of(Work, slot)).Select(one => JobNames.ToBring(one.What, one.Children.Count > 1)).OfType<string>().Distinct()];
    }

    /// <summary>Notes that a child cannot come, or takes that back.</summary>
    public Task<IActionResult> OnPostAbsence(ChildId child, DateOnly day, bool? released) => Within(async connection =>
    {
        if (await Store.Children.Find(connection, child) is null) return NotFound();
        await Timetables.NoteAbsence(connection, child, day, released, User.Teacher().Person, clock.GetUtcNow().UtcDateTime);
        return Redirect("/day#slots");
    });

    /// <summary>Notes that a child comes in another's place, or takes that back.</summary>
    public Task<IActionResult> OnPostStandIn(Guid slot, DateOnly day, ChildId child, bool comes) => Within(async connection =>
    {
        if (await Store.Children.Find(connection, child) is null || (await Timetables.Of(connection, day, day)).Slots.All(one => one.Id != slot)) return NotFound();
        await Timetables.NoteStandIn(connection, new StandIn(slot, day, child.Value), comes, User.Teacher().Person, clock.GetUtcNow().UtcDateTime);
        return Redirect("/day#slots");
    });

    private Task<IActionResult> Within(Func<SchoolConnection, Task<IActionResult>> act) => database.InSchool(User.Teacher().School, act, HttpContext.RequestAborted);
}
