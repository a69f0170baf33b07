using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database) : SchoolPage(database)
{
    public IReadOnlyList<CaseloadRow> Open { get; private set; } = [];

    public IReadOnlyList<CaseloadRow> Others { get; private set; } = [];

    public async Task OnGet()
    {
        var children = await InSchool(Enrolment.OnCaseload);
        Open = [.. children.Where(child => child.OpenAsking is not null)];
        // Who has waited longest stands first.
        Others = [.. children.Where(child => child.OpenAsking is null).OrderBy(child => child.LastSeen ?? DateOnly.MinValue)];
    }
}
