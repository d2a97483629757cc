using System.Text;
using FondCompass.Core;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Api;

/// <summary>Something that was sent cannot be used; answered as problem details.</summary>
internal sealed class RefusedException(int status, string title, string detail) : Exception(detail)
{
    public int Status => status;

    public string Title => title;

    /// <summary>422: a number, or a word, that cannot be with what else was sent.</summary>
    public static RefusedException Impossible(string why) => new(StatusCodes.Status422UnprocessableEntity, ApiTexts.Impossible, why);
}

/// <summary>
/// Endpoints that take a body and answer with JSON; nothing is stored. The framework binds and validates the body;
/// <see cref="ApiProblems"/> words what it refuses.
/// </summary>
internal static class JsonEndpoints
{
    /// <summary>Bytes of a JSON body at the most.</summary>
    public const int LargestBody = 4 * 1024 * 1024;

    /// <summary>
    /// Any other type is let in as well, so that the endpoint itself can say which it takes instead of an answer without words.
    /// </summary>
    private const string AnyType = "*/*";

    /// <summary>Takes a JSON body, a record of RequestBodies.cs, and is described so.</summary>
    /// <param name="what">What is sent, for messages.</param>
    public static void TakesJson<TBody, TAnswer>(this RouteHandlerBuilder endpoint, string what)
        where TBody : notnull =>
        endpoint.Accepts<TBody>(ApiProblems.Json, AnyType).WithMetadata(new RequestSizeLimitAttribute(LargestBody)).Describe<TAnswer>(what);

    /// <summary>Takes a body of text (<see cref="SentText"/>), and is described so.</summary>
    /// <inheritdoc cref="TakesJson"/>
    public static void TakesText<TAnswer>(this RouteHandlerBuilder endpoint, string what) =>
        endpoint.Accepts<string>(SentText.Plain, AnyType).Describe<TAnswer>(what);

    /// <summary>The analysis of a script that was sent; 413 where there is too much of it.</summary>
    public static Analysis Analysed(string script, CancellationToken cancel) =>
        Encoding.UTF8.GetByteCount(script) <= SentText.Largest
            ? Analysis.WhileWaited(script, null, cancel)
            : throw new RefusedException(
                StatusCodes.Status413PayloadTooLarge,
                ApiTexts.TooLarge,
                ApiTexts.MostScript(SentText.Largest / 1024));

    /// <summary>How an endpoint is described to the outside: what it answers, and that refusals are problem details.</summary>
    private static void Describe<TAnswer>(this RouteHandlerBuilder endpoint, string what) => endpoint
        .WithSummary(ApiTexts.TakesAndStoresNothing(what))
        .WithMetadata(new Sent(what))
        .DisableAntiforgery()
        .Produces<TAnswer>().ProducesProblem(400).ProducesProblem(413).ProducesProblem(415).ProducesValidationProblem(422);
}

/// <param name="What">What an endpoint takes, for messages: "a dance script".</param>
internal sealed record Sent(string What);
