using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// A file that is sent while it is written, whatever its size. Where writing it fails the line is cut off, so that nobody takes a part of
/// it for the whole.
/// </summary>
public sealed class SentWhileWritten(string type, string name, Func<Stream, CancellationToken, Task> write) : IActionResult
{
    public async Task ExecuteResultAsync(ActionContext context)
    {
        var (http, response) = (context.HttpContext, context.HttpContext.Response);
        response.ContentType = type;
        var disposition = new ContentDispositionHeaderValue("attachment");
        disposition.SetHttpFileName(name);
        response.Headers.ContentDisposition = disposition.ToString();
        // What an archive has left of one entry when it is closed is written at once; the rest waits for nobody.
        if (http.Features.Get<IHttpBodyControlFeature>() is { } body)
        {
            body.AllowSynchronousIO = true;
        }

        try
        {
            await write(response.Body, http.RequestAborted);
        }
        catch (Exception) when (response.HasStarted)
        {
            http.Abort();
            throw;
        }
    }
}
