using System.Collections.Concurrent;
using System.Collections.Frozen;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Text;

namespace FondCompass.Core.Steps;

/// <summary>The steps that are known, as data; docs/lexicon.md tells how an entry is written. Immutable.</summary>
public sealed partial class StepLexicon : IStepNames
{
    private static readonly Lazy<StepLexicon> Loaded = new(LoadShipped);

    private readonly FrozenDictionary<string, NamedStep> _byName;
    private readonly FrozenDictionary<string, NamedStep>.AlternateLookup<ReadOnlySpan<char>> _bySpan;

    private readonly FrozenSet<string> _openers;
    private readonly ConcurrentDictionary<string, StepLexicon> _local = [];

    private readonly IReadOnlyList<(string Name, NamedStep Step)> _own;

    /// <summary>Names that more than one step goes by, somewhere; the one meant here stands first.</summary>
    private readonly Dictionary<string, List<NamedStep>> _shared = [];

    private StepLexicon(
        IReadOnlyList<NamedStep> steps, Translation words, string? genre = null, IReadOnlyList<(string Name, NamedStep Step)>? own = null)
    {
        Steps = steps;
        Translation = words;
        Genre = genre ?? "";
        _languageOf = new Lazy<Dictionary<string, string>>(NamesByLanguage);
        _own = own ?? [];
        var names = new Dictionary<string, NamedStep>();
        foreach (var (name, step) in _own)
        {
            names[Key(name)] = step;
        }

        foreach (var step in steps)
        {
            foreach (var name in genre is null ? [] : step.LocalNames.GetValueOrDefault(genre, []))
            {
                if (_own.Count == 0 || !names.TryGetValue(Key(name), out var held) || !held.IsOwn)
                {
                    names[Key(name)] = step;
                }
            }
        }

        foreach (var step in steps)
        {
            foreach (var name in step.Aliases.Prepend(step.Name).Concat(step.Languages.Values.SelectMany(l => l)))
            {
                names.TryAdd(Key(name), step);
            }
        }

        // A name that only one genre uses is understood everywhere, where nothing else is meant by it.
        var all = steps.SelectMany(s => s.Aliases.Prepend(s.Name)
            .Concat(s.LocalNames.Values.SelectMany(l => l))
            .Select(n => (Key: Key(n), Step: s)));
        foreach (var group in all.GroupBy(n => n.Key))
        {
            names.TryAdd(group.Key, group.First().Step);
            var others = group.Select(g => g.Step).Where(s => s != names[group.Key]).Distinct().ToList();
            if (others.Count > 0 && !names[group.Key].IsOwn)
            {
                _shared[group.Key] = others;
            }
        }

        // "Jazzbox", "gridvine": written as one word.
        foreach (var (key, step) in names.Where(n => n.Key.Contains(' ') && n.Key.Length >= ShortestJoined).ToList())
        {
            names.TryAdd(key.Replace(" ", "", StringComparison.Ordinal), step);
        }

        _byName = names.ToFrozenDictionary();
        _bySpan = _byName.GetAlternateLookup<ReadOnlySpan<char>>();
        LongestName = names.Keys.Select(k => k.Count(c => c == ' ') + 1).DefaultIfEmpty(1).Max();
        _openers = names.Keys.Select(k => k.Contains(' ') ? k[..k.IndexOf(' ')] : k).ToFrozenSet();
    }

    /// <summary>The lexicon that ships with the application.</summary>
    public static StepLexicon Shipped => Loaded.Value;

    public IEnumerable<NamedStep> Steps { get; }

    public int LongestName { get; }

    /// <summary>The same steps with the names a genre gives them: a basic is another step in a waltz than in a percussive dance.</summary>
    public StepLexicon For(Genre genre, int lineCounts) => _local.GetOrAdd(
        lineCounts % 3 == 0 && genre == Notation.Genre.Line ? "waltz" : genre.ToString().ToLowerInvariant(),
        (name, lexicon) => new StepLexicon([.. lexicon.Steps], lexicon.Translation, name, lexicon._own),
        this);

