using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;
using Umbick.Casework;

namespace Umbick.Web.Pages.Visits;

/// <summary>Who comes to a visit, and what will be shown.</summary>
[Authorize(Who.Records)]
public sealed class BeginModel(
    IDatabase database, ReadingModel model, Visiting visiting, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>The id of the visit that this page would begin: sending it twice begins one.</summary>
    public VisitId Visit { get; private set; } = VisitId.New();

    /// <summary>Who could come, and what will be shown.</summary>
    public VisitBeginning Beginning { get; private set; } = null!;

    public string? Message { get; private set; }

    public Task<IActionResult> OnGet(string? pattern, ChildId[] child) => Within(async connection =>
    {
        if (!TryFind(pattern, out var found)) return NotFound();
        Beginning = await VisitBeginning.Load(connection, model, found, child, chosen: null, preferences.Today);
        return Page();
    });

    public Task<IActionResult> OnPost(string? pattern, VisitId? visit, ChildId[] child, string? show) => Within(async connection =>
    {
        if (!TryFind(pattern, out var found) || visit is not { IsGiven: true } id) return BadRequest();
        IReadOnlyList<ChildId> chosen = [.. child.Distinct()];
        Visit = id;
        if (await Visiting.IsBegun(connection, id)) return Redirect($"/visits/{id}");
        if (!await Visiting.Knows(connection, chosen)) return NotFound();
        Message = chosen.Count == 0 ? "Choose one child at least."
            : chosen.Count > Visiting.Most ? $"{Visiting.Most} children at most can be seen together. Untick some."
            : null;
        if (Message is null)
        {
            var demonstration = Demonstration.Find(show) is { } each && each.For.Contains(found.Id) ? each.Id : null;
            if (await visiting.Begin(connection, id, found, chosen, demonstration, User.Person().Id) is not [var busy, ..])
                return Redirect($"/visits/{id}");
            Message = $"{busy.Alias} has something unfinished. Finish or stop that first, or leave {busy.Alias} out.";
        }
        Beginning = await VisitBeginning.Load(connection, model, found, child, chosen, preferences.Today);
        Response.StatusCode = StatusCodes.Status400BadRequest;
        return Page();
    });

    private static bool TryFind(string? id, out Pattern pattern) => (pattern = Catalogue.Find(id)!) is { } found
        && Steps.OfReading.Contains(found.Step);
}
