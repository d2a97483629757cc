using System.Text;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Api.Bodies;

/// <summary>A body of plain text, bound by the framework: 415 another type, 413 too large, 400 empty.</summary>
internal sealed record SentText(string Text) : IBindableFromHttpContext<SentText>
{
    /// <summary>Its type of content, with or without a character set.</summary>
    public const string Plain = "text/plain";

    /// <summary>Bytes at the most.</summary>
    public const int Largest = 256 * 1024;

    public static async ValueTask<SentText?> BindAsync(HttpContext context, System.Reflection.ParameterInfo parameter)
    {
        var request = context.Request;
        var what = ApiProblems.WhatIsSent(context);
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || !type.MediaType.Equals(Plain, StringComparison.OrdinalIgnoreCase))
        {
            throw ApiProblems.AnotherType(what, Plain);
        }

        var encoding = EncodingOf(request) ?? throw ApiProblems.UnknownCharacterSet(request);
        if (request.ContentLength > Largest)
        {
            throw TooLarge(what);
        }

        using var body = new MemoryStream();
        var buffer = new byte[16 * 1024];
        int read;
        while ((read = await request.Body.ReadAsync(buffer)) > 0)
        {
            if (body.Length + read > Largest)
            {
                throw TooLarge(what);
            }

            body.Write(buffer, 0, read);
        }

        return body.Length > 0
            ? new SentText(encoding.GetString(body.GetBuffer(), 0, (int)body.Length).TrimStart('\uFEFF'))
            : throw ApiProblems.Nothing(what);
    }

    /// <summary>The character set of a body, UTF-8 where none is said; null where nobody knows the one that is.</summary>
    public static Encoding? EncodingOf(HttpRequest request)
    {
        if (CharacterSetOf(request) is not { } named)
        {
            return Encoding.UTF8;
        }

        try
        {
            return Encoding.GetEncoding(named);
        }
        catch (Exception problem) when (problem is ArgumentException or NotSupportedException)
        {
            return null;
        }
    }

    /// <summary>The name of a body's character set; null where none is said.</summary>
    public static string? CharacterSetOf(HttpRequest request) =>
        MediaTypeHeaderValue.TryParse(request.ContentType, out var type) && type.Charset.HasValue ? type.Charset.Value.Trim('"') : null;

    private static RefusedException TooLarge(string what) =>
        new(StatusCodes.Status413PayloadTooLarge, ApiTexts.TooLarge, ApiTexts.MostBytesRead(Largest / 1024, what));
}
