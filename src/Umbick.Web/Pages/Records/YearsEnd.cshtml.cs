using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Records;

/// <summary>The year's end: classes get new names, stages move on, and who is finished is set aside.</summary>
[Authorize(Who.InCharge)]
public sealed class YearsEndModel(Database database, ReadingModel model, RequestPreferences preferences, TimeProvider clock) : SchoolPage(database)
{
    /// <summary>The classes with their children; those without a class come last.</summary>
    public IReadOnlyList<IGrouping<string, ListedChild>> Classes { get; private set; } = [];

    /// <summary>Children on the caseload whose patterns are all mastered, or who show none.</summary>
    public IReadOnlyList<CaseloadRow> Finished { get; private set; } = [];

    /// <summary>How many children were moved on and set aside; null where nothing was done.</summary>
    public (int Moved, int Aside)? Done { get; private set; }

    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(int? moved, int? aside) => Within(async connection =>
    {
        Done = moved is >= 0 && aside is >= 0 ? (moved.Value, aside.Value) : null;
        await Load(connection);
        return Page();
    });

    /// <summary>Moves on what the form says. What the page showed goes with it: a class that has changed meanwhile is left as it is.</summary>
    public Task<IActionResult> OnPost(string[]? from, string[]? seen, string[]? to, int[]? stages, ChildId[]? aside) => Within(async connection =>
    {
        (from, seen, to, stages, aside) = (from ?? [], seen ?? [], to ?? [], stages ?? [], aside ?? []);
        if (from.Length != to.Length || from.Length != stages.Length || from.Length != seen.Length || stages.Any(by => by is < 0 or > 3)) return BadRequest();
        if (Array.Find(to, name => (name ?? "").Trim().Length > ClassTeachings.LongestName) is not null)
        {
            Message = $"A class’s name has {ClassTeachings.LongestName} letters at most. Nothing was changed.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            await Load(connection);
            return Page();
        }
        // Pressed twice, or sent again after a reply was lost, a year ends once: by then the class is no longer the one that was shown.
        await Store.Children.LockAll(connection);
        var now = (await Store.Children.Aliases(connection)).ToLookup(child => child.ClassName);
        var (was, shown, becomes, by) = (from, seen, to, stages);
        var same = Enumerable.Range(0, was.Length).Where(i => now.Contains(was[i] ?? "") && SeenOf(now[was[i] ?? ""]) == shown[i]).ToList();
        // All at once: a class may take the name that another has left.
        var moved = await Store.Children.MoveOn(connection, [.. same.Select(i => was[i] ?? "")], [.. same.Select(i => (becomes[i] ?? "").Trim())], [.. same.Select(i => by[i])]);
        var set = 0;
        foreach (var child in aside) set += await Store.Children.TakeIn(connection, child, onCaseload: false);
        if (moved + set == 0) return Redirect("/years-end");
        await Audit.Note(connection, User.Person().Id, AuditKinds.YearsEnd, clock.GetUtcNow().UtcDateTime, detail: Told(moved, set));
        return Redirect(string.Create(CultureInfo.InvariantCulture, $"/years-end?moved={moved}&aside={set}"));
    });

    private async Task Load(SchoolConnection connection)
    {
        var children = await Store.Children.Aliases(connection);
        Classes = [.. children.GroupBy(child => child.ClassName).OrderBy(one => one.Key.Length == 0).ThenBy(one => one.Key, StringComparer.Ordinal)];
        Finished = [.. (await Caseload.Load(connection, model)).Where(child => child.SummaryOn(preferences.Today).IsFinished).Select(child => child.Child)];
    }

    /// <summary>What was done, in words.</summary>
    public static string Told(int moved, int aside) => string.Create(CultureInfo.InvariantCulture, $"{moved} {(moved == 1 ? "child" : "children")} moved on, {aside} set aside");

    /// <summary>By what a class is known again that was shown: who is in it, and at which stages.</summary>
    public static string SeenOf(IEnumerable<ListedChild> children) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(string.Join(' ', children.OrderBy(child => child.Id.Value).Select(child => $"{child.Id}:{(int)child.Stage}")))))[..16];

    /// <summary>The stages of a class, the earliest first, as they are told.</summary>
    public static string StagesOf(IEnumerable<ListedChild> children, Core.Clocks.Wording wording) =>
        string.Join(" · ", children.GroupBy(child => child.Stage).OrderBy(one => one.Key).Select(one => $"{one.Count()} at {one.Key.Name(wording)}"));
}
