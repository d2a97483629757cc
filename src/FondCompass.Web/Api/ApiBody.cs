using System.Text;
using System.Text.Json;
using FondCompass.Core.Music;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Hosting.Requests;

namespace FondCompass.Web.Api;

/// <summary>Something in a body cannot be used; answered as problem details.</summary>
internal sealed class RefusedException(int status, string title, string detail) : Exception(detail)
{
    public IResult Answer => ClearErrors.Problem(status, title, Message);

    /// <summary>400: something is not there, or is of another kind.</summary>
    public static RefusedException Missing(string what) =>
        new(StatusCodes.Status400BadRequest, ApiTexts.SomethingIsMissing, ApiTexts.BodyNeeds(what));

    /// <summary>422: a number, or a word, that cannot be.</summary>
    public static RefusedException Impossible(string why) => new(StatusCodes.Status422UnprocessableEntity, "Impossible", why);
}

/// <summary>Reads the fields of a JSON object, each with its name and what it should be, so that a refusal says where.</summary>
/// <param name="At">Where it stands, for messages: "dances[1].".</param>
internal readonly record struct ApiBody(JsonElement Element, string At)
{
    public static ApiBody Root(JsonElement root) =>
        root.ValueKind == JsonValueKind.Object ? new ApiBody(root, "") : throw RefusedException.Missing("an object");

    /// <summary>Null where it is left out or null.</summary>
    private JsonElement? Field(string name, JsonValueKind kind, string what)
    {
        if (!Element.TryGetProperty(name, out var value) || value.ValueKind == JsonValueKind.Null)
        {
            return null;
        }

        return value.ValueKind == kind ? value : throw RefusedException.Missing($"\"{At}{name}\" as {what}");
    }

    public string? Text(string name) => Field(name, JsonValueKind.String, "a string") is { } value ? TextOf(value, $"{At}{name}") : null;

    /// <summary>The text of a JSON string; refused where it holds half of a character.</summary>
    public static string TextOf(JsonElement value, string what)
    {
        try
        {
            return value.GetString()!;
        }
        catch (InvalidOperationException)
        {
            throw RefusedException.Impossible(ApiTexts.HalfACharacterIn(what));
        }
    }

    public double? Number(string name) => Field(name, JsonValueKind.Number, "a number") is { } value ? value.GetDouble() : null;

    public int? Whole(string name) => Field(name, JsonValueKind.Number, "a whole number") is not { } value ? null
        : value.TryGetInt32(out var whole) ? whole
        : throw RefusedException.Impossible(ApiTexts.IsAWholeNumber(At, name, value.GetRawText()));

    /// <summary>A number in a range; outside of it 422.</summary>
    public double? Number(string name, double least, double most) => Number(name) is not { } value ? null
        : value >= least && value <= most ? value
        : throw RefusedException.Impossible(ApiTexts.GoesFromTo(At, name, value, least, most));

    public int? Whole(string name, int least, int most) => Whole(name) is not { } value ? null
        : value >= least && value <= most ? value
        : throw RefusedException.Impossible(ApiTexts.NumberGoesFromTo(At, name, value, least, most));

    public bool? Flag(string name) => Element.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null
        ? value.ValueKind switch
        {
            JsonValueKind.True => true,
            JsonValueKind.False => false,
            _ => throw RefusedException.Missing(ApiTexts.AsTrueOrFalse(At, name))
        }
        : null;

    public ApiBody? Object(string name) =>
        Field(name, JsonValueKind.Object, "an object") is { } value ? new ApiBody(value, $"{At}{name}.") : null;

    public IReadOnlyList<ApiBody>? Objects(string name)
    {
        if (Field(name, JsonValueKind.Array, "a list") is not { } list)
        {
            return null;
        }

        var at = At;
        return [.. list.EnumerateArray()
            .Select((item, i) => item.ValueKind == JsonValueKind.Object
                ? new ApiBody(item, $"{at}{name}[{i}].")
                : throw RefusedException.Missing(ApiTexts.AsAnObject(at, name, i)))];
    }

    public IReadOnlyList<string>? Texts(string name)
    {
        var at = At;
        return Field(name, JsonValueKind.Array, ApiTexts.AListOfStrings) is not { } list ? null
            : [.. list.EnumerateArray()
                .Select((item, i) => item.ValueKind == JsonValueKind.String
                    ? TextOf(item, $"{at}{name}[{i}]")
                    : throw RefusedException.Missing($"\"{at}{name}[{i}]\" as a string"))];
    }

    public IReadOnlyList<double>? Numbers(string name)
    {
        var at = At;
        return Field(name, JsonValueKind.Array, ApiTexts.AListOfNumbers) is not { } list ? null
            : [.. list.EnumerateArray()
                .Select((item, i) => item.ValueKind == JsonValueKind.Number
                    ? item.GetDouble()
                    : throw RefusedException.Missing($"\"{at}{name}[{i}]\" as a number"))];
    }

    /// <summary>A word of a list, read by what it means; 422 for any other, with the list.</summary>
    public T? Word<T>(string name, IReadOnlyDictionary<string, T> words)
        where T : struct =>
        Text(name) is not { } said ? null
        : words.TryGetValue(said.Trim().ToLowerInvariant(), out var value) ? value
        : throw RefusedException.Impossible(ApiTexts.IsOneOf(At, name, said, string.Join(", ", words.Keys)));

    /// <summary>The dance script, which has to be there.</summary>
    public string Script()
    {
        var script = Text("script") ?? throw RefusedException.Missing(ApiTexts.ScriptAsString(At));
        return Encoding.UTF8.GetByteCount(script) <= RequestText.LargestScript ? script
            : throw new RefusedException(
                StatusCodes.Status413PayloadTooLarge,
                "Too large",
                ApiTexts.MostScript(RequestText.LargestScript / 1024));
    }

    /// <summary>The song; null when it is left out.</summary>
    public Song? Song() => Object("song") is { } song ? RunRequest.ReadSong(song.Element) : null;

    /// <summary>Counts a minute; null when left out, 422 when they cannot be.</summary>
    public double? Bpm(string name = "bpm") => Number(name) is not { } bpm ? null
        : Core.Measures.Bpm.IsValid(bpm) ? bpm
        : throw RefusedException.Impossible(
            ApiTexts.TempoGoesFromTo(At, name, bpm, Core.Measures.Bpm.Slowest, Core.Measures.Bpm.Fastest));
}

