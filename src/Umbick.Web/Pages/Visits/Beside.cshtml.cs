using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.Visits;

/// <summary>A visit on a second adult's device, which was let in on the first: for that visit alone, and until it is over.</summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class BesideModel(IDatabase database, Visiting visiting, SecondDevices devices, RequestPreferences preferences)
    : VisitPage(database, visiting, devices, preferences)
{
    /// <summary>Whether the visit is over.</summary>
    public bool IsOver { get; private set; }

    protected override SchoolId SchoolId => User.Child().School;

    protected override string Home => "/beside";

    protected override bool LetsIn => false;

    public Task<IActionResult> OnGet() => Within(async connection =>
    {
        if (await LetInTo(connection) is not { } letIn) return Redirect("/screen");
        IsOver = letIn.IsOver;
        return IsOver || await Load(connection, letIn.Visit) ? Page() : NotFound();
    });

    protected override async Task<(VisitId Id, PersonId By)?> Found(SchoolConnection connection) =>
        await LetInTo(connection) is { IsOver: false } letIn ? (letIn.Visit, letIn.By) : null;

    protected override async Task<(VisitId Id, PersonId By)?> FoundForAnswer(SchoolConnection connection) =>
        await LetInTo(connection) is { } letIn ? (letIn.Visit, letIn.By) : null;

    private Task<LetInTo?> LetInTo(SchoolConnection connection) =>
        SecondDevices.LetInTo(connection, User.Session(), User.Child().Sitting);
}
