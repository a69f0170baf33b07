using System.Text;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Core.Reports;
using Umbick.Core.Timetabling;

namespace Umbick.Web.Pages.Reports;

/// <summary>What the service did in a term: no child can be picked out.</summary>
[Authorize(Who.Records)]
public sealed class ServiceModel(IDatabase database, ReadingModel model, RequestPreferences preferences) : SchoolPage(database)
{
    private const int TermsToChoose = 6;

    public ServiceTerm Service { get; private set; } = null!;

    public SchoolTerm Term { get; private set; } = null!;

    /// <summary>The terms that can be looked at, the latest first.</summary>
    public IReadOnlyList<SchoolTerm> Terms => SchoolTerm.Until(preferences.Today, TermsToChoose);

    public Task<IActionResult> OnGet(string? term) => Loaded(term, Page);

    public Task<IActionResult> OnGetCsv(string? term) => Loaded(term, () =>
        File(Encoding.UTF8.GetBytes(ServiceReport.Write(Service)), "text/csv; charset=utf-8",
            $"{Term.Name.Replace(' ', '-').ToLowerInvariant()}.csv"));

    private async Task<IActionResult> Loaded(string? term, Func<IActionResult> answer)
    {
        if ((term is null ? Terms[0] : Terms.FirstOrDefault(each => each.Name == term)) is not { } known) return NotFound();
        Term = known;
        Service = await InSchool(connection => ServiceReport.Load(connection, model, known));
        return answer();
    }
}
