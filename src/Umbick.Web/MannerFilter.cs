using Microsoft.AspNetCore.Mvc.Filters;
using Umbick.Core.Teaching;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web;

/// <summary>Reads the school's manner where a teacher's request begins; a page that is a child's puts hers in its place.</summary>
public sealed class MannerFilter(Database database, Here here) : IAsyncPageFilter
{
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (context.HttpContext.User.IsTeacher())
        {
            var school = context.HttpContext.User.Teacher().School;
            here.Manner = new Manner(await database.InSchool(school, Schools.Settings, context.HttpContext.RequestAborted));
        }
        await next();
    }
}
