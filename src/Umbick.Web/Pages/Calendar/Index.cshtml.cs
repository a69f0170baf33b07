using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.Calendar;

/// <summary>A teacher's slots in the calendar of another program: as a file, or by a private address.</summary>
[Authorize(Who.Records)]
public sealed class IndexModel(IDatabase database, TimeProvider clock) : SchoolPage(database)
{
    /// <summary>When the address was made; null where there is none.</summary>
    public DateTime? MadeAt { get; private set; }

    /// <summary>What stands in the address that was just made; it is shown once. Null else.</summary>
    public string? Secret { get; private set; }

    public Task OnGet() => InSchool(Load);

    /// <summary>The calendar as a file.</summary>
    public Task<IActionResult> OnGetFile() => Within(async connection => AsFile(
        await TermCalendar.Write(connection, User.Person().Id, Now)));

    public Task<IActionResult> OnPostMake() => Within(async connection =>
    {
        Secret = await OwnCalendar.Make(connection, User.Person().Id, Now);
        await Load(connection);
        return Page();
    });

    public Task<IActionResult> OnPostWithdraw() => Within(async connection =>
    {
        await OwnCalendar.Withdraw(connection, User.Person().Id, Now);
        return Redirect("/calendar");
    });

    internal static FileContentResult AsFile(string calendar) =>
        new(Encoding.UTF8.GetBytes(calendar), "text/calendar; charset=utf-8") { FileDownloadName = "visits.ics" };

    private async Task Load(SchoolConnection connection) => MadeAt = await OwnCalendar.MadeAt(connection, User.Person().Id);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;
}
