using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

public sealed class IndexModel(Database database, Here here) : PageModel
{
    private const int MostDone = 60;

    private Dictionary<Guid, Wording> _wordings = [];

    public IReadOnlyList<AssignedSet> Waiting { get; private set; } = [];

    public IReadOnlyList<AssignedSet> Done { get; private set; } = [];

    public IReadOnlyList<(CaseloadRow Child, Pattern Pattern)> Wanted { get; private set; } = [];

    /// <summary>How a child's times are said: hers, or the school's once she has left the caseload.</summary>
    public Wording WordingOf(Guid child) => _wordings.GetValueOrDefault(child, here.Wording);

    public Task OnGet() => database.InSchool(
        User.Teacher().School,
        async connection =>
        {
            Waiting = [.. await Sets.Waiting(connection)];
            Done = [.. await Sets.Done(connection, MostDone)];
            var caseload = (await Store.Children.All(connection)).ToList();
            _wordings = caseload.ToDictionary(child => child.Id, child => child.Manner.Wording);
            var children = caseload.Where(child => child.OpenSet is null && child.LastSitting is not null).ToList();
            var labels = await Marginals.After(connection, children.Select(child => child.LastSitting!.Value));
            Wanted =
            [
                .. from child in children
                   let likely = CaseState.Labelled(labels[child.LastSitting!.Value], Label.Likely)
                   where likely.Count > 0
                   select (child, likely[0]),
            ];
        },
        HttpContext.RequestAborted);
}
