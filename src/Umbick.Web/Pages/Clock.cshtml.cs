using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Pages;

/// <summary>A geared clock, to show things with.</summary>
public sealed class ClockModel : PageModel
{
    public void OnGet()
    {
    }
}
