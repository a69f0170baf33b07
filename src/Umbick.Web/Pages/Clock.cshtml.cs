using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Clocks;

namespace Umbick.Web.Pages;

/// <summary>A clock to show things with. Its hands go together, unless the school says otherwise.</summary>
public sealed class ClockModel : PageModel
{
    public void OnGet()
    {
    }

    /// <summary>The time that hands show which are turned like this.</summary>
    public IActionResult OnGetTime(double hour, double minute) =>
        ModelState.IsValid && double.IsFinite(hour) && double.IsFinite(minute) ? Partial("_ClockTime", HandPositions.Wrapped(hour, minute).Read()) : BadRequest();
}
