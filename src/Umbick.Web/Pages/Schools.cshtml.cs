using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Web.Security;

namespace Umbick.Web.Pages;

/// <summary>At which school to go on, for whoever works at several.</summary>
[Authorize(Who.SignedIn)]
public sealed class SchoolsModel(PersonSchools works, SignInManager<Person> signIn) : PageModel
{
    public IReadOnlyList<(School School, PersonRole Role)> Schools { get; private set; } = [];

    public async Task OnGet() => Schools =
        [.. (await Own()).Select(each => (each.School, each.Person.Role)).OrderBy(each => each.School.Name, StringComparer.Ordinal)];

    public async Task<IActionResult> OnPost(SchoolId school)
    {
        // Six figures open the school at which the device was handed over, and no other.
        if (User.CameByPin()) return Forbid();
        if ((await Own()).FirstOrDefault(each => each.School.Id == school).Person is not { } person) return NotFound();
        if (school != User.Person().School)
        {
            // One device is at one school at a time: nothing of the other's stays on it.
            await HttpContext.Leave();
            await signIn.SignInAsync(person, isPersistent: false);
        }
        return Redirect(person.Role == PersonRole.Teacher ? "/day" : "/helping");
    }

    private Task<IReadOnlyList<(School School, Person Person)>> Own() => works.Load(User.Identity!.Name!, HttpContext.RequestAborted);
}
