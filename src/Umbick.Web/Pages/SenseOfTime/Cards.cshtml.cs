using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;
using Umbick.Core.Items;

namespace Umbick.Web.Pages.SenseOfTime;

/// <summary>Two-minute cards for a sense of time, to print; and what is said at the classroom door.</summary>
[Authorize(Who.Sittings)]
public sealed class CardsModel(IDatabase database) : SchoolPage(database)
{
    public IReadOnlyList<SchoolMoment> Day { get; private set; } = [];

    public async Task OnGet() => Day = await InSchool(SchoolTimes.Load);
}
