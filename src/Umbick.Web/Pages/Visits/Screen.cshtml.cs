using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Web.Faces;

namespace Umbick.Web.Pages.Visits;

/// <summary>
/// A second screen for the children of one visit: its clock, and what is asked. It was opened by a code, writes nothing, and tells nothing
/// that the children have not answered.
/// </summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class ScreenModel(IDatabase database, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>Where the visit is; null where it is over, or the device is at something else.</summary>
    public VisitState? At { get; private set; }

    protected override SchoolId SchoolId => User.Child().School;

    /// <summary>What the screen shows: a page that knows it is told nothing new.</summary>
    public string Key => At is { Visit: var visit } ? $"{visit.Part}-{visit.Place}-{Reveals}" : "over";

    /// <summary>Whether all have answered what is practised, so that the true clock may be seen.</summary>
    public bool Reveals => At is { Visit.Part: VisitPart.Practise or VisitPart.Close, IsAnswered: true };

    /// <summary>The clock, where one is shown; null where something else is.</summary>
    public Face? True => At?.Asked is { Item: var item } && Reveals
        ? new Face(FaceSize.Large)
        { Hands = HandPositions.Showing(item.Time), Label = $"A clock at {preferences.Wording.Digital(item.Time)}" }
        : null;

    public Task<IActionResult> OnGet() => Within(async connection =>
    {
        await Load(connection);
        return At is null && await Asking.Find(connection, User.Child().Sitting) is { Visit: null } ? Redirect("/turn") : Page();
    });

    public Task<IActionResult> OnGetState(string? key) => Within(async connection =>
    {
        await Load(connection);
        return key == Key ? StatusCode(StatusCodes.Status204NoContent) : Partial("_Screen", this);
    });

    private async Task Load(SchoolConnection connection)
    {
        At = await Visiting.OnScreen(connection, User.Child().Sitting);
        if (At is not null) preferences.OfChild = At.Preferences;
    }
}
