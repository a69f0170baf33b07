using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;

namespace Umbick.Web.Pages.Helping;

/// <summary>What a teacher has prepared and somebody else can run: it says who and what to do, and nothing of what was found.</summary>
[Authorize(Who.Sittings)]
public sealed class IndexModel(IDatabase database) : SchoolPage(database)
{
    public HelperWork Work { get; private set; } = null!;

    public async Task OnGet() => Work = await InSchool(HelperWork.Load);
}
