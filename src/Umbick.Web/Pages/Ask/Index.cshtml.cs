using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;
using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.Ask;

[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, ReadingModel model) : SchoolPage(database)
{
    public IReadOnlyList<CaseloadRow> Open { get; private set; } = [];

    /// <summary>Everybody else: who has waited longest stands first.</summary>
    public IReadOnlyList<CaseloadChild> Others { get; private set; } = [];

    public async Task OnGet()
    {
        var children = await InSchool(connection => Caseload.Load(connection, model));
        Open = [.. children.Select(child => child.Child).Where(child => child.OpenAsking is not null)];
        Others = [.. children.Where(child => child.Child.OpenAsking is null)
            .OrderBy(child => child.Child.LastSeen ?? DateOnly.MinValue)];
    }
}
