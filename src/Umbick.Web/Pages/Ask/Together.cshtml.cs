using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.Ask;

/// <summary>Begins with several children who share a clock.</summary>
[Authorize(Who.Records)]
public sealed class TogetherModel(IDatabase database, Asking asking) : SchoolPage(database)
{
    private const int Fewest = 2;
    private const int Most = Visiting.Most;

    public IReadOnlyList<CaseloadRow> Children { get; private set; } = [];

    public IReadOnlyList<ChildId> Chosen { get; private set; } = [];

    public string? Message { get; private set; }

    public async Task OnGet() => await Load();

    /// <summary>The id of the visit that this page would begin: sending it twice begins one.</summary>
    public VisitId Visit { get; private set; } = VisitId.New();

    public async Task<IActionResult> OnPost(ChildId[] child, VisitId? visit)
    {
        (Chosen, Visit) = ([.. child.Distinct()], visit is { IsGiven: true } made ? made : Visit);
        if (await InSchool(connection => Asking.FirstTogether(connection, Visit)) is { } begun) return Redirect($"/ask/{begun}");
        await Load();
        if (Chosen.Count is < Fewest or > Most)
        {
            Message = Chosen.Count < Fewest ? "Choose two children at least." : "Four children at most can share a clock. Untick some.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return Page();
        }
        if (Children.FirstOrDefault(each => Chosen.Contains(each.Id) && each.OpenAsking is not null) is { } busy)
        {
            Message = $"{busy.Alias}’s last sitting is unfinished. Finish or stop it first, or leave {busy.Alias} out.";
            Response.StatusCode = StatusCodes.Status400BadRequest;
            return Page();
        }
        var first = await InSchool(connection => asking.StartTogether(connection, Chosen, Visit));
        return first is null ? NotFound() : Redirect($"/ask/{first}");
    }

    private async Task Load() => Children = await InSchool(Enrolment.OnCaseload);
}
