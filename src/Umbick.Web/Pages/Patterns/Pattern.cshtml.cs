using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Patterns;

/// <summary>A pattern that looks like another, with the question that tells them apart; null where none does.</summary>
public sealed record LookAlike(Pattern Pattern, (string Asked, Example This, Example Other)? Question);

/// <summary>One pattern: what it looks like, why it arises, what it is taken for, what to do, and who shows it now.</summary>
[Authorize(Who.Records)]
public sealed class PatternModel(
    IDatabase database, ReadingModel model, PatternFaces faces, RequestPreferences preferences) : SchoolPage(database)
{
    public Pattern Pattern { get; private set; } = null!;

    public IReadOnlyList<Example> Showing { get; private set; } = [];

    public IReadOnlyList<Example> ComingRight { get; private set; } = [];

    public IReadOnlyList<LookAlike> Alike { get; private set; } = [];

    public IReadOnlyList<Demonstration> Demonstrations { get; private set; } = [];

    /// <summary>Who on the caseload shows it, those with whom it is practised first; and whether it is likely of them.</summary>
    public IReadOnlyList<(CaseloadRow Child, bool IsLikely)> Children { get; private set; } = [];

    public async Task<IActionResult> OnGet(string pattern)
    {
        if (Catalogue.Find(pattern) is not { } found) return NotFound();
        Pattern = found;
        var wording = preferences.Wording;
        (Showing, ComingRight) = (faces.ExamplesOf(found, wording), faces.ComingRight(found, wording));
        // Two that look alike are named with either of them.
        var alike = found.Alike.Union(Catalogue.All.Where(other => other.Alike.Contains(found.Id)).Select(other => other.Id))
            .Select(Catalogue.Find).OfType<Pattern>();
        Alike = [.. alike.Select(other => new LookAlike(other, faces.Apart(found, other, wording)))];
        Demonstrations = Demonstration.Offered(found, []);
        var caseload = await InSchool(connection => Caseload.Load(connection, model));
        Children =
        [
            .. caseload.Where(child => child.SummaryOn(preferences.Today).ToPractise.Contains(found)).Select(child => (child.Child, true)),
            .. caseload.Where(child => child.SummaryOn(preferences.Today).State.Possible.Contains(found))
                .Select(child => (child.Child, false)),
        ];
        return Page();
    }
}
