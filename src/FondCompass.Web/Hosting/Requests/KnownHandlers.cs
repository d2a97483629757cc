using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>A page is not shown for a handler it does not have: nothing would be loaded for it.</summary>
internal sealed class KnownHandlers : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context)
    {
    }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (context.HandlerMethod is null && context.ActionDescriptor.HandlerMethods.Count > 0)
        {
            context.Result = new NotFoundResult();
        }
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context)
    {
    }
}
