using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Umbick.Casework.Accounts;

namespace Umbick.Web.Pages.People;

/// <summary>Who works at the school, and the links that let somebody in.</summary>
[Authorize(Who.InCharge)]
public sealed class IndexModel(IDatabase database, PersonSchools works, TimeProvider clock) : SchoolPage(database)
{
    public Staff Staff { get; private set; } = null!;

    /// <summary>The link that was just made, whole; null where none was.</summary>
    public string? Link { get; private set; }

    /// <summary>For whom it is.</summary>
    public Invitation? LinkFor { get; private set; }

    public string? Message { get; private set; }

    public Task OnGet() => InSchool(Show);

    public Task<IActionResult> OnPostInvite(string? name, PersonRole role, bool inCharge) => Within(async connection =>
        await ShowLink(connection, await Staff.Invite(connection, name, role, inCharge, User.Person().Id, Now)));

    public Task<IActionResult> OnPostReset(PersonId person) => OfColleague(person, async (connection, known) =>
        await ShowLink(connection,
            await Staff.LinkToGetIn(connection, known, (await works.Find(known.UserName, HttpContext.RequestAborted)).Count,
                User.Person().Id, Now)));

    /// <summary>Turns a colleague's second step off, who has lost the device. They are told when they next come in.</summary>
    public Task<IActionResult> OnPostSecondStepOff(PersonId person) => OfColleague(person, async (connection, known) =>
        await Done(connection, await Staff.TurnSecondStepOff(connection, known, User.Person().Id, User.DisplayName(), Now)));

    public Task<IActionResult> OnPostTakeBack(InvitationId invitation) => Within(async connection =>
    {
        await Staff.TakeBack(connection, invitation, Now);
        return Redirect("/people");
    });

    /// <summary>Lets people come back by six figures to a device that a child had, or not.</summary>
    public Task<IActionResult> OnPostPin(bool allowed) => Within(async connection =>
    {
        await Staff.AllowPin(connection, allowed, User.Person().Id, Now);
        return Redirect("/people");
    });

    public Task<IActionResult> OnPostChange(PersonId person, PersonRole role, bool inCharge) => Within(async connection =>
        await Staff.Find(connection, person) is { } known && Enum.IsDefined(role)
            ? await Done(connection, await Staff.Change(connection, known, role, inCharge, User.Person().Id, Now)) : NotFound());

    public Task<IActionResult> OnPostLeaves(PersonId person) => Within(async connection =>
        await Staff.Find(connection, person) is { } known
            ? await Done(connection, await Staff.Leave(connection, known, User.Person().Id, Now)) : NotFound());

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>What is done to somebody else's account; one's own has a page.</summary>
    private Task<IActionResult> OfColleague(PersonId person, Func<SchoolConnection, Person, Task<IActionResult>> act) =>
        Within(async connection =>
    {
        if (await Staff.Find(connection, person) is not { } known) return NotFound();
        return person == User.Person().Id ? Redirect("/you") : await act(connection, known);
    });

    private async Task<IActionResult> Done(SchoolConnection connection, string? why)
    {
        if (why is null) return Redirect("/people");
        Message = why;
        Response.StatusCode = StatusCodes.Status400BadRequest;
        await Show(connection);
        return Page();
    }

    private async Task<IActionResult> ShowLink(SchoolConnection connection, (string? Secret, string? Why) made)
    {
        if (made.Secret is not { } secret) return await Done(connection, made.Why);
        await Show(connection);
        Link = $"{Request.Scheme}://{Request.Host}/welcome/{secret}";
        LinkFor = Staff.Waiting[0];
        return Page();
    }

    private async Task Show(SchoolConnection connection) => Staff = await Staff.Load(connection, Now);
}
