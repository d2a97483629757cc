using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>
/// The lexicon with the dance's own definitions in front ("step rope walk = step R across, step L across"). Definitions may
/// use one another in any order, but not in a circle.
/// </summary>
internal sealed class OwnSteps : IStepNames
{
    private readonly StepLexicon _lexicon;
    private readonly Dictionary<string, StepDefinition> _open = [];
    private readonly Dictionary<string, NamedStep?> _done = [];
    private readonly HashSet<string> _under = [];
    private readonly HashSet<int> _lengths = [];
    private readonly List<Finding> _findings;

    private OwnSteps(StepLexicon lexicon, IReadOnlyList<StepDefinition> definitions, List<Finding> findings)
    {
        _lexicon = lexicon;
        _findings = findings;
        LongestName = lexicon.LongestName;
        foreach (var definition in definitions)
        {
            var key = StepLexicon.Key(definition.Name);
            _open.TryAdd(key, definition);
            _lengths.Add(key.Count(c => c == ' ') + 1);
            LongestName = Math.Max(LongestName, key.Count(c => c == ' ') + 1);
        }
    }

    public int LongestName { get; }

    public IEnumerable<NamedStep> Steps => _done.Values.OfType<NamedStep>().Concat(_lexicon.Steps);

    public string Translate(string word) => _lexicon.Translate(word);

    /// <summary>The shipped lexicon itself when the dance defines nothing.</summary>
    public static IStepNames Over(StepLexicon lexicon, IReadOnlyList<StepDefinition> definitions, List<Finding> findings)
    {
        if (definitions.Count == 0)
        {
            return lexicon;
        }

        var own = new OwnSteps(lexicon, definitions, findings);
        foreach (var key in own._open.Keys)
        {
            own.Resolve(key);
        }

        return own;
    }

    public NamedStep? Find(IReadOnlyList<string> words, int start, int length, out bool plural)
    {
        plural = false;
        if (!_lengths.Contains(length))
        {
            return _lexicon.Find(words, start, length, out plural);
        }

        var key = length == 1 ? words[start] : string.Join(' ', words.Skip(start).Take(length));
        if (Own(key) is { } own)
        {
            return own;
        }

        if (key.EndsWith('s') && Own(key[..^1]) is { } single)
        {
            plural = true;
            return single;
        }

        return _lexicon.Find(words, start, length, out plural);
    }

    public IReadOnlyList<NamedStep> Otherwise(IReadOnlyList<string> words, int start, int length) =>
        _open.ContainsKey(string.Join(' ', words.Skip(start).Take(length))) ? [] : _lexicon.Otherwise(words, start, length);

    private NamedStep? Own(string key) => _open.ContainsKey(key) ? Resolve(key) : null;

    public bool IsBroken(string wording)
    {
        var words = PhraseWords.Split(wording);
        return _lengths.Any(length => Enumerable.Range(0, Math.Max(0, words.Count - length + 1))
            .Any(start => string.Join(' ', words.Skip(start).Take(length)) is var key && _open.ContainsKey(key) && _done.TryGetValue(key, out var step) && step is null));
    }

    /// <summary>Depth is bounded, so that a long chain of definitions cannot exhaust the stack.</summary>
    private const int Deepest = 64;

    private NamedStep? Resolve(string key)
    {
        if (_done.TryGetValue(key, out var done))
        {
            return done;
        }

        var definition = _open[key];
        if (!_under.Add(key) || _under.Count > Deepest)
        {
            _findings.Add(ActionFindings.DefinitionCircle.At(
                definition.Row,
                $"'{definition.Name}' is made of itself, directly or by way of another step. Spell out one of them action by action, such as 'step R side'."));
            _done[key] = null;
            return null;
        }

        var step = Build(definition);
        _under.Remove(key);
        _done.TryAdd(key, step);
        return _done[key];
    }

    private NamedStep? Build(StepDefinition definition)
    {
        var wording = Wording.Read(this, definition.Meaning);
        var pieces = wording.Groups.Count == 1 ? wording.Groups[0] : [];
        var unread = wording.Unreadable.Concat(pieces.SelectMany(p => p.Unread)).ToList();
        if (unread.Count > 0 && unread.TrueForAll(IsBroken))
        {
            // What it hangs on has been told already.
            return null;
        }

        if (wording.Groups.Count != 1 || unread.Count > 0)
        {
            _findings.Add(ActionFindings.DefinitionUnread.At(
                definition.Row, $"In the definition of '{definition.Name}', '{string.Join(", ", unread)}' is not known. Name a step of the lexicon or spell it out: 'step R side'."));
            return null;
        }

        var placed = new CallPlacer(CallFeet.Absolute).Place(pieces, null, new Beat(1, Fraction.Whole));
        if (placed.Actions.Count == 0)
        {
            return null;
        }

        // The definition is written for the foot it starts with; forms are kept for the right foot leading.
        var flip = placed.Actions.FirstOrDefault(a => a.Phrase.Foot.IsSingle()) is { Phrase: { } first } && first.Foot == Foot.Left;
        var actions = placed.Actions.Select(a => new FormAction(
            flip ? Mirror(a.Phrase) : a.Phrase, a.Beat.ToTick(swing: false, bothInCount: false))).ToList();
        return new NamedStep
        {
            Name = definition.Name,
            Forms = [new StepForm(actions, placed.Last)],
            FormTexts = [definition.Meaning],
            Cue = new CueWords(definition.Name, definition.Name, definition.Name.Split(' ')[^1]),
            IsOwn = true,
        };
    }

    private static Phrase Mirror(Phrase phrase) => phrase with
    {
        Feet = phrase.Feet.Select(f => f.Other()).ToList(),
        Onto = phrase.Onto.Other(),
        Turn = phrase.Turn is null ? null : phrase.Turn with { Side = -phrase.Turn.Side },
    };
}
