using FondCompass.Data;
using FondCompass.Web.Hosting.Databases;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>Whatever goes wrong, people get a page in plain words and programs get problem details; nobody a stack trace.</summary>
internal static class ClearErrors
{
    public static void UseClearErrors(this WebApplication app)
    {
        app.UseExceptionHandler(new ExceptionHandlerOptions
        {
            ExceptionHandlingPath = "/status",
            StatusCodeSelector = problem => problem switch
            {
                _ when DatabaseAway.Is(problem) || TooSlow.Is(problem) => StatusCodes.Status503ServiceUnavailable,
                _ when BrokenBody.Is(problem) => StatusCodes.Status400BadRequest,
                BadHttpRequestException bad => bad.StatusCode,
                QuotaException => StatusCodes.Status422UnprocessableEntity,
                _ when Conflicts.Is(problem) => StatusCodes.Status409Conflict,
                _ => StatusCodes.Status500InternalServerError,
            },
        });
        app.UseWhen(
            context => !context.Request.Path.StartsWithSegments("/api") && !context.Request.Path.StartsWithSegments("/healthz"),
            pages => pages.UseStatusCodePagesWithReExecute("/status", "?code={0}"));
    }

    /// <summary>Problem details as RFC 9457 has them.</summary>
    public static IResult Problem(int status, string title, string detail) => Results.Problem(new ProblemDetails
    {
        Status = status,
        Title = title,
        Detail = detail,
    });
}
