using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;

namespace Umbick.Web.Security;

/// <summary>Where somebody goes once they are in.</summary>
public static class Entering
{
    /// <summary>Whoever works at several schools chooses one first.</summary>
    public static async Task<string> AfterSignIn(this PageModel page, Database database, Person person)
    {
        var schools = await database.BeforeSchool(connection => People.FindByName(connection, person.NormalizedUserName), page.HttpContext.RequestAborted);
        return schools.Count > 1 ? "/schools" : person.Role == PersonRole.Teacher ? "/day" : "/helping";
    }
}
