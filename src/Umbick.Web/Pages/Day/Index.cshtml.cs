using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;
using Umbick.Core.Timetabling;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Day;

/// <summary>The day: who comes when, what is done with them, what to bring, and what waits.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(
    IDatabase database, ReadingModel model, SheetsPrinted sheets, RequestPreferences preferences, TimeProvider clock)
    : SchoolPage(database)
{
    public DayWork Work { get; private set; } = null!;

    /// <summary>What is begun now, or next; none where the day is done.</summary>
    public IReadOnlyList<Beginning> Now { get; private set; } = [];

    /// <summary>What has to be at hand today, each thing once.</summary>
    public IReadOnlyList<string> Bring { get; private set; } = [];

    /// <summary>What is said at the classroom door now; null after the last time of the school's day.</summary>
    public string? AtTheDoor { get; private set; }

    /// <summary>How many records are past the day until which they are kept.</summary>
    public int PastKeeping { get; private set; }

    /// <summary>Whether the groups that were kept are to be looked through.</summary>
    public bool GroupsAreOld { get; private set; }

    /// <summary>What leads an empty school to its first set.</summary>
    public FirstHour FirstHour { get; private set; } = null!;

    /// <summary>The morning on paper: the day, the sheets that wait for those who come, and their answers.</summary>
    public async Task<IActionResult> OnGetMorning(string? size)
    {
        await OnGet(null);
        var coming = Work.Plan.Slots.SelectMany(slot => slot.Seats).Where(seat => seat.Why is null).Select(seat => seat.Child).Distinct()
            .ToList();
        var lists = await InSchool(connection => sheets.WaitingFor(connection, coming));
        var paper = PaperSize.Find(size);
        var layout = new SheetLayout(paper);
        var printed = lists.Select(list => new PaperSheet(
            [.. list.List.Asked.Where(asked => !asked.Item.IsOnlyAloud).Select(asked => (asked.Item, asked.Support))],
            list.List.Child.Preferences)
        { Alias = list.List.Child.Alias, Code = list.Code.ToString() }).ToList();
        var day = new ReportLayout(paper, preferences.OfSchool).Pages("The day", Work.Today.ToString("dddd d MMMM"),
            [.. Work.Plan.Slots.Select(slot => new PaperReportLine(
                $"{TimeOfDay.InFigures(slot.Slot.From)}, {slot.Slot.Minutes} minutes", OnPaper(slot), null, []))]);
        return File(PdfWriter.Write([.. day, .. printed.SelectMany(layout.Pages), .. printed.Select(layout.Answers)], PaperSheet.Title),
            "application/pdf", FileNames.On(Work.Today, "morning", "pdf"));
    }

    /// <summary>Who comes to a slot, what is done, and what to bring. It names no pattern: children see it, too.</summary>
    private string OnPaper(PlannedSlot slot)
    {
        string What(Seat seat) => seat.Why is { } why ? DayTexts.Why(why) : seat.Jobs.Count == 0 ? "nothing is due"
            : string.Join(", ", seat.Jobs.Select(job => JobNames.NameOf(Work.Jobs[job].What)).Distinct());
        var lines = slot.Seats.Select(seat => $"{Work.Children.GetValueOrDefault(seat.Child)?.Child.Alias ?? "A child"}: {What(seat)}")
            .DefaultIfEmpty("kept free").ToList();
        var bring = Beginning.InSlot(Work, slot).Select(begin => JobNames.ToBring(begin.What, begin.Children.Count > 1)).OfType<string>()
            .Distinct().ToList();
        if (bring.Count > 0) lines.Add($"Bring: {string.Join(", ", bring)}");
        return string.Join('\n', lines);
    }

    /// <summary>The classes of those who come today, each with whether somebody of it comes.</summary>
    public IEnumerable<(string Name, bool Comes)> Classes => Work.Plan.Slots.SelectMany(slot => slot.Seats)
        .Where(seat => seat.Why is null or NotPlaced.NotReleased)
        .GroupBy(seat => Work.Children.GetValueOrDefault(seat.Child)?.Child.ClassName ?? "")
        .Where(seats => seats.Key.Length > 0).OrderBy(seats => seats.Key, StringComparer.Ordinal)
        .Select(seats => (seats.Key, seats.Any(seat => seat.Why is null)));

    private IReadOnlyDictionary<PersonId, string> _names = new Dictionary<PersonId, string>();

    /// <summary>The name of a slot's teacher; null where it is not told, for nobody shares the school's day.</summary>
    public string? TeacherOf(PersonId teacher) => _names.GetValueOrDefault(teacher);

    /// <summary>Shows the day.</summary>
    /// <param name="whose">Whose slots: <c>school</c> for all of them; the signed-in teacher's, where nothing is said.</param>
    public async Task OnGet(string? whose)
    {
        (Work, PastKeeping, GroupsAreOld) = await InSchool(async connection =>
        {
            var work = await DayWork.Load(connection, model, preferences.Today, preferences.Now);
            AtTheDoor = Core.Teaching.AtTheDoor.Say(await SchoolTimes.Load(connection), preferences.Now, preferences.Wording);
            return (work, await RecordKeeping.CountPast(connection, preferences.Today),
                await GroupsNow.AreToBeLookedThrough(connection, work.Timetable.Year, preferences.Today));
        });
        FirstHour = FirstHour.From(Work.Children.Values.Select(child => child.Child));
        if (Work.IsShared(User.Person().Id)) _names = await InSchool(TermPlan.TeacherNames);
        if (whose != "school" && Work.IsShared(User.Person().Id)) Work = Work.OfTeacher(User.Person().Id);
        Now = Work.Next is { } next ? Beginning.InSlot(Work, next) : [];
        Bring = [.. Work.Plan.Slots.SelectMany(slot => Beginning.InSlot(Work, slot))
            .Select(slot => JobNames.ToBring(slot.What, slot.Children.Count > 1)).OfType<string>().Distinct()];
    }

    /// <summary>
    /// Notes that a child cannot come or can after all, or that another comes in the place of one who cannot; each by one press.
    /// </summary>
    /// <param name="day">The day that the page showed.</param>
    /// <param name="absent">A child who is not there.</param>
    /// <param name="notReleased">A child whom the class does not let go.</param>
    /// <param name="canCome">A child who can come after all.</param>
    /// <param name="comes">A slot and the child who comes in another's place.</param>
    /// <param name="staysAway">A slot and the child who does not, after all.</param>
    /// <param name="classAway">A class of which nobody comes.</param>
    /// <param name="classBack">A class that is there after all.</param>
    public Task<IActionResult> OnPost(DateOnly day, ChildId? absent, ChildId? notReleased, ChildId? canCome, string? comes,
        string? staysAway, string? classAway, string? classBack) => Within(async connection =>
    {
        var (by, now) = (User.Person().Id, clock.GetUtcNow().UtcDateTime);
        if ((classAway ?? classBack) is { } name)
        {
            return await ComingToday.NoteClassAway(connection, name, day, classAway is not null, by, now) ? Redirect("/day#slots")
                : NotFound();
        }
        if ((absent ?? notReleased ?? canCome) is { } child)
        {
            return await ComingToday.NoteAbsence(connection, child, day, canCome is not null ? null : absent is not null, by, now)
                ? Redirect("/day#slots") : NotFound();
        }
        if (SlotAndChild(comes ?? staysAway) is not var (slot, other)) return BadRequest();
        return await ComingToday.NoteStandIn(connection, slot, other, day, comes is not null, by, now) ? Redirect("/day#slots")
            : NotFound();
    });

    private static (SlotId Slot, ChildId Child)? SlotAndChild(string? text) =>
        text?.Split(' ') is [var slot, var child] && SlotId.TryParse(slot, null, out var id) && ChildId.TryParse(child, null, out var other)
            ? (id, other) : null;
}
