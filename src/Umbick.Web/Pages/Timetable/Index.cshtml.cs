using Microsoft.AspNetCore.Authorization;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Timetable;

/// <summary>What is fixed for a term: slots, when classes may not be fetched, holidays, and what classes say.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public TermPlan Plan { get; private set; } = null!;

    /// <summary>Why nothing was kept; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public static IReadOnlyList<DayOfWeek> Weekdays { get; } = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday,
        DayOfWeek.Thursday, DayOfWeek.Friday];

    /// <summary>The slot whose children are being chosen: the others are told without all who could be in them.</summary>
    public SlotId? Changing { get; private set; }

    public Task OnGet(SlotId? slot)
    {
        Changing = slot;
        return InSchool(Load);
    }

    public Task<IActionResult> OnPostSlot(
        SlotId slot, DayOfWeek[]? weekday, string? from, int minutes, PersonId? teacher, ChildId[]? child) =>
        Change(async connection =>
        Time(from) is { } at
            ? await Plan.AddSlots(connection, new Slot(slot, default, at, minutes, Chosen(child)) { Teacher = Chosen(teacher) },
                weekday ?? [])
            : "Write the time like 9:40.");

    public Task<IActionResult> OnPostNewTerm() => Remove(connection => Plan.Empty(connection));

    public Task<IActionResult> OnPostSeat(SlotId slot, PersonId? teacher, ChildId[]? child) =>
        Change(connection => Plan.Seat(connection, slot, Chosen(child), Chosen(teacher)));

    public Task<IActionResult> OnPostLetGo(SlotId slot) => Remove(connection => TermPlan.LetPlansFill(connection, slot));

    public Task<IActionResult> OnPostRemoveSlot(SlotId slot) => Remove(connection => TermPlan.RemoveSlot(connection, slot));

    public Task<IActionResult> OnPostBar(BarredTimeId id, string? className, DayOfWeek weekday, string? from, string? to, string? what) =>
        Change(async connection =>
        Time(from) is { } begins && Time(to) is { } ends
            ? await TermPlan.Bar(connection, id, new BarredTime((className ?? "").Trim(), weekday, begins, ends, (what ?? "").Trim()))
            : "Write both times like 9:40.");

    public Task<IActionResult> OnPostUnbar(BarredTimeId id) => Remove(connection => TermPlan.Unbar(connection, id));

    public Task<IActionResult> OnPostHoliday(HolidayId id, string? name, DateOnly? first, DateOnly? last) => Change(async connection =>
        first is { } from && last is { } to
            ? await TermPlan.AddHoliday(connection, id, new Holiday((name ?? "").Trim(), from, to))
            : "Give its first and its last day.");

    public Task<IActionResult> OnPostRemoveHoliday(HolidayId id) => Remove(connection => TermPlan.RemoveHoliday(connection, id));

    public Task<IActionResult> OnPostClass(string? className, string? wording, string? topic, string? rule) =>
        Change(connection => TermPlan.KeepTeaching(
        connection, (className ?? "").Trim(), (wording ?? "").Trim(), (topic ?? "").Trim(), RuleOfThumb.Find(rule),
        clock.GetUtcNow().UtcDateTime));

    private Task<IActionResult> Remove(Func<SchoolConnection, Task> remove) => Change(async connection =>
    {
        await remove(connection);
        return null;
    });

    /// <summary>Changes the timetable, or says why not: then nothing of it is kept.</summary>
    private Task<IActionResult> Change(Func<SchoolConnection, Task<string?>> change) => Within(async connection =>
    {
        await Load(connection);
        if (!ModelState.IsValid) Message = "That could not be read.";
        else Message = await change(connection);
        if (Message is null) return Redirect("/timetable");
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    });

    private async Task Load(SchoolConnection connection) => Plan = await TermPlan.Load(connection, preferences.Today);

    private static PersonId? Chosen(PersonId? teacher) => teacher is { IsGiven: true } ? teacher : null;

    private static IReadOnlyList<ChildId> Chosen(ChildId[]? children) => [.. (children ?? []).Where(child => child.IsGiven).Distinct()];

    private static TimeOnly? Time(string? text) =>
        TimeOnly.TryParseExact((text ?? "").Trim(), ["H:mm", "HH:mm", "H.mm"], CultureInfo.InvariantCulture, DateTimeStyles.None,
            out var time) ? time : null;
}
