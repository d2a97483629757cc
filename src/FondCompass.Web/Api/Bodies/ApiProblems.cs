using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Api.Bodies;

/// <summary>
/// Words what the framework refuses of what programs send, as problem details (RFC 9457): 400 something is not there or of another kind,
/// 413 too large, 415 another type, 422 a number or a word that cannot be.
/// </summary>
internal sealed partial class ApiProblems(IProblemDetailsService problems) : IExceptionHandler
{
    /// <summary>The type of content that is taken, beside text.</summary>
    public const string Json = "application/json";

    private static readonly PathString Api = new("/api");

    /// <summary>Names that the framework's reader says are missing.</summary>
    [GeneratedRegex("'([a-zA-Z]+)'")]
    private static partial Regex Named { get; }

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var request = httpContext.Features.Get<IExceptionHandlerPathFeature>();
        if (request is null || !new PathString(request.Path).StartsWithSegments(Api)
            || (exception as RefusedException ?? Refusal(httpContext, request.Endpoint, exception)) is not { } refused)
        {
            return false;
        }

        httpContext.Response.StatusCode = refused.Status;
        return await problems.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            ProblemDetails = new ProblemDetails { Status = refused.Status, Title = refused.Title, Detail = refused.Message },
        });
    }

    /// <summary>422 in place of the framework's 400, with the first of what does not hold in words.</summary>
    public static void Word(ProblemDetailsContext context)
    {
        if (context.ProblemDetails is not HttpValidationProblemDetails problem)
        {
            return;
        }

        problem.Errors = problem.Errors.ToDictionary(e => InJson(e.Key), e => e.Value);
        problem.Status = StatusCodes.Status422UnprocessableEntity;
        problem.Type = "https://tools.ietf.org/html/rfc4918#section-11.2";
        problem.Title = ApiTexts.Impossible;
        problem.Detail = string.Join(' ', problem.Errors.Select(e => ApiTexts.InField(e.Key, string.Join(' ', e.Value))));
        context.HttpContext.Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
    }

    /// <summary>What this request's endpoint takes, for messages.</summary>
    public static string WhatIsSent(HttpContext context) => WhatIsSent(context.GetEndpoint());

    public static RefusedException AnotherType(string what, string type) =>
        new(StatusCodes.Status415UnsupportedMediaType, ApiTexts.AnotherType, ApiTexts.SendAs(what, type));

    public static RefusedException UnknownCharacterSet(HttpRequest request) =>
        new(StatusCodes.Status415UnsupportedMediaType, ApiTexts.UnknownCharacterSet, ApiTexts.SendUtf8(SentText.CharacterSetOf(request)));

    public static RefusedException Nothing(string what) =>
        new(StatusCodes.Status400BadRequest, ApiTexts.NothingWasSent, ApiTexts.BodyIsEmpty(what));

    private static string WhatIsSent(Endpoint? endpoint) => endpoint?.Metadata.GetMetadata<Sent>()?.What ?? "";

    /// <summary>What the framework has against a body; null for what has nothing to do with it.</summary>
    private static RefusedException? Refusal(HttpContext context, Endpoint? endpoint, Exception exception)
    {
        var what = WhatIsSent(endpoint);
        return exception switch
        {
            _ when endpoint is not null && SentText.EncodingOf(context.Request) is null => UnknownCharacterSet(context.Request),
            BadHttpRequestException { StatusCode: StatusCodes.Status415UnsupportedMediaType } => AnotherType(what, Json),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new RefusedException(
                StatusCodes.Status413PayloadTooLarge,
                ApiTexts.TooLarge,
                ApiTexts.MostBytesRead(JsonEndpoints.LargestBody / 1024, what)),
            BadHttpRequestException { InnerException: JsonException bad } => OfJson(bad, endpoint),
            BadHttpRequestException when exception.GetType() == typeof(BadHttpRequestException) && exception.InnerException is null =>
                Nothing(what),
            _ => null,
        };
    }

    private static RefusedException OfJson(JsonException bad, Endpoint? endpoint)
    {
        if (bad.InnerException is JsonException)
        {
            return new RefusedException(
                StatusCodes.Status400BadRequest,
                ApiTexts.NotJson,
                ApiTexts.NoJson(((bad.LineNumber ?? 0) + 1).ToString()));
        }

        var place = (bad.Path ?? "$").TrimStart('$').TrimStart('.');
        switch (bad)
        {
            case ImpossibleNumberException:
                return RefusedException.Impossible(ApiTexts.InField(place, bad.Message));
            case { InnerException: InvalidOperationException text } when text.Message.Contains("surrogate", StringComparison.Ordinal):
                return RefusedException.Impossible(ApiTexts.InField(place, ApiTexts.HalfACharacter));
        }

        var body = endpoint?.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType ?? typeof(object);
        var missing = bad.Message.Contains("missing required", StringComparison.Ordinal)
            ? Named.Matches(bad.Message).Select(m => m.Groups[1].Value).ToList()
            : [];
        var needed = bad switch
        {
            MissingFieldsException => bad.Message,
            EmptyPlaceException empty => BodyShape.Needed(body, place.Length == 0 ? empty.Place : $"{place}.{empty.Place}", []),
            _ => BodyShape.Needed(body, place, missing),
        };
        return new RefusedException(StatusCodes.Status400BadRequest, ApiTexts.SomethingIsMissing, ApiTexts.BodyNeeds(needed));
    }

    /// <summary>A place as it is called in JSON: "dances[0].bpm" of "Dances[0].Bpm".</summary>
    private static string InJson(string place) =>
        string.Join('.', place.Split('.').Select(JsonNamingPolicy.CamelCase.ConvertName));
}
