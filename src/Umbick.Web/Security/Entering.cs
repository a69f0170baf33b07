using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Store;

namespace Umbick.Web.Security;

/// <summary>Where somebody goes once they are in.</summary>
public static class Entering
{
    /// <summary>Whoever has to be told of their second step is told first; whoever works at several schools chooses one.</summary>
    public static async Task<string> AfterSignIn(this PageModel page, Database database, Person person)
    {
        if (person.SecondStepOffAt is not null) return "/you";
        var schools = await database.BeforeSchool(connection => People.FindByName(connection, person.NormalizedUserName), page.HttpContext.RequestAborted);
        return schools.Count > 1 ? "/schools" : person.Role == PersonRole.Teacher ? "/day" : "/helping";
    }
}
