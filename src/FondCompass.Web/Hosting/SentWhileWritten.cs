using Microsoft.AspNetCore.Mvc;
using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Hosting;

/// <summary>A file that is sent while it is written, whatever its size. Where writing it fails the line is cut off, so that nobody takes a part of it for the whole.</summary>
public sealed class SentWhileWritten(string type, string name, Func<Stream, CancellationToken, Task> write) : IActionResult
{
    public async Task ExecuteResultAsync(ActionContext context)
    {
        var (http, response) = (context.HttpContext, context.HttpContext.Response);
        response.ContentType = type;
        var disposition = new ContentDispositionHeaderValue("attachment");
        disposition.SetHttpFileName(name);
        response.Headers.ContentDisposition = disposition.ToString();
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
