using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;

namespace Umbick.Web.Pages.Day;

/// <summary>The day: who comes when, what is done with them, what to bring, and what waits.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(
    IDatabase database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public DayWork Work { get; private set; } = null!;

    /// <summary>What is begun now, or next; none where the day is done.</summary>
    public IReadOnlyList<Beginning> Now { get; private set; } = [];

    /// <summary>What has to be at hand today, each thing once.</summary>
    public IReadOnlyList<string> Bring { get; private set; } = [];

    /// <summary>How many records are past the day until which they are kept.</summary>
    public int PastKeeping { get; private set; }

    public async Task OnGet()
    {
        (Work, PastKeeping) = await InSchool(async connection =>
            (await DayWork.Load(connection, model, preferences.Today, preferences.Now),
                await RecordKeeping.CountPast(connection, preferences.Today)));
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
    public Task<IActionResult> OnPost(DateOnly day, ChildId? absent, ChildId? notReleased, ChildId? canCome, string? comes,
        string? staysAway) => Within(async connection =>
    {
        var (by, now) = (User.Person().Id, clock.GetUtcNow().UtcDateTime);
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
