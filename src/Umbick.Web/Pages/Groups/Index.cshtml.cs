using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Grouping;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Groups;

/// <summary>Groups for the term: proposed with their reasons, and kept by a press.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, ReadingModel model, TermGroups groups, RequestPreferences preferences)
    : SchoolPage(database)
{
    /// <summary>What can be chosen as a child's minutes a week.</summary>
    public static IReadOnlyList<int> MinutesToChoose { get; } = [0, 12, 24, 36, 48, PlanChild.MostMinutes];

    public GroupsNow Now { get; private set; } = null!;

    public IReadOnlyList<(PersonId Id, string Name)> Teachers { get; private set; } = [];

    /// <summary>What is proposed; null where it was not looked for.</summary>
    public GroupPlan? Plan { get; private set; }

    /// <summary>Why nothing was kept; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public Task OnGet(bool plan) => Show(plan);

    /// <summary>Keeps the plan that was shown.</summary>
    public Task<IActionResult> OnPostKeep(string? mark) => Change(connection => groups.Keep(connection, Now, mark ?? "", User.Person().Id));

    public Task<IActionResult> OnPostApart(ChildId one, ChildId other) =>
        Change(connection => groups.KeepApart(connection, one, other, apart: true, User.Person().Id));

    public Task<IActionResult> OnPostTogether(ChildId one, ChildId other) =>
        Change(connection => groups.KeepApart(connection, one, other, apart: false, User.Person().Id));

    public Task<IActionResult> OnPostMinutes(ChildId child, int? minutes) =>
        Change(connection => TermGroups.ChooseMinutes(connection, child, minutes));

    /// <summary>Lets plans change every slot again that was filled by hand.</summary>
    public Task<IActionResult> OnPostLetGo() => Change(async connection =>
    {
        await TermPlan.LetPlansFill(connection, null);
        return null;
    });

    /// <summary>When a slot is.</summary>
    public static string When(Slot slot) => $"{slot.Weekday.ToString()[..3]} {TimeOfDay.InFigures(slot.From)}";

    /// <summary>Whose some slots are; empty where all are one teacher’s, or nobody’s.</summary>
    public string Whose(IEnumerable<Slot> slots) => Teachers.Count < 2 ? "" : string.Join(", ",
        slots.Select(slot => slot.Teacher).Distinct().Select(whose => Teachers.FirstOrDefault(known => known.Id == whose).Name)
            .OfType<string>());

    /// <summary>What a child needs a place for, in a few words.</summary>
    public string NeedOf(PlanChild child) => child.Needs switch
    {
        { Need: PlanNeed.Practice, Pattern: { } pattern } => pattern.TextsIn(preferences.Wording).Reads,
        { Need: PlanNeed.Rechecks, Pattern: { } pattern } => $"looked at again: {pattern.TextsIn(preferences.Wording).Reads}",
        { Need: PlanNeed.Alone } => "seen alone",
        { Need: PlanNeed.Asking } => "asked first",
        _ => "nothing now",
    };

    private Task<IActionResult> Change(Func<SchoolConnection, Task<string?>> change) => Within(async connection =>
    {
        await Load(connection);
        Message = ModelState.IsValid ? await change(connection) : "That could not be read. Nothing was kept.";
        if (Message is null) return Redirect("/groups?plan=true");
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    });

    private async Task Show(bool plan)
    {
        await InSchool(Load);
        // Looked for while nothing of the database is held.
        if (plan) Plan = await groups.Propose(Now, HttpContext.RequestAborted);
    }

    private async Task Load(SchoolConnection connection)
    {
        Now = await GroupsNow.Load(connection, model, preferences.Today);
        Teachers = (await TermPlan.Load(connection, preferences.Today)).Teachers;
    }
}
