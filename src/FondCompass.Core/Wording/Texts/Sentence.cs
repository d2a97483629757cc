using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace FondCompass.Core.Wording.Texts;

/// <summary>
/// Something to be told that is not worded yet: which text, and the facts that stand in it. <see cref="ToString"/> words it in the language
/// of whoever reads it (<see cref="System.Globalization.CultureInfo.CurrentUICulture"/>), so that what was found out once is read in
/// several languages.
/// </summary>
[JsonConverter(typeof(SentenceJson))]
public sealed class Sentence : IEquatable<Sentence>
{
    private readonly TextSource? _source;

    /// <summary>Nothing: it is worded as nothing.</summary>
    public static Sentence None { get; } = new(null, "", []);

    internal Sentence(TextSource? source, string key, object?[] facts)
    {
        _source = source;
        Key = key;
        Facts = facts;
    }

    /// <summary>The text's name in its resource file; the same in all languages.</summary>
    public string Key { get; }

    /// <summary>
    /// What stands in its places {0}, {1} … in their order: words, whole numbers, numbers (formatted by the text itself), or sentences.
    /// </summary>
    public IReadOnlyList<object?> Facts { get; }

    public bool Equals(Sentence? other) =>
        other is not null && ReferenceEquals(_source, other._source) && Key == other.Key && Facts.SequenceEqual(other.Facts);

    public override bool Equals(object? obj) => Equals(obj as Sentence);

    public override int GetHashCode() => Facts.Aggregate(HashCode.Combine(Key), HashCode.Combine);

    public override string ToString() => _source?.Word(Key, Facts) ?? "";

    /// <summary>Worded at once, for what is shown to the one who asked.</summary>
    [return: NotNullIfNotNull(nameof(sentence))]
    public static implicit operator string?(Sentence? sentence) => sentence?.ToString();
}

/// <summary>A sentence in an answer is its words; what is read is never one.</summary>
internal sealed class SentenceJson : JsonConverter<Sentence>
{
    public override Sentence Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        throw new NotSupportedException();

    public override void Write(Utf8JsonWriter writer, Sentence value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());
}
