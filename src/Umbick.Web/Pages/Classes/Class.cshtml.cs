using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;
using Umbick.Casework;

namespace Umbick.Web.Pages.Classes;

/// <summary>A screened class, sorted.</summary>
[Authorize(Who.Records)]
public sealed class ClassModel(IDatabase database, ClassScreening screen, RequestPreferences preferences) : SchoolPage(database)
{
    public ScreenedClass Class { get; private set; } = null!;

    /// <summary>What all answers say of those who are on the caseload.</summary>
    public IReadOnlyDictionary<ChildId, CaseSummary> Cases { get; private set; } = new Dictionary<ChildId, CaseSummary>();

    /// <summary>The codes that were just made, by sitting.</summary>
    public IReadOnlyDictionary<SittingId, string> CodeOf { get; private set; } = new Dictionary<SittingId, string>();

    public IEnumerable<IGrouping<ScreeningGroup, ScreenedChild>> Groups =>
        Class.Children.OrderBy(child => child.Result.Group).GroupBy(child => child.Result.Group);

    /// <summary>Which patterns the form can tell, and by how many of its questions, the most first.</summary>
    public IReadOnlyList<Coverage> Tells => [.. screen.Tells(Class).OrderByDescending(coverage => coverage.Telling)];

    /// <summary>What the whole class shows, as sentences; null where nothing is missed by most.</summary>
    public string? Shows => ClassShows.InWords(Class.Questions, preferences.Wording);

    public bool IsEmpty => Class.Children.All(child => child.Result.Group == ScreeningGroup.NotYet);

    public string Heading
    {
        get
        {
            int Count(ScreeningGroup group) => Class.Children.Count(child => child.Result.Group == group);
            return IsEmpty
                ? $"{Class.Screening.Title}: no answers yet"
                : $"{Class.Screening.Title}: {Count(ScreeningGroup.Join)} to join, {Count(ScreeningGroup.Watch)} to watch, "
                + $"{Count(ScreeningGroup.Secure)} secure";
        }
    }

    public static string NameOf(ScreeningGroup group) => group switch
    {
        ScreeningGroup.Join => "Join the caseload",
        ScreeningGroup.Watch => "Watch: ask again in some weeks",
        ScreeningGroup.Secure => "Secure",
        _ => "Not enough answers yet",
    };

    public async Task<IActionResult> OnGet(ScreeningId id) => await Load(id) ? Page() : NotFound();

    public async Task<IActionResult> OnPostTakeIn(ScreeningId id, ChildId child)
    {
        var taken = await InSchool(connection => Enrolment.SetOnCaseload(connection, child, onCaseload: true));
        if (!taken) return NotFound();
        if (Request.Headers["HX-Request"] != "true") return Redirect($"/classes/{id}");
        return await Load(id) ? Page() : NotFound();
    }

    /// <summary>Takes in everybody who should join.</summary>
    public async Task<IActionResult> OnPostTakeAllIn(ScreeningId id)
    {
        if (!await Load(id)) return NotFound();
        var joining = Groups.Where(group => group.Key == ScreeningGroup.Join).SelectMany(group => group)
            .Where(child => !child.Child.OnCaseload).Select(child => child.Child.Id).ToList();
        await InSchool(async connection =>
        {
            foreach (var child in joining) await Enrolment.SetOnCaseload(connection, child, onCaseload: true);
        });
        return Redirect($"/classes/{id}");
    }

    /// <summary>Makes a code for every child whose form is not finished, to read out or to write on the board.</summary>
    public async Task<IActionResult> OnPostCodes(ScreeningId id)
    {
        if (!await Load(id)) return NotFound();
        CodeOf = await InSchool(connection => screen.MakeCodes(connection, Class));
        return Page();
    }

    private async Task<bool> Load(ScreeningId id)
    {
        return await InSchool(async connection =>
            {
                if (await screen.Load(connection, id) is not { } found) return false;
                (Class, Cases) = (found, await screen.CasesOf(connection, found));
                return true;
            });
    }
}
