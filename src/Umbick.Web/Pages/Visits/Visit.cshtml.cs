using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework;

namespace Umbick.Web.Pages.Visits;

/// <summary>A visit on one page, for whoever is signed in: the first device, by which others are let in.</summary>
[Authorize(Who.Sittings)]
public sealed class VisitModel(IDatabase database, Visiting visiting, SecondDevices devices, RequestPreferences preferences)
    : VisitPage(database, visiting, devices, preferences)
{
    private readonly SecondDevices _devices = devices;
    private readonly Visiting _visiting = visiting;

    [FromRoute]
    public VisitId Id { get; set; }

    /// <summary>The code that opens another device; null where none was just made.</summary>
    public string? Code { get; private set; }

    protected override string Home => $"/visits/{Id}";

    protected override bool LetsIn => true;

    public Task<IActionResult> OnGet() => Within(async connection => await Load(connection, Id) ? Page() : NotFound());

    /// <summary>Makes a code for another device; this one stays the adult's.</summary>
    public Task<IActionResult> OnPostCode() => Within(async connection =>
    {
        Code = await _devices.MakeCode(connection, Id);
        return Code is not null && await Load(connection, Id) ? Page() : NotFound();
    });

    public Task<IActionResult> OnPostLetIn(SessionId device) => Do((connection, id, by) => _devices.LetIn(connection, id, device, by));

    public Task<IActionResult> OnPostTakeOut(SessionId device) => Do((connection, id, _) => _devices.TakeOut(connection, id, device));

    public Task<IActionResult> OnPostStop() => Do((connection, id, _) => _visiting.Stop(connection, id));

    /// <summary>Goes on where it was stopped today.</summary>
    public Task<IActionResult> OnPostGoOn() => Within(async connection =>
    {
        var message = await _visiting.Reopen(connection, Id) switch
        {
            Reopened.GoesOn or Reopened.NotFound => null,
            Reopened.Busy => "One of the children is in the middle of something else by now. This visit stays as it is.",
            _ => "This visit was not stopped today, so it stays as it is.",
        };
        if (message is null) return Redirect(Home);
        return await Load(connection, Id, message) ? Page() : NotFound();
    });

    protected override Task<(VisitId Id, PersonId By)?> Found(SchoolConnection connection) =>
        Task.FromResult<(VisitId, PersonId)?>((Id, User.Person().Id));
}
