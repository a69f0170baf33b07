using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages;

/// <summary>What the big clock shows.</summary>
/// <param name="Hands">Its hands.</param>
/// <param name="Day">The time of the day; null where that is not shown.</param>
public sealed record ClockShown(HandPositions Hands, DayTime? Day);

/// <summary>The tools beside the big clock.</summary>
/// <param name="Start">Where its hands start.</param>
/// <param name="IsFree">Whether it is turned freely; else the tools are folded away.</param>
public sealed record ClockTools(HandPositions Start, bool IsFree);

/// <summary>A clock to show things with: turned freely, or position by position through a demonstration.</summary>
[Authorize(Who.Sittings)]
public sealed class ClockModel(IDatabase database, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    private static readonly HandPositions AtFirst = HandPositions.Showing(new ClockTime(10, 10));

    /// <summary>The demonstration that is shown; null where the clock is turned freely.</summary>
    public Demonstration? Demonstration { get; private set; }

    /// <summary>The pattern that it is shown for.</summary>
    public Pattern? Pattern { get; private set; }

    /// <summary>The child to whom it is shown; null where it is shown to nobody in particular.</summary>
    public CaseloadRow? Child { get; private set; }

    /// <summary>Other demonstrations for the same pattern, those not shown to the child first.</summary>
    public IReadOnlyList<Demonstration> Others { get; private set; } = [];

    /// <summary>When this one was shown to the child before, the latest first.</summary>
    public IReadOnlyList<DateOnly> Before { get; private set; } = [];

    public HandPositions Start => Demonstration is null ? AtFirst : Demonstration.Positions[0].Hands;

    public async Task<IActionResult> OnGet(string? show, string? pattern, ChildId? child)
    {
        if (show is not null && (Demonstration = Core.Teaching.Demonstration.Find(show)) is null) return NotFound();
        if (Demonstration is null) return Page();
        if (!TryFind(pattern, Demonstration, out var found)) return NotFound();
        Pattern = found;
        IReadOnlyList<DemonstrationShown> shown = [];
        if (child is { } id)
        {
            (Child, shown) = await InSchool(connection => Demonstrating.Load(connection, id));
            if (Child is null) return NotFound();
            preferences.OfChild = Child.Preferences;
        }
        Before = [.. shown.Where(each => each.Demonstration == show).Select(each => each.Day)];
        Others = [.. Core.Teaching.Demonstration.Offered(found, [.. shown.Select(each => each.Demonstration)])
            .Where(demonstration => demonstration != Demonstration)];
        return Page();
    }

    /// <summary>Keeps that a demonstration was shown to a child.</summary>
    public async Task<IActionResult> OnPost(string? show, string? pattern, ChildId child, ShowingId id)
    {
        if (Core.Teaching.Demonstration.Find(show) is not { } demonstration || !TryFind(pattern, demonstration, out var found)
            || id == default) return BadRequest();
        var known = await InSchool(connection =>
            Demonstrating.Keep(connection, id, child, found, demonstration, User.Person().Id, clock.GetUtcNow().UtcDateTime));
        return known ? Redirect(User.SeesRecords() ? $"/children/{child}" : "/clock") : NotFound();
    }

    /// <summary>What hands show that are turned like this.</summary>
    public IActionResult OnGetTime(double hour, double minute, bool? afternoon)
    {
        if (!ModelState.IsValid || !double.IsFinite(hour) || !double.IsFinite(minute)) return BadRequest();
        var hands = HandPositions.Wrapped(hour, minute);
        return Partial("_ClockTime", new ClockShown(hands, afternoon is { } half ? DayTime.At(hands.Read(), half) : null));
    }

    private static bool TryFind(string? id, Demonstration demonstration, out Pattern pattern) =>
        (pattern = Catalogue.Find(id ?? demonstration.For[0])!) is not null && demonstration.IsFor(pattern);
}
