using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Paper;

/// <summary>A thing to print and make.</summary>
[Authorize(Who.Sittings)]
public sealed class MakeModel(RequestPreferences preferences) : PageModel
{
    public ThingToMake Thing { get; private set; } = null!;

    public PaperShown Paper { get; private set; } = null!;

    public IActionResult OnGet(string thing)
    {
        if (ThingsToMake.Find(thing) is not { } found) return NotFound();
        Thing = found;
        Paper = new PaperShown(found.Pages(PaperSize.A4, preferences.Teaching), PaperSize.A4,
            ("To print", $"/paper/make/{thing}?handler=pdf"));
        return Page();
    }

    public IActionResult OnGetPdf(string thing, string? size) => ThingsToMake.Find(thing) is { } found
        ? File(PdfWriter.Write(found.Pages(PaperSize.Find(size), preferences.Teaching), found.Name), "application/pdf", $"{found.Id}.pdf")
        : NotFound();
}
