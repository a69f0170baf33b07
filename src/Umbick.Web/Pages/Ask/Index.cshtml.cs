using Microsoft.AspNetCore.Authorization;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.Ask;

[Authorize(Who.Records)]
public sealed class IndexModel(Database database) : SchoolPage(database)
{
    public IReadOnlyList<CaseloadRow> Open { get; private set; } = [];

    public IReadOnlyList<CaseloadRow> Others { get; private set; } = [];

    public async Task OnGet()
    {
        var children = (await InSchool(Store.Children.All)).ToList();
        Open = [.. children.Where(child => child.OpenAsking is not null)];
        // Who has waited longest stands first.
        Others = [.. children.Where(child => child.OpenAsking is null).OrderBy(child => child.LastSeen ?? DateOnly.MinValue)];
    }
}
