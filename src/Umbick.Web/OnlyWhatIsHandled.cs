using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Umbick.Web.Pages;

namespace Umbick.Web;

/// <summary>Refuses what no page handles: an unknown handler, a verb that the page does not take, a malformed form.</summary>
public sealed class OnlyWhatIsHandled : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context)
    {
    }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        // The page that tells an error is shown whatever was asked.
        if (context.HandlerInstance is ErrorModel) return;
        var request = context.HttpContext.Request;
        var isRead = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method);
        var asked = context.RouteData.Values["handler"] as string ?? request.Query["handler"].ToString();
        context.Result = context.HandlerMethod switch
        {
            var handler when asked.Length > 0 && !string.Equals(handler?.Name, asked, StringComparison.OrdinalIgnoreCase) =>
                new NotFoundResult(),
            _ when !isRead && !HttpMethods.IsPost(request.Method) => new StatusCodeResult(StatusCodes.Status405MethodNotAllowed),
            null when !isRead => new StatusCodeResult(StatusCodes.Status405MethodNotAllowed),
            not null when HttpMethods.IsPost(request.Method) && !request.HasFormContentType =>
                new StatusCodeResult(StatusCodes.Status415UnsupportedMediaType),
            _ => null,
        };
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context)
    {
    }
}
