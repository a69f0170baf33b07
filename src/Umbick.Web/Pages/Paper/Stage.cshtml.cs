using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Paper;

/// <summary>A page for a stage, without a name: mixed tasks, or a check form.</summary>
[Authorize(Who.Sittings)]
public sealed class StageModel(ReadingModel model, RequestPreferences preferences) : PageModel
{
    public string Heading { get; private set; } = "";

    public PaperShown Paper { get; private set; } = null!;

    public IActionResult OnGet(Stage? stage, string? form, int seed)
    {
        if (Made(stage, form, seed) is not { } sheet) return NotFound();
        Heading = $"{(sheet.Form is null ? "A mixed page" : $"Check form {sheet.Form}")}: {stage!.Value.Name(preferences.Wording)}";
        var path = $"/paper/stage?handler=pdf&stage={(int)stage}&form={sheet.Form}&seed={seed}";
        Paper = new PaperShown(new SheetLayout(PaperSize.A4).Pages(sheet), PaperSize.A4, ("The page", path),
            ("With the answers", $"{path}&answers=true"));
        return Page();
    }

    public IActionResult OnGetPdf(Stage? stage, string? form, int seed, string? size, bool answers)
    {
        if (Made(stage, form, seed) is not { } sheet) return NotFound();
        var layout = new SheetLayout(PaperSize.Find(size));
        var pages = layout.Pages(sheet);
        return File(PdfWriter.Write(answers ? [.. pages, layout.Answers(sheet)] : pages, PaperSheet.Title), "application/pdf",
            "clocks.pdf");
    }

    private PaperSheet? Made(Stage? asked, string? form, int seed)
    {
        if (asked is not { } stage || !Stages.OfReading.Contains(stage) || !ModelState.IsValid) return null;
        var uses = ClockTasks.Plain.Where(task => task.From <= stage && preferences.Teaching.Uses(task, stage)).ToList();
        IReadOnlyList<Item> items = form switch
        {
            null or "" => MixedPage.Make(model, stage, seed, task => preferences.Teaching.Uses(task, stage)),
            "A" or "B" or "C" => new FixedForms(model).Make(stage, CheckCycle.FormLength, FixedForms.SeedOf(stage), uses)
                .First(made => made.Name == form).Items,
            _ => [],
        };
        return items.Count == 0 ? null
            : new PaperSheet([.. items.Select(item => (item, Support.Bare))], preferences.Teaching)
            { Form = string.IsNullOrEmpty(form) ? null : form };
    }
}
