using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Sheets;

/// <summary>A list that was made before, on paper: a form, chosen tasks, or a practice set.</summary>
[Authorize(Who.Sittings)]
public sealed class SittingModel(IDatabase database, SheetsPrinted sheets, RequestPreferences preferences) : SchoolPage(database)
{
    public string Alias { get; private set; } = "";

    public SheetCode Code { get; private set; } = null!;

    public PaperShown Paper { get; private set; } = null!;

    /// <summary>Whether this list was waiting when another was to be given on paper.</summary>
    public bool Waited { get; private set; }

    public async Task<IActionResult> OnGet(SittingId id, bool waited)
    {
        Waited = waited;
        if (await Load(id) is not { } sheet) return NotFound();
        Paper = new PaperShown(new SheetLayout(PaperSize.A4).Pages(sheet), PaperSize.A4, ("The sheet", $"/sheets/{id}?handler=pdf"),
            ("With the answers", $"/sheets/{id}?handler=pdf&answers=true"));
        return Page();
    }

    public async Task<IActionResult> OnGetPdf(SittingId id, string? size, bool answers)
    {
        if (await Load(id) is not { } sheet) return NotFound();
        var layout = new SheetLayout(PaperSize.Find(size));
        var pages = layout.Pages(sheet);
        return File(PdfWriter.Write(answers ? [.. pages, layout.Answers(sheet)] : pages, PaperSheet.Title), "application/pdf",
            FileNames.Of(sheet.Alias ?? "", preferences.Today, "clocks", "pdf"));
    }

    private async Task<PaperSheet?> Load(SittingId id)
    {
        if (await InSchool(connection => sheets.One(connection, id)) is not var (list, code)) return null;
        preferences.OfChild = list.Child.Preferences;
        (Alias, Code) = (list.Child.Alias, code);
        return new PaperSheet([.. list.Asked.Where(asked => !asked.Item.IsOnlyAloud).Select(asked => (asked.Item, asked.Support))],
            preferences.Teaching)
        { Alias = list.Child.Alias, Code = code.ToString() };
    }
}
