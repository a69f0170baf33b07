using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

/// <summary>The set that would be given, each item with why it is there: for a pattern, or for reading at ease.</summary>
public sealed class NewModel(Database database, ReadingModel model, Practising practising, RequestPreferences preferences) : PageModel
{
    public ChildRecord Record { get; private set; } = null!;

    public PracticeSet Set { get; private set; } = null!;

    public int Seed { get; private set; }

    /// <summary>How long a line runs beside a question, in seconds, where the set is for reading at ease.</summary>
    public double LineSeconds => Fluency.LineFor(Record.Fluency);

    public async Task<IActionResult> OnGet(ChildId child, string? pattern, int seed = 1)
    {
        if (!TryFind(pattern, out var found)) return NotFound();
        var record = await database.InSchool(User.Teacher().School, connection => ChildRecord.Load(connection, model, child), HttpContext.RequestAborted);
        if (record is null) return NotFound();
        preferences.OfChild = record.Child.Preferences;
        (Record, Seed, Set) = (record, seed, practising.Make(record, found, seed));
        return Page();
    }

    public async Task<IActionResult> OnPost(ChildId child, string? pattern, int seed, SetId? set)
    {
        if (!TryFind(pattern, out var found)) return NotFound();
        var (school, person) = User.Teacher();
        var given = await database.InSchool<SetId?>(
            school,
            async connection =>
            {
                await Store.Children.Lock(connection, child);
                var record = await ChildRecord.Load(connection, model, child);
                if (record is null) return null;
                if (set is { } made && await Sets.Find(connection, made) is not null) return made;
                // A set that still waits is the one: pressing twice must not make two.
                if (record.Child.OpenSet is { } open) return open;
                return (await practising.Assign(connection, record, found, seed, person, set is { } id && id != default ? id : null)).Set;
            },
            HttpContext.RequestAborted);
        return given is null ? NotFound() : Redirect($"/practise/{given}");
    }

    /// <summary>The pattern with this id; none where none is named, for a set may be for reading at ease.</summary>
    private static bool TryFind(string? id, out Pattern? pattern) => (pattern = Catalogue.Find(id)) is { } found ? Steps.OfReading.Contains(found.Step) : string.IsNullOrEmpty(id);
}
