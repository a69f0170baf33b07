using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Classes;

/// <summary>A class's form on paper: a sheet for each child with a code of its own, or one to copy.</summary>
[Authorize(Who.Sittings)]
public sealed class SheetModel(IDatabase database, SheetsPrinted sheets, RequestPreferences preferences) : SchoolPage(database)
{
    public string Title { get; private set; } = "";

    public PaperShown Paper { get; private set; } = null!;

    public async Task<IActionResult> OnGet(ScreeningId id)
    {
        if (await Load(id) is not { } all) return NotFound();
        var layout = new SheetLayout(PaperSize.A4);
        Paper = new PaperShown([.. all.Take(1).SelectMany(layout.Pages)], PaperSize.A4,
            ($"A sheet for each of {all.Count}", $"/classes/{id}/sheet?handler=pdf"),
            ("One to copy", $"/classes/{id}/sheet?handler=pdf&copy=true"));
        return Page();
    }

    public async Task<IActionResult> OnGetPdf(ScreeningId id, string? size, bool copy)
    {
        if (await Load(id) is not { } all) return NotFound();
        var layout = new SheetLayout(PaperSize.Find(size));
        var printed = copy ? all.Take(1).Select(sheet => sheet with { Alias = null, Code = null }) : all;
        return File(PdfWriter.Write(printed.SelectMany(layout.Pages), PaperSheet.Title), "application/pdf",
            FileNames.On(preferences.Today, "clocks", "pdf"));
    }

    private async Task<IReadOnlyList<PaperSheet>?> Load(ScreeningId id)
    {
        if (await InSchool(connection => sheets.OfClass(connection, id)) is not var (found, codes)) return null;
        Title = found.Screening.Title;
        return [.. found.Children.Select(child =>
            new PaperSheet([.. found.Items.Select(item => (item, Support.Bare))], preferences.Teaching)
            { Alias = child.Child.Alias, Code = codes[child.Sitting.Sitting.Id].ToString() })];
    }
}
