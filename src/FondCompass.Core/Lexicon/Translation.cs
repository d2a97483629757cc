using FondCompass.Core.Text;

namespace FondCompass.Core.Lexicon;

/// <summary>
/// Words of other languages and the script's words they stand for, one or several on either side. A key that ends in a star stands
/// for all words that begin so; a language's small words ("a", "D") count only beside another word of that language. Immutable.
/// </summary>
public sealed class Translation
{
    /// <summary>Endings that a Korean word may carry; the stem is looked up without them.</summary>
    private static readonly string[] Particles =
    [
        "부터", "까지", "에서", "으로", "로", "을", "를", "은", "는", "이", "가", "에", "의", "와", "과", "도", "만", "씩", "하시면서", "하면서", "하시고",
        "하고", "해서", "하세요", "합니다", "입니다", "해요", "이고", "고",
    ];

    private readonly record struct Entry(string[] Words, string Language, bool Small);

    private readonly Dictionary<string, List<Entry>> _entries = [];
    private readonly List<(string Prefix, Entry Entry)> _prefixes = [];
    private readonly HashSet<string> _openers = [];
    private int _longest = 1;

    private Translation()
    {
    }

    public static Translation None { get; } = new();

    /// <param name="rows">The word, what it stands for, a language tag such as "de", and whether it counts only beside another word of that
    /// language.</param>
    public static Translation FromRows(IEnumerable<(string Key, string Meaning, string Language, bool Small)> rows)
    {
        var made = new Translation();
        foreach (var (key, meaning, language, small) in rows)
        {
            made.Add(key, new Entry(meaning.Split(' ', StringSplitOptions.RemoveEmptyEntries), language, small));
        }

        return made;
    }

    /// <summary>This one with a class's own words before all others.</summary>
    public Translation With(IReadOnlyDictionary<string, string> own)
    {
        var made = new Translation { _longest = _longest };
        foreach (var (word, meaning) in own)
        {
            made.Add(word, new Entry(meaning.Split(' ', StringSplitOptions.RemoveEmptyEntries), "", false));
        }

        foreach (var (key, entries) in _entries)
        {
            foreach (var entry in entries)
            {
                made.Put(key, entry);
            }
        }

        made._prefixes.AddRange(_prefixes);
        made._openers.UnionWith(_openers);
        made._longest = Math.Max(made._longest, _longest);
        return made;
    }

