using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Visits;

/// <summary>
/// A second screen for the children of one visit: its clock, and what is asked. It was opened by a code, writes nothing, and tells nothing
/// that the children have not answered. An adult may ask on it to join the visit.
/// </summary>
[Authorize(Policy = Who.ChildPolicy)]
public sealed class ScreenModel(IDatabase database, SecondDevices devices, RequestPreferences preferences) : SchoolPage(database)
{
    /// <summary>Where the visit is; null where it is over, or the device is at something else.</summary>
    public VisitState? At { get; private set; }

    protected override SchoolId SchoolId => User.Child().School;

    /// <summary>What the screen shows: a page that knows it is told nothing new.</summary>
    public string Key => At is { Visit: var visit } ? $"{visit.Part}-{visit.Place}-{Reveals}{(Waits is null ? "" : "-waits")}" : "over";

    /// <summary>The device's number where it asks to be let in; null where it does not.</summary>
    public int? Waits { get; private set; }

    /// <summary>Whether all have answered what is practised, so that the true clock may be seen.</summary>
    public bool Reveals => At is { Visit.Part: VisitPart.Practise or VisitPart.Close, IsAnswered: true };

    /// <summary>The clock, where one is shown; null where something else is.</summary>
    public Face? True => At?.Asked is { Item: var item } && Reveals
        ? new Face(FaceSize.Large)
        { Hands = HandPositions.Showing(item.Time), Label = $"A clock at {preferences.Wording.Digital(item.Time)}" }
        : null;

    public Task<IActionResult> OnGet() => Within(async connection =>
    {
        if (await IsLetIn(connection)) return Redirect("/beside");
        await Load(connection);
        return At is null && await Asking.Find(connection, User.Child().Sitting) is { Visit: null } ? Redirect("/turn") : Page();
    });

    public Task<IActionResult> OnGetState(string? key) => Within(async connection =>
    {
        if (await IsLetIn(connection))
        {
            Response.Headers["HX-Redirect"] = "/beside";
            return StatusCode(StatusCodes.Status204NoContent);
        }
        await Load(connection);
        return key == Key ? StatusCode(StatusCodes.Status204NoContent) : Partial("_Screen", this);
    });

    /// <summary>Has this device ask to join the visit; nothing is written on it before it was let in.</summary>
    public Task<IActionResult> OnPostAsk() => Within(async connection =>
        await devices.Ask(connection, User.Session(), User.Child().Sitting) ? Redirect("/screen") : NotFound());

    private async Task<bool> IsLetIn(SchoolConnection connection) =>
        await SecondDevices.LetInTo(connection, User.Session(), User.Child().Sitting) is not null;

    private async Task Load(SchoolConnection connection)
    {
        At = await SecondDevices.Shown(connection, User.Child().Sitting);
        if (At is null) return;
        preferences.OfChild = At.Preferences;
        if (await SecondDevices.Waiting(connection, User.Session()) is { } waiting) Waits = waiting.Number;
    }
}