/// <summary>Endpoints that take a JSON object and answer with one; nothing is stored.</summary>
internal static class JsonEndpoints
{
    private const int LargestBody = 4 * 1024 * 1024;

    /// <summary>
    /// Any other type is let in as well, so that the endpoint itself can say which it takes instead of an answer without words.
    /// </summary>
    public const string AnyType = "*/*";

    /// <typeparam name="TBody">The body as it is described.</typeparam>
    /// <param name="what">What is sent, for messages.</param>
    /// <param name="answer">The answer; it may refuse.</param>
    public static void MapJson<TBody, TAnswer>(
        this WebApplication app,
        string path,
        string what,
        Func<ApiBody, CancellationToken, TAnswer> answer)
        where TBody : notnull =>
        app.MapPost(path, async (HttpRequest request, CancellationToken cancel) =>
        {
            var (text, refusal) = await RequestText.Read(request, "application/json", LargestBody, what);
            if (refusal is not null)
            {
                return refusal;
            }

            try
            {
                using var document = JsonDocument.Parse(text);
                return Results.Json(answer(ApiBody.Root(document.RootElement), cancel), ApiJson.Options);
            }
            catch (JsonException bad)
            {
                return ClearErrors.Problem(400, "Not JSON", ApiTexts.NoJson((bad.LineNumber + 1).ToString()));
            }
            catch (RefusedException refused)
            {
                return refused.Answer;
            }
        }).Describe<TAnswer>(what).Accepts<TBody>("application/json", AnyType).DisableAntiforgery();

    /// <summary>How an endpoint is described to the outside: what it answers, and that refusals are problem details.</summary>
    public static RouteHandlerBuilder Describe<TAnswer>(this RouteHandlerBuilder endpoint, string what) => endpoint
        .WithSummary(ApiTexts.TakesAndStoresNothing(what))
        .Produces<TAnswer>().ProducesProblem(400).ProducesProblem(413).ProducesProblem(415).ProducesProblem(422);
}
