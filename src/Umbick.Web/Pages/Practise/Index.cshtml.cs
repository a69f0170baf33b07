using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Practise;

public sealed class IndexModel(Database database) : PageModel
{
    private const int MostShown = 60;

    public IReadOnlyList<AssignedSet> Waiting { get; private set; } = [];

    public IReadOnlyList<AssignedSet> Done { get; private set; } = [];

    public IReadOnlyList<(CaseloadRow Child, Pattern Pattern)> Wanted { get; private set; } = [];

    public Task OnGet() => database.InSchool(
        User.Teacher().School,
        async connection =>
        {
            var sets = (await Sets.Latest(connection, MostShown)).ToList();
            Waiting = [.. sets.Where(set => set.DoneAt is null)];
            Done = [.. sets.Where(set => set.DoneAt is not null)];
            var children = (await Store.Children.All(connection)).Where(child => child.OpenSet is null && child.LastSitting is not null).ToList();
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
