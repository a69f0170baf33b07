using Microsoft.AspNetCore.Authorization;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Casework;

namespace Umbick.Web.Pages.Practise;

[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    public SetsGivenOut Sets { get; private set; } = null!;

    /// <summary>How a child's times are said: theirs, or the school's once they have left the caseload.</summary>
    public Wording WordingOf(ChildId child) => Sets.Wordings.GetValueOrDefault(child, preferences.Wording);

    public async Task OnGet() => Sets = await InSchool(connection => SetsGivenOut.Load(connection, model, preferences.Today));
}
