using Microsoft.AspNetCore.Authorization;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Store;
using Umbick.Casework;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

[Authorize(Who.Records)]
public sealed class IndexModel(Database database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    private const int MostDone = 60;

    private Dictionary<ChildId, Wording> _wordings = [];

    public IReadOnlyList<AssignedSet> Waiting { get; private set; } = [];

    public IReadOnlyList<AssignedSet> Done { get; private set; } = [];

    /// <summary>Visits that are not over, with who is in them.</summary>
    public IReadOnlyList<(Visit Visit, string Aliases)> Visits { get; private set; } = [];

    /// <summary>Who could practise what, by shared need: what most need first.</summary>
    public IReadOnlyList<(Pattern Pattern, IReadOnlyList<CaseloadRow> Children)> Wanted { get; private set; } = [];

    /// <summary>How a child's times are said: theirs, or the school's once they have left the caseload.</summary>
    public Wording WordingOf(ChildId child) => _wordings.GetValueOrDefault(child, preferences.Wording);

    public Task OnGet() => InSchool(async connection =>
        {
            Waiting = [.. await Sets.Waiting(connection)];
            Done = [.. await Sets.Done(connection, MostDone)];
            var caseload = await Caseload.Load(connection, model);
            _wordings = caseload.ToDictionary(one => one.Child.Id, one => one.Child.Preferences.Wording);
            var (aliases, visits) = (caseload.ToDictionary(one => one.Child.Id, one => one.Child.Alias), new List<(Visit, string)>());
            foreach (var visit in await Store.Visits.Open(connection))
                visits.Add((visit, string.Join(", ", (await Store.Visits.Children(connection, visit.Id)).Select(child => aliases.GetValueOrDefault(child.Child, "a child who has left")))));
            Visits = visits;
            Wanted =
            [
                .. from one in caseload
                   let toPractise = one.SummaryOn(preferences.Today).ToPractise
                   where one.Child.OpenSet is null && toPractise.Count > 0
                   group one.Child by toPractise[0] into need
                   orderby need.Count() descending, need.Key.Step
                   select (need.Key, (IReadOnlyList<CaseloadRow>)[.. need]),
            ];
        });
}
