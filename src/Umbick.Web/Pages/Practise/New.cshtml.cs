using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Casework;

namespace Umbick.Web.Pages.Practise;

/// <summary>The set that would be given, each item with why it is there: for a pattern, or for reading at ease.</summary>
[Authorize(Who.Records)]
public sealed class NewModel(
    IDatabase database, ReadingModel model, Practising practising, RequestPreferences preferences) : SchoolPage(database)
{
    [BindProperty(SupportsGet = true, Name = "")]
    public SetAsked Asked { get; set; } = new();

    public ChildRecord Record { get; private set; } = null!;

    public PracticeSet Set { get; private set; } = null!;

    /// <summary>Others who show the pattern and have no set that waits.</summary>
    public IReadOnlyList<CaseloadRow> Others { get; private set; } = [];

    /// <summary>Ways to show the idea, those not shown to the child first.</summary>
    public IReadOnlyList<Demonstration> Demonstrations { get; private set; } = [];

    private IReadOnlyList<DemonstrationShown> Demonstrated { get; set; } = [];

    /// <summary>The day on which one was shown to the child last; null where it was not.</summary>
    public DateOnly? ShownOn(Demonstration demonstration) =>
        Demonstrated.FirstOrDefault(shown => shown.Demonstration == demonstration.Id)?.Day;

    /// <summary>Whether others are to have a set at once.</summary>
    public bool Together { get; private set; }

    /// <summary>The place, from 1, for which no other item keeps the rules; null where the last change was made.</summary>
    public int? Unchanged { get; private set; }

    /// <summary>The help that follows from the last set.</summary>
    public Support NextSupport => Record.NextSupportOn(preferences.Today);

    /// <summary>How long a line runs beside a question, in seconds, where the set is for reading at ease.</summary>
    public double LineSeconds => Fluency.LineFor(Record.Fluency);

    /// <summary>The patterns to choose from, the first to practise at the front, and the one this set is for.</summary>
    public IReadOnlyList<PracticeWorth> Patterns => Record.First;

    /// <summary>The address of this page with something else chosen.</summary>
    public string With(int? variant = null, string? swaps = null, string? pattern = null) =>
        $"?pattern={pattern ?? Asked.Pattern}&variant={variant ?? Asked.Variant}&length={Asked.Length}&support={Asked.Support}&swaps={(variant is null && pattern is null ? swaps ?? Asked.Swaps : "")}{(Together ? "&together=true" : "")}";

    /// <summary>The address of this page with one more item changed.</summary>
    public string Swapped(int place) => With(swaps: string.IsNullOrEmpty(Asked.Swaps) ? $"{place}" : $"{Asked.Swaps}-{place}");

    public async Task<IActionResult> OnGet(ChildId child, bool together = false)
    {
        if (!TryFind(Asked.Pattern, out var found)) return NotFound();
        if (Asked.Choices is not { } choices) return BadRequest();
        var record = await InSchool(async connection =>
            {
                Demonstrated = await Demonstrating.ShownTo(connection, child);
                if (found is not null) Others = await OthersWith(connection, found, child);
                return await ChildRecord.Load(connection, model, child);
            });
        if (record is null) return NotFound();
        preferences.OfChild = record.Child.Preferences;
        if (found is not null) Demonstrations = Demonstration.Offered(found, [.. Demonstrated.Select(shown => shown.Demonstration)]);
        (Record, Together, Set) = (record, together, practising.Make(record, found, choices));
        if (choices.Swaps.Count > 0 && found is not null) Unchanged = UnchangedBy(record, found, choices);
        return Page();
    }

    private int? UnchangedBy(ChildRecord record, Pattern pattern, SetChoices choices)
    {
        var last = choices.Swaps[^1];
        var before = practising.Make(record, pattern, choices with { Swaps = [.. choices.Swaps.SkipLast(1)] });
        return before.Items[last].Item == Set.Items[last].Item ? last + 1 : null;
    }

    public async Task<IActionResult> OnPost(ChildId child, SetId? set, ChildId[] also, bool onPaper)
    {
        if (!TryFind(Asked.Pattern, out var found)) return NotFound();
        if (Asked.Choices is not { } choices) return BadRequest();
        var given = await InSchool(connection => practising.Give(connection, child, also, found,
            choices with { OnPaper = onPaper }, set, User.Person().Id));
        if (given is null) return NotFound();
        var waited = set is { } sent && sent != given.Id ? "?waited=true" : "";
        return Redirect(also.Length > 0 ? "/practise" : $"{(onPaper ? $"/sheets/{given.Sitting}" : $"/practise/{given.Id}")}{waited}");
    }

    private async Task<IReadOnlyList<CaseloadRow>> OthersWith(SchoolConnection connection, Pattern pattern, ChildId child) =>
        [.. from each in await Caseload.Load(connection, model) where each.Child.Id != child && each.WantsSetFor(pattern, preferences.Today)
            select each.Child];

    /// <summary>The pattern with this id; none where none is named, for a set may be for reading at ease.</summary>
    private static bool TryFind(string? id, out Pattern? pattern) => (pattern = Catalogue.Find(id)) is { } found
        ? Steps.OfReading.Contains(found.Step) : string.IsNullOrEmpty(id);
}
