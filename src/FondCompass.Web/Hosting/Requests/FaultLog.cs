using System.Diagnostics.Metrics;
using System.Security.Claims;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Web.Hosting.Databases;
using Microsoft.AspNetCore.Diagnostics;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// Whatever nobody expected is written down once, with the request, the account and the stack, and counted; programs get problem details
/// for it.
/// </summary>
internal sealed class FaultLog(ILogger<FaultLog> log, IMeterFactory meters) : IExceptionHandler
{
    /// <summary>The meter of the application, and its counter of faults.</summary>
    public const string Meter = "FondCompass", Faults = "fond_compass.faults";

    private readonly Counter<long> _faults = meters.Create(Meter)
        .CreateCounter<long>(Faults, "{fault}", "Requests that ended with a fault, by what it was.");

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, title, detail) = exception switch
        {
            _ when DatabaseAway.Is(exception) =>
                (StatusCodes.Status503ServiceUnavailable,
                    ServerTexts.DatabaseAwayTitle,
                    ServerTexts.DatabaseAwayTryAgain),
            _ when TooSlow.Is(exception) =>
                (StatusCodes.Status503ServiceUnavailable,
                    ServerTexts.TookTooLong,
                    ServerTexts.StoppedAfterSeconds(TooSlow.Seconds)),
            _ when BrokenBody.Is(exception) =>
                (StatusCodes.Status400BadRequest, ServerTexts.RequestNotComplete, ServerTexts.EndedEarly),
            QuotaException full => (StatusCodes.Status422UnprocessableEntity, ServerTexts.AsMuchAsFits, full.Message),
            _ when Conflicts.Is(exception) =>
                (StatusCodes.Status409Conflict,
                    ServerTexts.SavedAtTheSameMoment,
                    ServerTexts.NothingWrittenOver),
            BadHttpRequestException bad => (bad.StatusCode, ServerTexts.RequestNotComplete, ServerTexts.EndedEarly),
            _ =>
                (StatusCodes.Status500InternalServerError,
                    ServerTexts.SomethingWentWrong,
                    ServerTexts.MessagesSayWhy(httpContext.TraceIdentifier)),
        };
        var request = httpContext.Request;
        // As it was sent: no line of the log can be forged with it.
        var asked = httpContext.Features.Get<IExceptionHandlerPathFeature>()?.Path is { } before ? new PathString(before) : request.Path;
        var path = asked.ToUriComponent();
        var account = httpContext.User.FindFirstValue(ClaimTypes.NameIdentifier) ?? "nobody";
        switch (status)
        {
            case StatusCodes.Status500InternalServerError:
                log.LogError(
                    exception,
                    "Fault {Id} at {Method} {Path} of account {Account}",
                    httpContext.TraceIdentifier,
                    request.Method,
                    path,
                    account);
                break;
            case StatusCodes.Status503ServiceUnavailable:
                log.LogWarning(
                    "The database does not answer, or not in time: {Method} {Path} of account {Account}: {Why}",
                    request.Method,
                    path,
                    account,
                    exception.GetBaseException().Message);
                break;
            default:
                log.LogInformation("A request that was refused: {Method} {Path}: {Why}", request.Method, path, exception.Message);
                break;
        }

        _faults.Add(
            1,
            new KeyValuePair<string, object?>("status", status),
            new KeyValuePair<string, object?>("kind", exception.GetType().Name));
        if (!asked.StartsWithSegments("/api"))
        {
            return false;
        }

        await ClearErrors.Problem(status, title, detail).ExecuteAsync(httpContext);
        return true;
    }
}
