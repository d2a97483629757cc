using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api.Bodies;

/// <summary>How JSON is read and written, and what is refused of it.</summary>
internal static class ApiJson
{
    private static void Set(JsonSerializerOptions options)
    {
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.Converters.Add(new WholeNumbers());
    }

    /// <summary>The endpoints for programs: how their bodies are read, validated and refused.</summary>
    public static void AddApi(this WebApplicationBuilder builder)
    {
        builder.Services.AddOpenApi();
        builder.Services.AddValidation();
        builder.Services.AddProblemDetails(o => o.CustomizeProblemDetails = ApiProblems.Word);
        builder.Services.ConfigureHttpJsonOptions(o => Set(o.SerializerOptions));
        builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        builder.Services.AddExceptionHandler<ApiProblems>();
    }
}

/// <summary>Fields that have to be there, one or the other.</summary>
/// <param name="what">What the body needs.</param>
internal sealed class MissingFieldsException(string what) : JsonException(what);

/// <summary>A number that cannot be at its place.</summary>
internal sealed class ImpossibleNumberException(string why) : JsonException(why);

/// <summary>Whole numbers: one with a fraction, or too large, is impossible and no other kind of thing.</summary>
internal sealed class WholeNumbers : JsonConverter<int>
{
    public override int Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        reader.TokenType != JsonTokenType.Number ? throw new JsonException()
        : reader.TryGetInt32(out var whole) ? whole
        : throw new ImpossibleNumberException(ApiTexts.IsAWholeNumber(reader.GetDouble()));

    public override void Write(Utf8JsonWriter writer, int value, JsonSerializerOptions options) => writer.WriteNumberValue(value);
}
