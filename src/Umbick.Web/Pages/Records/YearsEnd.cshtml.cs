using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.Records;

/// <summary>The year's end: classes get new names, stages move on, and who is finished is set aside.</summary>
[Authorize(Who.InCharge)]
public sealed class YearsEndModel(
    IDatabase database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    public YearsEnd YearsEnd { get; private set; } = null!;

    /// <summary>How many children were moved on and set aside; null where nothing was done.</summary>
    public (int Moved, int Aside)? Done { get; private set; }

    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(int? moved, int? aside) => Within(async connection =>
    {
        Done = moved is >= 0 && aside is >= 0 ? (moved.Value, aside.Value) : null;
        await Load(connection);
        return Page();
    });

    /// <summary>
    /// Moves on what the form says. What the page showed goes with it: a class that has changed meanwhile is left as it is.
    /// </summary>
    public Task<IActionResult> OnPost(string[]? from, string[]? seen, string[]? to, int[]? stages, ChildId[]? aside) =>
        Within(async connection =>
    {
        (from, seen, to, stages, aside) = (from ?? [], seen ?? [], to ?? [], stages ?? [], aside ?? []);
        if (from.Length != to.Length || from.Length != stages.Length || from.Length != seen.Length
            || stages.Any(by => by is < 0 or > YearsEnd.MostStages)) return BadRequest();
        if (Array.Find(to, name => (name ?? "").Trim().Length > ClassTeaching.LongestName) is not null)
        {
            Message = $"A class’s name has {ClassTeaching.LongestName} letters at most. Nothing was changed.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            await Load(connection);
            return Page();
        }
        var (was, shown, becomes, by) = (from, seen, to, stages);
        var moves = Enumerable.Range(0, was.Length).Select(i => new ClassMove(was[i] ?? "", shown[i], (becomes[i] ?? "").Trim(), by[i]));
        var (moved, set) = await YearsEnd.MoveOn(connection, [.. moves], aside, User.Person().Id, clock.GetUtcNow().UtcDateTime);
        return Redirect(moved + set == 0 ? "/years-end"
            : string.Create(CultureInfo.InvariantCulture, $"/years-end?moved={moved}&aside={set}"));
    });

    private async Task Load(SchoolConnection connection) => YearsEnd = await YearsEnd.Load(connection, model, preferences.Today);

    /// <summary>The stages of a class, the earliest first, as they are told.</summary>
    public static string StagesOf(IEnumerable<ListedChild> children, Core.Clocks.Wording wording) =>
        string.Join(" · ", children.GroupBy(child => child.Stage).OrderBy(child => child.Key)
            .Select(child => $"{child.Count()} at {child.Key.Name(wording)}"));
}
