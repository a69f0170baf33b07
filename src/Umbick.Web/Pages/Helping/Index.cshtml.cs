using Microsoft.AspNetCore.Authorization;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Helping;

/// <summary>What a teacher has prepared and somebody else can run: it says who and what to do, and nothing of what was found.</summary>
[Authorize(Who.Sittings)]
public sealed class IndexModel(Database database) : SchoolPage(database)
{
    /// <summary>Visits that are not over, with who is in them.</summary>
    public IReadOnlyList<(Visit Visit, string Aliases)> Visits { get; private set; } = [];

    /// <summary>Children who are in the middle of being asked.</summary>
    public IReadOnlyList<CaseloadRow> Asking { get; private set; } = [];

    public IReadOnlyList<AssignedSet> Sets { get; private set; } = [];

    /// <summary>Classes whose sheets can be typed in.</summary>
    public IReadOnlyList<Screening> Classes { get; private set; } = [];

    public bool HasNothing => Visits.Count + Asking.Count + Sets.Count + Classes.Count == 0;

    public Task OnGet() => InSchool(async connection =>
        {
            var caseload = (await Store.Children.All(connection)).ToList();
            var aliases = caseload.ToDictionary(child => child.Id, child => child.Alias);
            var visits = new List<(Visit, string)>();
            foreach (var visit in await Store.Visits.Open(connection))
                visits.Add((visit, string.Join(", ", (await Store.Visits.Children(connection, visit.Id)).Select(child => aliases.GetValueOrDefault(child.Child, "a child who has left")))));
            Visits = visits;
            Asking = caseload.FindAll(child => child.OpenAsking is not null && child.OpenVisit is null);
            Sets = [.. await Store.Sets.Waiting(connection)];
            Classes = [.. (await Screenings.Latest(connection, null)).Where(one => one.PaperDay is not null).Take(3)];
        });
}
