using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Pages;

/// <summary>
/// A page of the school at which somebody is signed in. A request is one piece of work there: what it keeps and what it then shows agree.
/// </summary>
public abstract class SchoolPage(IDatabase database) : PageModel
{
    /// <summary>Does some work in the school, as a whole or not at all; it ends with the request.</summary>
    protected Task<T> InSchool<T>(Func<SchoolConnection, Task<T>> work) => database.InSchool(SchoolId, work, HttpContext.RequestAborted);

    /// <summary>Does some work in the school, as a whole or not at all; it ends with the request.</summary>
    protected Task InSchool(Func<SchoolConnection, Task> work) => database.InSchool(SchoolId, work, HttpContext.RequestAborted);

    /// <summary>Does some work in the school that answers the request.</summary>
    protected Task<IActionResult> Within(Func<SchoolConnection, Task<IActionResult>> work) => InSchool(work);

    /// <summary>The school.</summary>
    protected virtual SchoolId SchoolId => User.Person().School;
}
