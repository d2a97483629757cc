using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
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
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { RefuseHoles } };
    }

    /// <summary>Lists of a body have something at each place: the framework's rule against null holds for what is in them too.</summary>
    private static void RefuseHoles(JsonTypeInfo info)
    {
        if (info.Kind != JsonTypeInfoKind.Object || info.Type.Namespace != typeof(ApiJson).Namespace)
        {
            return;
        }

        var lists = info.Type.GetProperties().Where(p => p.PropertyType.IsAssignableTo(typeof(IEnumerable<object>))).ToList();
        if (lists.Count > 0)
        {
            info.OnDeserialized = body =>
            {
                foreach (var list in lists)
                {
                    if (list.GetValue(body) is IEnumerable<object?> items && items.ToList().IndexOf(null) is >= 0 and var hole)
                    {
                        throw new EmptyPlaceException(list.Name, hole);
                    }
                }
            };
        }
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

/// <summary>A place of a list holds nothing.</summary>
/// <param name="list">The list's name in its body.</param>
/// <param name="index">The place, from 0.</param>
internal sealed class EmptyPlaceException(string list, int index) : JsonException
{
    /// <summary>As it is called in JSON: "passages[0]".</summary>
    public string Place => $"{JsonNamingPolicy.CamelCase.ConvertName(list)}[{index}]";
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
