using System.Collections.Concurrent;
using System.Globalization;
using System.Resources;
using System.Runtime.CompilerServices;
using System.Text;

namespace FondCompass.Core.Wording.Texts;

/// <summary>
/// The texts of one resource file and its translations. Another language is a file beside it, NAME.LANGUAGE.resx, and nothing else; a text
/// that it lacks is read in English.
/// </summary>
/// <param name="name">The class the file is named after, whose members are its texts.</param>
public sealed class TextSource(Type name)
{
    private readonly ResourceManager _resources = new(name);

    /// <summary>Texts as they are put together, by language and name.</summary>
    private readonly ConcurrentDictionary<(string Language, string Key), (CompositeFormat Format, bool HasForms)> _formats = [];

    /// <summary>A sentence with its facts.</summary>
    /// <param name="facts">What stands in {0}, {1} …; none where the text has no such places.</param>
    /// <param name="key">The text's name: that of the member that says it.</param>
    public Sentence Say(object?[]? facts = null, [CallerMemberName] string key = "") => new(this, key, facts ?? []);

    /// <summary>Words it in the language of the thread; the numbers in it by the thread's culture.</summary>
    /// <exception cref="MissingManifestResourceException">No file holds a text of that name.</exception>
    internal string Word(string key, IReadOnlyList<object?> facts)
    {
        var language = CultureInfo.CurrentUICulture;
        if (facts.Count == 0)
        {
            return Text(key, language);
        }

        var (format, hasForms) = _formats.GetOrAdd((language.Name, key), _ => Parsed(Text(key, language)));
        IFormatProvider numbers = hasForms ? new PluralFormat(CultureInfo.CurrentCulture, language) : CultureInfo.CurrentCulture;
        return string.Format(numbers, format, facts as object?[] ?? [.. facts]);
    }

    private static (CompositeFormat Format, bool HasForms) Parsed(string text) =>
        (CompositeFormat.Parse(text), text.Contains('|', StringComparison.Ordinal));

    private string Text(string key, CultureInfo language) =>
        _resources.GetString(key, language)
        ?? throw new MissingManifestResourceException($"{name.Name}.resx: {key}");
}
