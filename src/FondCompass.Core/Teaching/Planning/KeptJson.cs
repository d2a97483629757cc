using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>
/// What is kept cannot be read: it was written by a later version, or is no such thing at all. The message says which, and where.
/// </summary>
public sealed class KeptFormatException(string message, Exception? cause = null) : Exception(message, cause);

/// <summary>
/// The one form in which plans, fits and calls of a class are kept: a JSON object whose "format" tells its version; names in camel case,
/// choices by the
/// words of <see cref="WayWords"/>, rates in percent of full tempo. What is null is left out.
/// </summary>
public static class KeptJson
{
    /// <summary>The version that is written; all up to it are read.</summary>
    public const int Format = 1;

    private const string FormatName = "format";

    private static readonly JsonSerializerOptions Options = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        Converters = { new JsonStringEnumConverter(WayWords.Naming, allowIntegerValues: false), new RateConverter() },
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static string Write<T>(T value)
        where T : class
    {
        var written = JsonSerializer.SerializeToNode(value, Options)!.AsObject();
        written.Insert(0, FormatName, Format);
        return written.ToJsonString(Options);
    }

    /// <exception cref="KeptFormatException">It is no such thing, of a later version, or holds a number that cannot be.</exception>
    public static T Read<T>(string text)
        where T : class
    {
        try
        {
            if (JsonNode.Parse(text) is not JsonObject read
                || read[FormatName] is not JsonValue said
                || !said.TryGetValue<int>(out var format))
            {
                throw new KeptFormatException(PlanTexts.NotAsItIsKept(typeof(T).Name, FormatName));
            }

            if (format is < 1 or > Format)
            {
                throw new KeptFormatException(
                    PlanTexts.OfALaterVersion(typeof(T).Name, format, Format));
            }

            read.Remove(FormatName);
            return read.Deserialize<T>(Options)!;
        }
        catch (Exception none) when (none is JsonException or ArgumentException)
        {
            throw new KeptFormatException(PlanTexts.KeptCannotBeRead(typeof(T).Name, none.Message), none);
        }
    }

    private sealed class RateConverter : JsonConverter<Rate>
    {
        public override Rate Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.GetDouble() is var percent && Rate.IsValid(percent)
                ? new Rate(percent)
                : throw new JsonException(PlanTexts.NoRate(percent, Rate.Slowest, Rate.Fastest));

        public override void Write(Utf8JsonWriter writer, Rate value, JsonSerializerOptions options) =>
            writer.WriteNumberValue(value.Percent);
    }
}
