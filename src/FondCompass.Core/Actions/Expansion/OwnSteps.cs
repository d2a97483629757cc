using System.Runtime.CompilerServices;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Expansion;

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
    private readonly HashSet<string> _openers = [];
    private readonly Dictionary<string, WeightEnd> _ends = [];
    private readonly List<Finding> _findings;
    private int _actions;

    private OwnSteps(StepLexicon lexicon, IReadOnlyList<StepDefinition> definitions, List<Finding> findings)
    {
        _lexicon = lexicon;
        _findings = findings;
        LongestName = lexicon.LongestName;
        foreach (var definition in definitions)
        {
            var key = StepLexicon.Key(definition.Name);
            if (NamedMoves.EndOf(lexicon, definition.Meaning) is { } end)
            {
                // "step running man = other foot": no steps, only where it ends.
                _ends.TryAdd(key, end);
                continue;
            }

            _open.TryAdd(key, definition);
            _lengths.Add(key.Count(c => c == ' ') + 1);
            _openers.Add(key.Split(' ')[0]);
            LongestName = Math.Max(LongestName, key.Count(c => c == ' ') + 1);
        }
    }

    public int LongestName { get; }

    public IEnumerable<NamedStep> Steps => _done.Values.OfType<NamedStep>().Concat(_lexicon.Steps);

    public Translation Translation => _lexicon.Translation;

    public string Genre => _lexicon.Genre;

    public bool MayBegin(string word) =>
        _lexicon.MayBegin(word) || _openers.Contains(word) || (word.EndsWith('s') && _openers.Contains(word[..^1]));

    /// <summary>Sets of definitions that are kept for one lexicon, with the readings of rows that were read by them.</summary>
    private const int MostKept = 8;

    private static readonly ConditionalWeakTable<StepLexicon, Dictionary<string, OwnSteps>> Kept = [];

    /// <summary>The shipped lexicon itself when the dance defines nothing.</summary>
    public static IStepNames Over(StepLexicon lexicon, IReadOnlyList<StepDefinition> definitions, List<Finding> findings)
    {
        if (definitions.Count == 0)
        {
            return lexicon;
        }

        // Each key typed reads the dance anew, and mostly by the same definitions.
        var key = string.Join('\n', definitions.Select(d => $"{d.Row} {d.Name} = {d.Meaning}"));
        var kept = Kept.GetOrCreateValue(lexicon);
        OwnSteps? own;
        lock (kept)
        {
            own = kept.GetValueOrDefault(key);
        }

        if (own is null)
        {
            own = new OwnSteps(lexicon, definitions, []);
            foreach (var name in own._open.Keys)
            {
                own.Resolve(name);
            }

            lock (kept)
            {
                if (kept.Count >= MostKept)
                {
                    kept.Clear();
                }

                kept[key] = own;
            }
        }

        findings.AddRange(own._findings);
        return own;
    }

    public bool NamesMoves => _ends.Count > 0;

    public WeightEnd? EndOf(string move) => _ends.TryGetValue(StepLexicon.Key(move), out var end) ? end : null;

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
        var words = StepLexicon.Key(wording).Split(' ');
        return _lengths.Any(length => Enumerable.Range(0, Math.Max(0, words.Length - length + 1))
            .Any(start => string.Join(' ', words.Skip(start).Take(length)) is var key
                && _open.ContainsKey(key)
                && _done.TryGetValue(key, out var step)
                && step is null));
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
                ActionTexts.StepMadeOfItself(definition.Name)));
            _done[key] = null;
            return null;
        }

        var step = Build(definition);
        _under.Remove(key);
        _actions += step?.Forms.Sum(f => f.Actions.Count) ?? 0;
        _done.TryAdd(key, step);
        return _done[key];
    }

    private NamedStep? Build(StepDefinition definition)
    {
        if (_actions > ActionBinder.MostMoments)
        {
            _findings.Add(ActionFindings.TooLong.At(
                definition.Row,
                ActionTexts.TooManyDefinedActions(ActionBinder.MostMoments, definition.Name)));
            return null;
        }

        var pieces = CountedPieces.Split(definition.Meaning, _lexicon.Genre == "waltz" ? 6 : 8);
        var forms = pieces is [{ Counts: null }] ? Spelled(definition, definition.Meaning) : Counted(definition, pieces);
        if (forms.Count == 0)
        {
            return null;
        }

        return new NamedStep
        {
            Name = definition.Name,
            Forms = forms,
            FormTexts = [definition.Meaning],
            Cue = new CueWords(definition.Name, definition.Name, definition.Name.Split(' ')[^1]),
            IsOwn = true,
        };
    }

    /// <summary>Words without counts: every sensible reading is a form, and the counts of the row that calls it decide.</summary>
    private List<StepForm> Spelled(StepDefinition definition, string meaning)
    {
        var forms = new List<StepForm>();
        foreach (var wording in Readable(definition, meaning))
        {
            if (Placer.Place(
                wording,
                null,
                new Beat(1, Fraction.Whole),
                new WrittenFeet(_lexicon.Genre)) is [{ Actions.Count: > 0 } placed, ..])
            {
                forms.Add(FormOf(placed.Actions, placed.Last));
            }
        }

        return [.. forms.DistinctBy(f => string.Join(' ', f.Actions.Select(a => $"{a.At}{a.Phrase.Name}")))];
    }

    /// <summary>"1&amp;2 shuffle R, 3 touch L": a rhythm of its own.</summary>
    private List<StepForm> Counted(StepDefinition definition, IReadOnlyList<CountedPiece> pieces)
    {
        var actions = new List<PlacedAction>();
        var last = 1;
        var written = new WrittenFeet(_lexicon.Genre);
        foreach (var (counts, _, words, _) in pieces)
        {
            // As in a row: what has no counts for more is what it says, and is not completed.
            var all = Readable(definition, words);
            var plain = all.FindAll(r => r is not { Completed: true, Items.Count: 1 } || counts is { Span: > 1 });
            var readings = plain.Count > 0 ? plain : all;
            if (readings.Count == 0)
            {
                return [];
            }

            var placed = readings.SelectMany(r => Placer.Place(r, counts, new Beat(last + 1, Fraction.Whole), written)
                .Select(p => (Placed: p, Cost: r.Cost + (2 * p.Cost)))).MinBy(p => p.Cost).Placed;
            if (placed.Complaint is { } complaint)
            {
                _findings.Add(ActionFindings.TooFewCounts.At(definition.Row, ActionTexts.InDefinition(definition.Name, complaint)));
            }

            actions.AddRange(placed.Actions);
            written = written.Onwards();
            written.FreeAfter(placed.Actions);
            last = Math.Max(last, placed.Last);
        }

        return actions.Count == 0 ? [] : [FormOf(actions, last)];
    }

    private List<RowReading> Readable(StepDefinition definition, string words)
    {
        // Not kept: what a name means is still being found out.
        var readings = RowReader.ReadAnew(this, words);
        var read = readings.Candidates.Where(c => c.IsRead && !c.Unread.Any()).ToList();
        if (read.Count > 0)
        {
            _findings.AddRange(read[0].Respelled.Select(s => ActionFindings.Misspelt.At(definition.Row,
                ActionTexts.DefinitionReadAs(definition.Name, s.Written, s.Known))));
            return read;
        }

        var unread = readings.First.Unreadable.Concat(readings.First.Unread).Select(u => u.Text).ToList();
        if (unread.Count > 0 ? !unread.TrueForAll(IsBroken) : !IsBroken(words))
        {
            // What hangs on a broken definition has been told with that one.
            _findings.Add(ActionFindings.DefinitionUnread.At(
                definition.Row,
                ActionTexts.DefinitionHasUnknownStep(definition.Name, unread.Count > 0 ? string.Join(", ", unread) : words)));
        }

        return [];
    }

    /// <summary>The definition is written for the foot it starts with; forms are kept for the right foot leading.</summary>
    private static StepForm FormOf(IReadOnlyList<PlacedAction> placed, int counts)
    {
        var flip = placed.FirstOrDefault(a => a.Phrase.Foot.IsSingle()) is { Phrase: { } first } && first.Foot == Foot.Left;
        return new StepForm(
            [.. placed.Select(a => new FormAction(flip ? Mirror(a.Phrase) : a.Phrase, a.Beat.ToTick(swing: false, bothInCount: false)))],
            counts);
    }

    private static Phrase Mirror(Phrase phrase) => phrase with
    {
        Feet = phrase.Feet.Select(f => f.Other()).ToList(),
        Onto = phrase.Onto.Other(),
        Crossing = phrase.Crossing.Other(),
        Turn = phrase.Turn is null ? null : phrase.Turn with { Side = -phrase.Turn.Side },
    };
}
