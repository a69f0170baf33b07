using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Core.Diagnosis;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

/// <summary>A set that was given: hand the device over, or see what came of it.</summary>
[Authorize(Who.Sittings)]
public sealed class SetModel(Database database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public AssignedSet Set { get; private set; } = null!;

    public IReadOnlyList<SetItem> Items { get; private set; } = [];

    public IReadOnlyList<ItemResponse> Answered { get; private set; } = [];

    /// <summary>How quickly right answers came in a set for reading at ease; null where they were not timed, or it mends a pattern.</summary>
    public Fluency? Seconds { get; private set; }

    /// <summary>The same on the day before that had any.</summary>
    public Fluency? SecondsBefore { get; private set; }

    /// <summary>Whether this one was waiting when another was to be given.</summary>
    public bool Waited { get; private set; }

    public async Task<IActionResult> OnGet(SetId id, bool waited)
    {
        Waited = waited;
        var found = await InSchool(async connection =>
            {
                if (await Sets.Find(connection, id) is not { } set) return false;
                var record = await ChildRecord.Load(connection, model, set.Child);
                Set = set;
                preferences.OfChild = record!.Child.Preferences;
                if (set is { IsAtEase: true, DoneAt: not null, Day: { } done })
                {
                    var days = record.Fluency;
                    Seconds = days.LastOrDefault(day => day.Day == done);
                    SecondsBefore = days.LastOrDefault(day => day.Day < done);
                }
                Items = await Sets.Items(connection, id);
                Answered = [.. record.Sittings.FirstOrDefault(sitting => sitting.Sitting.Id == set.Sitting)?.Answered ?? []];
                return true;
            });
        return found ? Page() : NotFound();
    }

    /// <summary>Drops this device to the child's sitting: the teacher's own cookie goes.</summary>
    public async Task<IActionResult> OnPost(SetId id)
    {
        var school = User.Person().School;
        var set = await InSchool(connection => Sets.Find(connection, id));
        if (set is not { DoneAt: null, Sitting: { } sitting }) return NotFound();
        await HttpContext.EnterChildMode(school, sitting);
        return Redirect("/turn");
    }
}
