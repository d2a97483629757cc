using FondCompass.Core.Lexicon;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Steps;

/// <summary>The shipped data, read.</summary>
public sealed partial class StepLexicon
{
    /// <summary>Reads lexicon files in YAML. Forms are in the shorthand of verbs, so that no entry hangs on another.</summary>
    /// <exception cref="FormatException">An entry cannot be read.</exception>
    public static StepLexicon Load(IEnumerable<string> files, IEnumerable<string> languages)
    {
        var tongues = languages.Select(file => LexiconFiles.Yaml.Deserialize<Dictionary<string, LanguageRows>>(file))
            .SelectMany(f => f)
            .ToList();
        var steps = files
            .SelectMany(file => LexiconFiles.Yaml.Deserialize<List<LexiconRow>>(file))
            .Select(row => row.ToStep(tongues))
            .ToList();
        var words = tongues.SelectMany(t => t.Value.Words.Select(w => (w.Key, w.Value, t.Key, false))
            .Concat(t.Value.Small.Select(w => (w.Key, w.Value, t.Key, true))));
        return new StepLexicon(steps, Translation.FromRows(words));
    }

    private static StepLexicon LoadShipped() => Load(
        LexiconFiles.Texts(n => char.IsAsciiDigit(n.Split('.')[^2][0])),
        LexiconFiles.Texts(n => n.EndsWith(".lang.yaml", StringComparison.Ordinal)));

    /// <summary>Words and names of one language, as they stand in a language file.</summary>
    private sealed class LanguageRows
    {
        public Dictionary<string, string> Words { get; set; } = [];

        /// <summary>Words so short that they count only beside another word of the language.</summary>
        public Dictionary<string, string> Small { get; set; } = [];

        public Dictionary<string, List<string>> Steps { get; set; } = [];
    }

    /// <summary>An entry as it stands in a lexicon file.</summary>
    private sealed class LexiconRow
    {
        public string Step { get; set; } = "";

        public List<string> Also { get; set; } = [];

        public Dictionary<string, List<string>> Local { get; set; } = [];

        public List<string> Genre { get; set; } = [];

        public List<string> Forms { get; set; } = [];

        public int? TurnAt { get; set; }

        public bool Repeats { get; set; }

        public bool Pivots { get; set; }

        public bool Manner { get; set; }

        public string? Full { get; set; }

        public string? Short { get; set; }

        public string? Single { get; set; }

        public int Level { get; set; } = 1;

        /// <summary>"beginner" where even they may be trusted to know it; else by its level.</summary>
        public string? Trusted { get; set; }

        public string? Caution { get; set; }

        public NamedStep ToStep(List<KeyValuePair<string, LanguageRows>> tongues)
        {
            if (Step.Length == 0 || Forms.Count == 0)
            {
                throw new FormatException(StepTexts.StepNeedsForm(Step));
            }

            var forms = Forms.ConvertAll(FormReader.Read);
            return new NamedStep
            {
                Name = Step,
                Aliases = Also,
                Languages = tongues.Where(t => t.Value.Steps.ContainsKey(Step))
                    .ToDictionary(t => t.Key, t => (IReadOnlyList<string>)t.Value.Steps[Step]),
                LocalNames = Local.ToDictionary(l => l.Key, l => (IReadOnlyList<string>)l.Value),
                Genres = Genre,
                Forms = forms,
                FormTexts = Forms,
                TurnAt = TurnAt - 1,
                Repeats = Repeats,
                Pivots = Pivots,
                IsManner = Manner,
                Level = Level,
                Trust = Trusted switch
                {
                    null => Level,
                    "beginner" => 0,
                    _ =>
                        throw new FormatException(
                            StepTexts.NoClassTrusted(Trusted, Step))
                },
                Caution = Caution,
                HighImpact = forms.Exists(f => f.Actions.Any(a => a.Phrase.Verb is { IsHighImpact: true })),
                Cue = new CueWords(Full ?? Step, Short ?? Step, Single ?? Step.Split(' ')[^1]),
            };
        }
    }
}
