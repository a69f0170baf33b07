using Microsoft.AspNetCore.Authorization;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Teaching;
using Umbick.Core.Timetabling;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Timetable;

/// <summary>What is fixed for a term: slots, when classes may not be fetched, holidays, and what classes say.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(Database database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public IReadOnlyList<Slot> Slots { get; private set; } = [];

    public IReadOnlyList<KeptBarredTime> Barred { get; private set; } = [];

    public IReadOnlyList<KeptHoliday> Holidays { get; private set; } = [];

    /// <summary>The caseload, by alias.</summary>
    public IReadOnlyList<CaseloadRow> Children { get; private set; } = [];

    public IReadOnlyList<string> Classes { get; private set; } = [];

    public IReadOnlyList<ClassTeaching> Teachings { get; private set; } = [];

    /// <summary>Why nothing was kept; null where nothing was refused.</summary>
    public string? Message { get; private set; }

    public static IReadOnlyList<DayOfWeek> Weekdays { get; } = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday];

    public string NameOf(Guid child) => Children.FirstOrDefault(one => one.Id.Value == child)?.Alias ?? "a child who has left";

    public Task OnGet() => InSchool(Load);

    public Task<IActionResult> OnPostSlot(Guid slot, DayOfWeek weekday, string? from, int minutes, Guid[]? child) => Change(async connection =>
    {
        if (Time(from) is not { } at) return "Write the time like 9:40.";
        var made = new Slot(slot, weekday, at, minutes, [.. (child ?? []).Where(one => one != Guid.Empty).Distinct()]);
        if (made.Children.Except(Children.Select(one => one.Id.Value)).Any()) return "Choose children of your caseload.";
        if (made.Fault(Slots, NameOf) is { } fault) return fault;
        if (slot != Guid.Empty) await Timetables.AddSlot(connection, made);
        return null;
    });

    public Task<IActionResult> OnPostSeat(Guid slot, Guid[]? child) => Change(async connection =>
    {
        if (Slots.FirstOrDefault(one => one.Id == slot) is not { } known) return "That slot is no longer in the timetable.";
        var seated = known with { Children = [.. (child ?? []).Where(one => one != Guid.Empty).Distinct()] };
        if (seated.Children.Except(Children.Select(one => one.Id.Value)).Any()) return "Choose children of your caseload.";
        if (seated.Fault(Slots, NameOf) is { } fault) return fault;
        await Timetables.Seat(connection, slot, seated.Children);
        return null;
    });

    public Task<IActionResult> OnPostRemoveSlot(Guid slot) => Change(async connection =>
    {
        await Timetables.RemoveSlot(connection, slot);
        return null;
    });

    public Task<IActionResult> OnPostBar(Guid id, string? className, DayOfWeek weekday, string? from, string? to, string? what) => Change(async connection =>
    {
        if (Time(from) is not { } begins || Time(to) is not { } ends) return "Write both times like 9:40.";
        var barred = new BarredTime((className ?? "").Trim(), weekday, begins, ends, (what ?? "").Trim());
        if (barred.Fault is { } fault) return fault;
        if (id != Guid.Empty) await Timetables.Bar(connection, id, barred);
        return null;
    });

    public Task<IActionResult> OnPostUnbar(Guid id) => Change(async connection =>
    {
        await Timetables.Unbar(connection, id);
        return null;
    });

    public Task<IActionResult> OnPostHoliday(Guid id, string? name, DateOnly? first, DateOnly? last) => Change(async connection =>
    {
        if (first is not { } from || last is not { } to) return "Give its first and its last day.";
        var holiday = new Holiday((name ?? "").Trim(), from, to);
        if (holiday.Fault is { } fault) return fault;
        if (id != Guid.Empty) await Timetables.AddHoliday(connection, id, holiday);
        return null;
    });

    public Task<IActionResult> OnPostRemoveHoliday(Guid id) => Change(async connection =>
    {
        await Timetables.RemoveHoliday(connection, id);
        return null;
    });

    public Task<IActionResult> OnPostClass(string? className, string? wording, string? topic, string? rule) => Change(async connection =>
    {
        var (name, says, works) = ((className ?? "").Trim(), (wording ?? "").Trim(), (topic ?? "").Trim());
        if (name.Length is 0 or > ClassTeachings.LongestName) return "Say which class.";
        if (says.Length > ClassTeachings.Longest || works.Length > ClassTeachings.Longest) return $"At most {ClassTeachings.Longest} signs for each.";
        await ClassTeachings.Keep(connection, name, says, works, RuleOfThumb.Find(rule)?.Id, clock.GetUtcNow().UtcDateTime);
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

    private async Task Load(SchoolConnection connection)
    {
        Slots = (await Timetables.Of(connection, preferences.Today, preferences.Today)).Slots;
        (Barred, Holidays) = (await Timetables.Barred(connection), await Timetables.Holidays(connection));
        Children = [.. await Store.Children.All(connection)];
        Classes = await ClassTeachings.Names(connection);
        var teachings = new List<ClassTeaching>();
        foreach (var name in Classes)
        {
            if (await ClassTeachings.Find(connection, name) is { } teaching) teachings.Add(teaching);
        }
        Teachings = teachings;
    }

    private static TimeOnly? Time(string? text) =>
        TimeOnly.TryParseExact((text ?? "").Trim(), ["H:mm", "HH:mm", "H.mm"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var time) ? time : null;
}
