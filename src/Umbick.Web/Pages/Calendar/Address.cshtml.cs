using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Casework;

namespace Umbick.Web.Pages.Calendar;

/// <summary>A private calendar address: whoever has it reads when one teacher’s visits are, and nothing else.</summary>
[AllowAnonymous]
public sealed class AddressModel(CalendarDoor door, IDatabase database, TimeProvider clock) : PageModel
{
    public async Task<IActionResult> OnGet(string secret)
    {
        if (await door.Find(secret, HttpContext.RequestAborted) is not var (school, person)) return NotFound();
        return IndexModel.AsFile(await database.InSchool(school,
            connection => TermCalendar.Write(connection, person, clock.GetUtcNow().UtcDateTime), HttpContext.RequestAborted));
    }
}
