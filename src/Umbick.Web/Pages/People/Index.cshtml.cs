using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.People;

/// <summary>Who works at the school, and the links that let somebody in.</summary>
[Authorize(Who.InCharge)]
public sealed class IndexModel(Database database, TimeProvider clock) : PageModel
{
    public IReadOnlyList<Person> People { get; private set; } = [];

    public IReadOnlyDictionary<Guid, DateTime> LastSeen { get; private set; } = new Dictionary<Guid, DateTime>();

    public IReadOnlyList<Invitation> Waiting { get; private set; } = [];

    /// <summary>Until when somebody's second step is stopped, after too many wrong codes.</summary>
    public Dictionary<Guid, DateTime> Stopped { get; } = [];

    /// <summary>The link that was just made, whole; null where none was.</summary>
    public string? Link { get; private set; }

    /// <summary>For whom it is.</summary>
    public Invitation? LinkFor { get; private set; }

    public string? Message { get; private set; }

    public Task OnGet() => database.InSchool(User.Person().School, Show, HttpContext.RequestAborted);

    public Task<IActionResult> OnPostInvite(string? name, PersonRole role, bool inCharge) => Within(async connection =>
    {
        var given = (name ?? "").Trim();
        if (given.Length is 0 or > Person.LongestName || given.Any(char.IsControl) || !Enum.IsDefined(role)) return await Refuse(connection, "Give a name of 1 to 80 letters: the one that colleagues use.");
        var right = inCharge && role == PersonRole.Teacher;
        var secret = await Invitations.Make(connection, null, given, role, right, User.Person().Id, Now);
        await Audit.Note(connection, User.Person().Id, AuditKinds.Invited, Now, detail: $"{given}, {role.ToString().ToLowerInvariant()}{(right ? ", in charge" : "")}");
        return await ShowLink(connection, secret);
    });

    public Task<IActionResult> OnPostReset(Guid person) => Within(async connection =>
    {
        if (await Store.People.Find(connection, person) is not { } known) return NotFound();
        if (person == User.Person().Id) return Redirect("/you");
        // Whoever could let in somebody who works elsewhere too could go in there as them.
        if ((await database.BeforeSchool(before => Store.People.FindByName(before, known.NormalizedUserName), HttpContext.RequestAborted)).Count > 1)
            return await Refuse(connection, $"{known.DisplayName} works at another school too, so this school alone cannot let them in. Whoever runs the server can: ./umbick let-in NAME.");
        var secret = await Invitations.Make(connection, person, known.DisplayName, known.Role, known.InCharge, User.Person().Id, Now);
        await Audit.Note(connection, User.Person().Id, AuditKinds.ResetLink, Now, whom: person);
        return await ShowLink(connection, secret);
    });

    /// <summary>Turns a colleague's second step off, who has lost the device. They are told when they next come in.</summary>
    public Task<IActionResult> OnPostSecondStepOff(Guid person) => Within(async connection =>
    {
        if (await Store.People.Find(connection, person) is not { } known) return NotFound();
        if (person == User.Person().Id) return Redirect("/you");
        if (!known.TwoFactor) return Redirect("/people");
        if (!await Store.People.TurnSecondStepOff(connection, person, User.DisplayName(), Now))
            return await Refuse(connection, $"{known.DisplayName} works at another school too, so this school alone cannot turn it off. Whoever runs the server can: ./umbick let-in NAME --second-step.");
        await DoorTries.ForgetAll(connection, known.UserName);
        await Sessions.EndOf(connection, person, Now);
        await Audit.Note(connection, User.Person().Id, AuditKinds.SecondFactorOff, Now, whom: person);
        return Redirect("/people");
    });

    public Task<IActionResult> OnPostTakeBack(Guid invitation) => Within(async connection =>
    {
        await Invitations.TakeBack(connection, invitation, Now);
        return Redirect("/people");
    });

    public Task<IActionResult> OnPostChange(Guid person, PersonRole role, bool inCharge) => Change(person, role, inCharge, leaves: false);

    public Task<IActionResult> OnPostLeaves(Guid person) => Change(person, PersonRole.Teacher, inCharge: false, leaves: true);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private Task<IActionResult> Change(Guid person, PersonRole role, bool inCharge, bool leaves) => Within(async connection =>
    {
        if (await Store.People.Find(connection, person) is not { } known || !Enum.IsDefined(role)) return NotFound();
        if (leaves) (role, inCharge) = (known.Role, known.InCharge);
        else inCharge = inCharge && role == PersonRole.Teacher;
        if (!leaves && (role, inCharge) == (known.Role, known.InCharge)) return Redirect("/people");
        if (!await Store.People.Change(connection, person, role, inCharge, leaves, Now)) return await Refuse(connection, "Somebody has to be in charge: first put another teacher in charge.");
        await Audit.Note(connection, User.Person().Id, leaves ? AuditKinds.Left : AuditKinds.RoleChanged, Now, whom: person, detail: leaves ? "" : Told(role, inCharge));
        return Redirect("/people");
    });

    /// <summary>What somebody is, in words.</summary>
    public static string Told(PersonRole role, bool inCharge) => role == PersonRole.Assistant ? "assistant" : inCharge ? "teacher, in charge" : "teacher";

    private async Task<IActionResult> Refuse(SchoolConnection connection, string why)
    {
        Message = why;
        Response.StatusCode = StatusCodes.Status400BadRequest;
        await Show(connection);
        return Page();
    }

    private async Task<IActionResult> ShowLink(SchoolConnection connection, string secret)
    {
        await Show(connection);
        Link = $"{Request.Scheme}://{Request.Host}/welcome/{secret}";
        LinkFor = Waiting[0];
        return Page();
    }

    private async Task Show(SchoolConnection connection)
    {
        People = await Store.People.All(connection);
        LastSeen = await Store.People.LastSeen(connection);
        Waiting = await Invitations.Waiting(connection, Now);
        foreach (var (person, _, until) in await DoorTries.StoppedSteps(connection)) Stopped[person] = until;
    }

    private Task<IActionResult> Within(Func<SchoolConnection, Task<IActionResult>> act) => database.InSchool(User.Person().School, act, HttpContext.RequestAborted);
}