    /// <summary>This lexicon with a class's own steps and names in front, and its own meaning of some words.</summary>
    /// <param name="steps">All steps, own ones first.</param>
    /// <param name="names">Names that come before all others.</param>
    /// <param name="words">Words and what they stand for.</param>
    public StepLexicon With(
        IReadOnlyList<NamedStep> steps,
        IReadOnlyList<(string Name, NamedStep Step)> names,
        IReadOnlyDictionary<string, string> words)
    {
        return new StepLexicon(steps, Translation.With(words), null, names);
    }

    public Translation Translation { get; }

    public string Genre { get; }

    public bool MayBegin(string word) =>
        _openers.Contains(word)
            || (word.Length > 3
                && word[^1] == 's'
                && (_openers.Contains(word[..^1]) || (word[^2] == 'e' && _openers.Contains(word[..^2]))));

    public NamedStep? Find(string name) => _byName.GetValueOrDefault(Key(name));

    public NamedStep? Find(IReadOnlyList<string> words, int start, int length, out bool plural)
    {
        Span<char> key = stackalloc char[128];
        var used = 0;
        plural = false;
        for (var i = start; i < start + length; i++)
        {
            if (used + words[i].Length + 1 > key.Length)
            {
                return null;
            }

            if (i > start)
            {
                key[used++] = ' ';
            }

            words[i].CopyTo(key[used..]);
            used += words[i].Length;
        }

        if (_bySpan.TryGetValue(key[..used], out var step))
        {
            return step;
        }

        // Plurals: vines, shuffles, toe touches, step touches.
        plural = used > 3 && key[used - 1] == 's';
        if (plural && _bySpan.TryGetValue(key[..(used - 1)], out step))
        {
            return step;
        }

        if (plural && key[used - 2] == 'e' && _bySpan.TryGetValue(key[..(used - 2)], out step))
        {
            return step;
        }

        plural = false;
        return null;
    }

    public IReadOnlyList<NamedStep> Otherwise(IReadOnlyList<string> words, int start, int length)
    {
        if (_shared.Count == 0)
        {
            return [];
        }

        var key = length == 1 ? words[start] : string.Join(' ', words.Skip(start).Take(length));
        if (_shared.TryGetValue(key, out var others) || (key.EndsWith('s') && _shared.TryGetValue(key[..^1], out others)))
        {
            return others;
        }

        // "Heel digs" is a step of its own, and some of another.
        return key.EndsWith('s')
            && _byName.TryGetValue(key, out var named)
            && !named.IsOwn
            && _byName.TryGetValue(key[..^1], out var single)
            && single != named ? [single] : [];
    }

    /// <summary>Letters of a name of several words that is understood in one too.</summary>
    private const int ShortestJoined = 8;

    private readonly Lazy<Dictionary<string, string>> _languageOf;

    /// <summary>
    /// The language that a word is plainly of, as a word or in the name of a step; null for English, and for one that is of several.
    /// </summary>
    /// <param name="word">In lower case.</param>
    public string? LanguageOf(string word) => Translation.LanguageOf(word) ?? _languageOf.Value.GetValueOrDefault(word);

    private Dictionary<string, string> NamesByLanguage()
    {
        var words = new Dictionary<string, string>();
        var english = Steps.SelectMany(s => s.Aliases.Append(s.Name))
            .SelectMany(n => n.Split(' '))
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var (language, name) in Steps.SelectMany(s => s.Languages).SelectMany(l => l.Value.Select(n => (l.Key, n))))
        {
            foreach (var word in name.ToLowerInvariant().Split(' ').Where(w => w.Length > 3 && !english.Contains(w)))
            {
                words.TryAdd(word, language);
            }
        }

        return words;
    }

    /// <summary>A name as it is looked up: lower case, its words parted by single spaces.</summary>
    internal static string Key(string name) =>
        string.Join(
            ' ',
            Lexer.Read(name)
                .Where(t => t.Kind is not (TokenKind.Mark or TokenKind.Separator or TokenKind.Open or TokenKind.Close))
                .Select(t => t.Text));
}
