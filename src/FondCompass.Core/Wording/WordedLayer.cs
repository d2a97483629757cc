using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Wording;

/// <summary>What a layer is danced with.</summary>
public enum LayerKind
{
    Arms,
    Hips,
    Head,

    /// <summary>Claps, snaps, the voice.</summary>
    Sounds,

    /// <summary>The body, or words that name nothing of the above.</summary>
    Body,
}

/// <summary>Something on top of the feet, told by its kind.</summary>
public sealed record WordedLayer(LayerKind Kind, string Text)
{
    /// <param name="text">The instructor's words.</param>
    public static WordedLayer Read(string text) => new(KindOf(text), text);

    /// <summary>By the first word that names something: what is moved, else what is heard.</summary>
    private static LayerKind KindOf(string text)
    {
        var words = text.ToLowerInvariant().Split([' ', ',', '-', '/', ':'], StringSplitOptions.RemoveEmptyEntries);
        foreach (var word in words)
        {
            if (Vocabulary.LayerOf(word) is { } kind && Enum.TryParse<LayerKind>(kind, ignoreCase: true, out var named))
            {
                return named;
            }
        }

        return words.Any(w => Verbs.Find(w) is { } verb && verb.Has(VerbTraits.Sound)) ? LayerKind.Sounds : LayerKind.Body;
    }
}
