using System.Text.Json;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Boards;

/// <summary>An event as a board sends it.</summary>
public sealed record SentEvent
{
    public Guid Id { get; init; }

    public Guid Board { get; init; }

    public int Number { get; init; }

    public double Opened { get; init; }

    public double Since { get; init; }

    public string? Kind { get; init; }

    public string? Block { get; init; }

    public string? Bite { get; init; }

    public double? Value { get; init; }

    public string? Words { get; init; }

    public Guid? Undoes { get; init; }

    /// <summary>Reads one event field by field, so that one that is none is named and the others are kept.</summary>
    /// <exception cref="FormatException">A field is of another kind; the message says which, and what it should be.</exception>
    public static SentEvent Read(JsonElement sent)
    {
        if (sent.ValueKind != JsonValueKind.Object)
        {
            throw new FormatException(DeskTexts.IsNoEvent);
        }

        JsonElement? Field(string name) => sent.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null ? value : null;
        Guid? Id(string name) => Field(name) is not { } value ? null
            : value.ValueKind == JsonValueKind.String && value.TryGetGuid(out var id) ? id
            : throw new FormatException(DeskTexts.IsNoId(name));
        double? Number(string name) => Field(name) is not { } value ? null
            : value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && double.IsFinite(number) ? number
            : throw new FormatException(DeskTexts.IsNoNumber(name));
        string? Text(string name)
        {
            if (Field(name) is not { } value)
            {
                return null;
            }

            if (value.ValueKind != JsonValueKind.String)
            {
                throw new FormatException(DeskTexts.IsNoText(name));
            }

            try
            {
                return value.GetString();
            }
            catch (InvalidOperationException)
            {
                throw new FormatException(DeskTexts.HalfACharacter(name));
            }
        }

        var number = Number("number") ?? 0;
        return new SentEvent
        {
            Id = Id("id") ?? Guid.Empty,
            Board = Id("board") ?? Guid.Empty,
            Number = number is >= 0 and <= int.MaxValue && Math.Floor(number) == number
                ? (int)number
                : throw new FormatException(DeskTexts.NoWholeNumber),
            Opened = Number("opened") ?? 0,
            Since = Number("since") ?? 0,
            Kind = Text("kind"),
            Block = Text("block"),
            Bite = Text("bite"),
            Value = Number("value"),
            Words = Text("words"),
            Undoes = Id("undoes"),
        };
    }
}

/// <summary>What a board sends at once.</summary>
public static class SentEvents
{
    /// <summary>Events that are taken at once.</summary>
    public const int Most = 500;

    /// <summary>Each event as it is kept, or why it is not, with its id as far as it has one.</summary>
    /// <returns>Null where there is no list of one to so many events.</returns>
    public static IReadOnlyList<(string? Id, LessonEventRecord? Record, string Problem)>? Read(JsonElement sent)
    {
        if (sent.ValueKind != JsonValueKind.Object
            || !sent.TryGetProperty("events", out var list)
            || list.ValueKind != JsonValueKind.Array
            || list.GetArrayLength() is 0 or > Most)
        {
            return null;
        }

        return [.. list.EnumerateArray().Select(e =>
        {
            try
            {
                var read = SentEvent.Read(e);
                var (record, problem) = EventCodes.Take(read);
                return ($"{read.Id}", record, problem);
            }
            catch (FormatException none)
            {
                return (IdOf(e), (LessonEventRecord?)null, none.Message);
            }
        })];
    }

    /// <summary>What it calls itself, whatever that is.</summary>
    private static string? IdOf(JsonElement sent) =>
        sent.ValueKind == JsonValueKind.Object
            && sent.TryGetProperty("id", out var id)
            && id.ValueKind is JsonValueKind.Number or JsonValueKind.String
        && id.GetRawText() is { Length: <= 80 } raw ? raw.Trim('"') : null;
}
