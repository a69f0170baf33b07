using System.Reflection;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Umbick.Web.Security;

/// <summary>Keeps who opened a child's record.</summary>
public sealed class NoteOpenedRecords(IDatabase database, TimeProvider clock) : IAsyncPageFilter
{
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        var done = await next();
        // A page that swaps a part of itself is open already.
        if (!HttpMethods.IsGet(context.HttpContext.Request.Method) || done.Exception is not null || done.Result is not (null or PageResult))
            return;
        if (context.ActionDescriptor.ModelTypeInfo?.GetCustomAttribute<OpensRecordAttribute>() is null
            || !ChildId.TryParse($"{context.RouteData.Values["id"]}", null, out var child)) return;
        var (school, person) = context.HttpContext.User.Person();
        await database.InSchool(school,
            connection => Casework.Accounts.Deeds.NoteOpened(connection, person, child, clock.GetUtcNow().UtcDateTime),
            context.HttpContext.RequestAborted);
    }
}
