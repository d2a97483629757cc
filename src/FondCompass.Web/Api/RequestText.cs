using System.Text;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Hosting.Requests;
using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Api;

/// <summary>Reads a request's body with the limits of the interface: 415 another type, 413 too large, 400 empty.</summary>
internal static class RequestText
{
    public const int LargestScript = 256 * 1024;

    public static async Task<(string Text, IResult? Refusal)> Read(HttpRequest request, string mediaType, int largest, string what)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || !type.MediaType.Equals(mediaType, StringComparison.OrdinalIgnoreCase))
        {
            return ("", ClearErrors.Problem(415, ApiTexts.AnotherType, $"Send {what} as {mediaType}."));
        }

        if (EncodingOf(type) is not { } encoding)
        {
            return ("", ClearErrors.Problem(
                415,
                ApiTexts.UnknownCharacterSet,
                ApiTexts.SendUtf8(type.Charset.ToString())));
        }

        if (request.ContentLength > largest)
        {
            return ("", TooLarge(what, largest));
        }

        using var body = new MemoryStream();
        var buffer = new byte[16 * 1024];
        int read;
        while ((read = await request.Body.ReadAsync(buffer)) > 0)
        {
            if (body.Length + read > largest)
            {
                return ("", TooLarge(what, largest));
            }

            body.Write(buffer, 0, read);
        }

        if (body.Length == 0)
        {
            return ("", ClearErrors.Problem(400, ApiTexts.NothingWasSent, ApiTexts.BodyIsEmpty(what)));
        }

        var text = encoding.GetString(body.GetBuffer(), 0, (int)body.Length);
        return (text.TrimStart('\uFEFF'), null);
    }

    private static IResult TooLarge(string what, int largest) =>
        ClearErrors.Problem(413, "Too large", ApiTexts.MostBytesRead(largest / 1024, what));

    private static Encoding? EncodingOf(MediaTypeHeaderValue type)
    {
        if (!type.Charset.HasValue)
        {
            return Encoding.UTF8;
        }

        try
        {
            return Encoding.GetEncoding(type.Charset.Value.Trim('"'));
        }
        catch (Exception problem) when (problem is ArgumentException or NotSupportedException)
        {
            return null;
        }
    }
}
