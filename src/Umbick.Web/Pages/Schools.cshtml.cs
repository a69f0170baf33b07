using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

/// <summary>At which school to go on, for whoever works at several.</summary>
[Authorize(Who.SignedIn)]
public sealed class SchoolsModel(Database database, SignInManager<Person> signIn) : PageModel
{
    public IReadOnlyList<(School School, PersonRole Role)> Schools { get; private set; } = [];

    public async Task OnGet() => Schools = [.. (await Own()).Select(one => (one.School, one.Person.Role)).OrderBy(one => one.School.Name, StringComparer.Ordinal)];

    public async Task<IActionResult> OnPost(Guid school)
    {
        if ((await Own()).FirstOrDefault(one => one.School.Id == school).Person is not { } person) return NotFound();
        if (school != User.Person().School)
        {
            // One device is at one school at a time: nothing of the other's stays on it.
            await HttpContext.Leave();
            await signIn.SignInAsync(person, isPersistent: false);
        }
        return Redirect(person.Role == PersonRole.Teacher ? "/day" : "/helping");
    }

    private async Task<List<(School School, Person Person)>> Own()
    {
        var found = await database.BeforeSchool(connection => Store.People.FindByName(connection, Store.People.Normalized(User.Identity!.Name!)), HttpContext.RequestAborted);
        var own = new List<(School School, Person Person)>();
        foreach (var (school, id) in found)
        {
            own.Add(await database.InSchool(
                school, async connection => (await Store.Schools.Current(connection), (await Store.People.Find(connection, id))!), HttpContext.RequestAborted));
        }
        return own;
    }
}