    /// <summary>Whether any word of a row may be of another language or of the class.</summary>
    public bool Touches(List<Token> tokens)
    {
        foreach (var token in tokens)
        {
            if (token.Kind == TokenKind.Word && (_openers.Contains(token.Text) || token.Text[0] > 127 || IsPrefixed(token.Text)))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The row in the script's words; each keeps the columns of what it was written for.</summary>
    public List<Token> Read(List<Token> tokens)
    {
        var spoken = Spoken(tokens);
        var read = new List<Token>(tokens.Count);
        for (var i = 0; i < tokens.Count;)
        {
            if (tokens[i].Kind == TokenKind.Word && Match(tokens, i, spoken) is { } match)
            {
                var span = tokens[i].Span.To(tokens[i + match.Length - 1].Span);
                foreach (var word in match.Entry.Words)
                {
                    read.Add(Lexer.Read(word) is [var one] ? one with { Span = span } : new Token(TokenKind.Word, word, span));
                }

                i += match.Length;
                continue;
            }

            // "4분의 1": of four parts one.
            if (tokens[i].Kind == TokenKind.Number
                && i + 2 < tokens.Count
                && tokens[i + 1].Text == "분의"
                && tokens[i + 2].Kind == TokenKind.Number)
            {
                read.Add(new Token(TokenKind.Fraction, $"{tokens[i + 2].Text}/{tokens[i].Text}", tokens[i].Span.To(tokens[i + 2].Span)));
                i += 3;
                continue;
            }

            read.Add(tokens[i]);
            i++;
        }

        return read;
    }

    /// <summary>Languages that have words here, by their tags.</summary>
    public IReadOnlyList<string> Languages =>
        [.. _entries.Values.SelectMany(e => e).Select(e => e.Language).Where(l => l.Length > 0).Distinct().Order(StringComparer.Ordinal)];

    /// <summary>
    /// The language that a word is plainly of; null for one of none, of several, of English too ("diagonal"), or that counts only beside
    /// others.
    /// </summary>
    /// <param name="word">In lower case.</param>
    public string? LanguageOf(string word)
    {
        var languages = _entries.TryGetValue(word, out var entries)
            ? entries.Where(e => !e.Small && !(e.Words is [var same] && same == word)).Select(e => e.Language).Distinct().ToList()
            : [];
        return languages is [{ Length: > 0 } one] ? one
            : _prefixes.Find(p => word.StartsWith(p.Prefix, StringComparison.Ordinal)) is { Prefix.Length: > 0 } begun
                ? begun.Entry.Language
            : word[0] is >= '\uac00' and <= '\ud7a3' ? "ko"
            : null;
    }

    /// <summary>The script's words in a language, each by the first that stands for it there.</summary>
    public IReadOnlyDictionary<string, string> Into(string language)
    {
        var words = new Dictionary<string, string>();
        foreach (var (key, entries) in _entries)
        {
            foreach (var entry in entries.Where(e => e.Language == language))
            {
                words.TryAdd(string.Join(' ', entry.Words), key);
            }
        }

        return words;
    }

    private void Add(string key, Entry entry)
    {
        if (key.EndsWith('*'))
        {
            _prefixes.Add((key[..^1], entry));
            return;
        }

        Put(key, entry);
    }

    private void Put(string key, Entry entry)
    {
        if (!_entries.TryGetValue(key, out var held))
        {
            _entries[key] = held = [];
        }

        held.Add(entry);
        var space = key.IndexOf(' ');
        _openers.Add(space < 0 ? key : key[..space]);
        _longest = Math.Max(_longest, key.Count(c => c == ' ') + 1);
    }

    private bool IsPrefixed(string word) => _prefixes.Exists(p => word.StartsWith(p.Prefix, StringComparison.Ordinal));

    /// <summary>Languages that some word of the row is plainly of.</summary>
    private HashSet<string> Spoken(List<Token> tokens)
    {
        var spoken = new HashSet<string>();
        foreach (var token in tokens)
        {
            if (token.Kind != TokenKind.Word)
            {
                continue;
            }

            if (_entries.TryGetValue(token.Text, out var entries))
            {
                spoken.UnionWith(entries.Where(e => !e.Small).Select(e => e.Language));
            }

            spoken.UnionWith(_prefixes.Where(p => token.Text.StartsWith(p.Prefix, StringComparison.Ordinal)).Select(p => p.Entry.Language));
        }

        return spoken;
    }

    private (Entry Entry, int Length)? Match(List<Token> tokens, int start, HashSet<string> spoken)
    {
        if (_openers.Contains(tokens[start].Text))
        {
            for (var length = Math.Min(_longest, tokens.Count - start); length > 0; length--)
            {
                if (tokens.Skip(start).Take(length).All(t => t.Kind is TokenKind.Word or TokenKind.Number)
                    && _entries.TryGetValue(
                        length == 1 ? tokens[start].Text : string.Join(' ', tokens.Skip(start).Take(length).Select(t => t.Text)),
                        out var entries)
                    && entries.FindIndex(e => !e.Small || spoken.Contains(e.Language)) is >= 0 and var found)
                {
                    return (entries[found], length);
                }
            }
        }

        var word = tokens[start].Text;
        if (word[0] is >= '\uac00' and <= '\ud7a3')
        {
            foreach (var particle in Particles)
            {
                if (word.Length > particle.Length
                    && word.EndsWith(particle, StringComparison.Ordinal)
                    && _entries.TryGetValue(word[..^particle.Length], out var stem))
                {
                    return (stem[0], 1);
                }
            }
        }

        (string Prefix, Entry Entry)? best = null;
        foreach (var prefix in _prefixes)
        {
            if (word.StartsWith(prefix.Prefix, StringComparison.Ordinal) && prefix.Prefix.Length > (best?.Prefix.Length ?? 0))
            {
                best = prefix;
            }
        }

        return best is { } b ? (b.Entry, 1) : null;
    }
}
