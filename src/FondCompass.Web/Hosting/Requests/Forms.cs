using Microsoft.AspNetCore.Http.Features;
using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>A body that does not go on as it began: broken off, or cut into chunks that are none. Its sender's fault, not ours.</summary>
internal static class BrokenBody
{
    public static bool Is(Exception? problem) =>
        problem is IOException { InnerException: OverflowException }
            or BadHttpRequestException { StatusCode: StatusCodes.Status400BadRequest };
}

/// <summary>
/// Reads forms before anything else does, so that what is too much is told as that (413) and not as something that is not there, and so
/// that the one character that no text
/// has is left out of what was typed instead of the whole form being refused for it.
/// </summary>
internal static class Forms
{
    private const long MostDrained = 64 * 1024 * 1024;

    /// <summary>The character U+0000 as forms are written.</summary>
    private static ReadOnlySpan<byte> Nul => "%00"u8;

    public static void AddForms(this WebApplicationBuilder builder) => builder.Services.Configure<FormOptions>(forms =>
    {
        forms.ValueCountLimit = StudioPages.MostFields;
        forms.ValueLengthLimit = (int)StudioPages.LargestForm;
        forms.BufferBodyLengthLimit = StudioPages.LargestForm;
    });

    public static void UseForms(this WebApplication app) => app.Use(async (context, next) =>
    {
        var request = context.Request;
        if (HttpMethods.IsPost(request.Method)
            && !request.Path.StartsWithSegments("/status")
            && MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            && type.MediaType.Equals("application/x-www-form-urlencoded", StringComparison.OrdinalIgnoreCase))
        {
            if (request.ContentLength > StudioPages.LargestForm || await Whole(request, context.RequestAborted) is not { } body)
            {
                await Drain(context);
                Refuse(context);
                return;
            }

            request.Body = body;
            try
            {
                await request.ReadFormAsync(context.RequestAborted);
            }
            catch (InvalidDataException)
            {
                Refuse(context);
                return;
            }
        }

        await next(context);
    });

    /// <summary>The body without that character; null where it is larger than any form.</summary>
    private static async Task<MemoryStream?> Whole(HttpRequest request, CancellationToken cancel)
    {
        var whole = new MemoryStream(request.ContentLength is { } length ? (int)length : 0);
        var buffer = new byte[16 * 1024];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, cancel)) > 0)
        {
            if (whole.Length + read > StudioPages.LargestForm)
            {
                return null;
            }

            whole.Write(buffer, 0, read);
        }

        Clean(whole);
        whole.Position = 0;
        return whole;
    }

    /// <summary>Too much; the page that says so is shown as if nothing had been sent.</summary>
    private static void Refuse(HttpContext context)
    {
        context.Features.Set<IFormFeature>(new FormFeature(FormCollection.Empty));
        context.Response.StatusCode = StatusCodes.Status413PayloadTooLarge;
    }

    /// <summary>
    /// Lets the rest of what is too large run by, within reason: a browser that cannot send it all sees a broken line instead of the
    /// answer.
    /// </summary>
    private static async Task Drain(HttpContext context)
    {
        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
        {
            size.MaxRequestBodySize = MostDrained;
        }

        try
        {
            await context.Request.Body.CopyToAsync(Stream.Null, context.RequestAborted);
        }
        catch (BadHttpRequestException)
        {
            // More than that is cut off.
        }
    }

    private static void Clean(MemoryStream whole)
    {
        var text = whole.GetBuffer().AsSpan(0, (int)whole.Length);
        var to = text.IndexOf(Nul) is >= 0 and var written ? written : text.IndexOf((byte)0);
        if (to < 0)
        {
            return;
        }

        var kept = 0;
        for (var at = 0; at < text.Length; at++)
        {
            if (text[at] == 0)
            {
                continue;
            }

            if (text[at..].StartsWith(Nul))
            {
                at += Nul.Length - 1;
                continue;
            }

            text[kept++] = text[at];
        }

        whole.SetLength(kept);
    }
}
