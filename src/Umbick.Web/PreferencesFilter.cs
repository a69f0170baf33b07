using Microsoft.AspNetCore.Mvc.Filters;
using Umbick.Core.Teaching;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web;

/// <summary>Reads the school's preferences where a teacher's request begins; a page that is a child's puts theirs in their place.</summary>
public sealed class PreferencesFilter(Database database, RequestPreferences preferences, TimeProvider clock) : IAsyncPageFilter
{
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (context.HttpContext.User.IsTeacher() && context.HandlerInstance is not Pages.ErrorModel)
        {
            var id = context.HttpContext.User.Teacher().School;
            var school = await database.InSchool(id, connection => Schools.SettingsAndDay(connection, clock.GetUtcNow().UtcDateTime), context.HttpContext.RequestAborted);
            (preferences.OfSchool, preferences.TimeZone, preferences.Today, preferences.Now) = (new TeachingPreferences(school.Settings), school.TimeZone, school.Today, school.Now);
        }
        await next();
    }
}
