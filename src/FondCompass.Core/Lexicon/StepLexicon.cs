using System.Collections.Frozen;
using YamlDotNet.Serialization;
using YamlDotNet.Serialization.NamingConventions;

namespace FondCompass.Core.Lexicon;

/// <summary>The steps that are known, as data; docs/lexicon.md tells how an entry is written. Immutable.</summary>
public sealed class StepLexicon : IStepNames
{
    private static readonly Lazy<StepLexicon> Loaded = new(LoadShipped);

    private readonly FrozenDictionary<string, NamedStep> _byName;
    private readonly FrozenDictionary<string, NamedStep>.AlternateLookup<ReadOnlySpan<char>> _bySpan;

    private StepLexicon(IReadOnlyList<NamedStep> steps)
    {
        Steps = steps;
        var names = new Dictionary<string, NamedStep>();
        foreach (var step in steps)
        {
            foreach (var name in step.Aliases.Prepend(step.Name).Concat(step.Languages.Values.SelectMany(l => l)))
            {
                names.TryAdd(Key(name), step);
            }
        }

        _byName = names.ToFrozenDictionary();
        _bySpan = _byName.GetAlternateLookup<ReadOnlySpan<char>>();
        LongestName = names.Keys.Select(k => k.Count(c => c == ' ') + 1).DefaultIfEmpty(1).Max();
    }

    /// <summary>The lexicon that ships with the application.</summary>
    public static StepLexicon Shipped => Loaded.Value;

    public IEnumerable<NamedStep> Steps { get; }

    public int LongestName { get; }

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

    /// <summary>Reads lexicon files in YAML. Forms may use verbs only, so that no entry hangs on another.</summary>
    /// <exception cref="FormatException">An entry cannot be read.</exception>
    public static StepLexicon Load(IEnumerable<string> files)
    {
        var deserializer = new DeserializerBuilder().WithNamingConvention(CamelCaseNamingConvention.Instance).Build();
        var verbsOnly = new StepLexicon([]);
        var steps = files
            .SelectMany(file => deserializer.Deserialize<List<LexiconRow>>(file))
            .Select(row => row.ToStep(verbsOnly))
            .ToList();
        return new StepLexicon(steps);
    }

    internal static string Key(string name) => string.Join(' ', PhraseWords.Split(name));

    private static StepLexicon LoadShipped()
    {
        var assembly = typeof(StepLexicon).Assembly;
        return Load(assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".yaml", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)
            .Select(n =>
            {
                using var reader = new StreamReader(assembly.GetManifestResourceStream(n)!);
                return reader.ReadToEnd();
            }));
    }

    /// <summary>An entry as it stands in a lexicon file.</summary>
    private sealed class LexiconRow
    {
        public string Step { get; set; } = "";

        public List<string> Also { get; set; } = [];

        public Dictionary<string, List<string>> Lang { get; set; } = [];

        public List<string> Genre { get; set; } = [];

        public List<string> Forms { get; set; } = [];

        public int? TurnAt { get; set; }

        public bool Repeats { get; set; }

        public string? Full { get; set; }

        public string? Short { get; set; }

        public string? Single { get; set; }

        public int Level { get; set; } = 1;

        public string? Caution { get; set; }

        public NamedStep ToStep(IStepNames names)
        {
            if (Step.Length == 0 || Forms.Count == 0)
            {
                throw new FormatException($"The lexicon entry '{Step}' needs a name and at least one form.");
            }

            var forms = Forms.ConvertAll(f => FormReader.Read(names, f));
            return new NamedStep
            {
                Name = Step,
                Aliases = Also,
                Languages = Lang.ToDictionary(l => l.Key, l => (IReadOnlyList<string>)l.Value),
                Genres = Genre,
                Forms = forms,
                FormTexts = Forms,
                TurnAt = TurnAt - 1,
                Repeats = Repeats,
                Level = Level,
                Caution = Caution,
                HighImpact = forms.Exists(f => f.Actions.Any(a => a.Phrase.Verb is { IsHighImpact: true })),
                Cue = new CueWords(Full ?? Step, Short ?? Step, Single ?? Step.Split(' ')[^1]),
            };
        }
    }
}
