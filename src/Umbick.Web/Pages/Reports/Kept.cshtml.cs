using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Reports;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Reports;

/// <summary>A report that was kept: as it is sent, and what was offered. Printed as it stands, or taken as PDF.</summary>
[Authorize(Who.Records)]
public sealed class KeptModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>The pattern of which a page for home is made; null where nothing is worked on.</summary>
    public Pattern? HomePattern { get; private set; }

    public KeptReport Report { get; private set; } = null!;

    public CaseloadRow Child { get; private set; } = null!;

    public ReportKind Kind { get; private set; } = null!;

    /// <summary>The family’s is printed by the browser, which shapes any script.</summary>
    public bool IsPdf => Kind != ReportKind.Family;

    public async Task<IActionResult> OnGet(ReportId id)
    {
        if (!await Load(id)) return NotFound();
        if (!IsPdf)
        {
            HomePattern = (await InSchool(connection => Caseload.LoadOne(connection, model, Child))).SummaryOn(preferences.Today).WorkedOn;
        }
        return Page();
    }

    public async Task<IActionResult> OnGetPdf(ReportId id, string? size)
    {
        if (!await Load(id) || !IsPdf) return NotFound();
        var pages = new ReportLayout(PaperSize.Find(size), preferences.Teaching).Pages(Kind.Title,
            $"{Child.Alias}, {Report.MadeOn:d MMMM yyyy}",
            [.. Report.Sent.Select(line => new PaperReportLine(line.Heading, line.Text,
                ClockTime.TryParse(line.Clock),
                [.. line.Colds.Select(cold => (cold.Day, cold.Right, cold.Asked, cold.IsRecheck))]))]);
        return File(PdfWriter.Write(pages, Kind.Title), "application/pdf",
            FileNames.Of(Child.Alias, Report.MadeOn, Kind.Id, "pdf"));
    }

    private async Task<bool> Load(ReportId id)
    {
        if (await InSchool(connection => ChildReports.Find(connection, id)) is not var (report, child)
            || ReportKind.Find(report.Kind) is not { } kind) return false;
        (Report, Child, Kind) = (report, child, kind);
        preferences.OfChild = child.Preferences;
        return true;
    }
}
