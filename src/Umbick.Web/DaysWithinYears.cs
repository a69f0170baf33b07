using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Umbick.Core.Timetabling;

namespace Umbick.Web;

/// <summary>
/// A day in a form or an address that lies outside a school's years is none: where a page can do without, it says what is missing; else it
/// is refused.
/// </summary>
public sealed class DaysWithinYears : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context)
    {
    }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        foreach (var parameter in context.HandlerMethod?.Parameters ?? [])
        {
            if (!context.HandlerArguments.TryGetValue(parameter.Name, out var value) || value is not DateOnly day || SchoolYears.Hold(day))
                continue;
            if (parameter.ParameterType == typeof(DateOnly)) context.Result = new BadRequestResult();
            else context.HandlerArguments[parameter.Name] = null;
        }
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context)
    {
    }
}
