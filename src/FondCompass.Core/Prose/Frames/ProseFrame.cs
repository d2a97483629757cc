using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Prose.Frames;

/// <summary>
/// What each row of a text is around the steps: titles, keys, headings, orders, tags, restarts, own steps; the rest are sentences.
/// </summary>
internal sealed partial class ProseFrame
{
    private readonly IReadOnlyList<ProseLine> _lines;
    private readonly ProseSettings _settings;
    private readonly StepLexicon _lexicon;
    private readonly CancellationToken _cancel;
    private readonly List<ProseItem> _items = [];
    private readonly List<string> _definitions = [];
    private readonly List<string> _tail = [];
    private readonly List<string> _doubts = [];
    private readonly CalledNames _called;
    private readonly Dictionary<string, string> _short = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, IReadOnlyList<ProseClause>> _clauses = [];
    private readonly HashSet<string> _legends = [];
    private readonly HashSet<int> _listed;
    private readonly HashSet<string> _labels;
    private readonly Dictionary<string, NumberedHead> _numbered;
    private readonly HashSet<string> _lettered;
    private readonly Dictionary<string, (int Counts, string Steps)> _eights;
    private readonly HashSet<int> _ended;
    private string? _title;
    private int _titleRow;
    private IReadOnlyList<string>? _columns;
    private int _row;
    private int _sentence;
    private bool _hasTitle;
    private bool _hasPart;
    private bool _isOrderNext;

    public ProseFrame(IReadOnlyList<ProseLine> lines, ProseSettings settings, StepLexicon lexicon, CancellationToken cancel)
    {
        (_lines, _settings, _lexicon, _cancel) = (lines, settings, lexicon, cancel);
        Names = NamesWith([]);
        _called = CalledIn(lines);
        _listed = ListedIn(lines);
        _labels = LabelledIn(lines);
        _numbered = NumberedIn(lines);
        _lettered = LetteredIn(lines);
        _eights = EightsIn(lines, settings.Line);
        _ended = [.. lines.Where(l => !l.IsTooLong)
            .Select(l => CountsReader.TryRead(l.Text, MostCounts, null, out var counts, out _) == CountsOutcome.Read
            ? counts!.Last.Number : 0)];
        ReadAbbreviations();
    }

    /// <summary>The steps known, the text's own among them.</summary>
    public IStepNames Names { get; private set; }

    /// <summary>Own steps as rows of the script.</summary>
    public IReadOnlyList<string> Definitions => _definitions;

    /// <summary>Rows behind all parts: the order, tags after walls, restarts.</summary>
    public IReadOnlyList<string> Tail => _tail;

    /// <summary>What was decided though the text does not say it.</summary>
    public IReadOnlyList<string> Doubts => _doubts;

    /// <summary>Several parts, and no order that was read: they are danced one after another by a guess.</summary>
    public bool IsOrderGuessed { get; private set; }

    /// <summary>Words of the frame that were understood, and those that were not read at all.</summary>
    public double Bound { get; private set; }

    public double Lost { get; private set; }

    private int LineCounts => _settings.Line;

    private IStepNames NamesWith(IEnumerable<string> definitions) =>
        ActionBinder.NamesOf(ScriptReader.Read(string.Join('\n', _settings.Rows().Concat(definitions).Append("part A"))), _lexicon, []);

    public IReadOnlyList<ProseItem> Read()
    {
        for (_row = 0; _row < _lines.Count; _row++)
        {
            _cancel.ThrowIfCancellationRequested();
            if (_lines[_row].IsTooLong)
            {
                Lost += _lines[_row].Raw.Count(char.IsWhiteSpace) + 1;
            }
            else if (!_lines[_row].IsEmpty)
            {
                ReadLine(_lines[_row]);
            }
            else
            {
                _columns = null;
            }
        }

        return Parted();
    }

    /// <summary>
    /// Parts numbered one after another, each a line long or without an order, are the lines of one dance; several parts without an order
    /// go one
    /// after another.
    /// </summary>
    private List<ProseItem> Parted()
    {
        var parts = _items.OfType<PartItem>().Where(p => !p.IsTag).ToList();
        var hasOrder = _tail.Exists(t => t.StartsWith("order ", StringComparison.Ordinal));
        var isLines = parts.TrueForAll(p => p.Counts > 0 && p.Counts <= LineCounts)
            || (_settings.Counts == parts.Count * LineCounts && parts.TrueForAll(p => p.Counts == 0));
        if (parts.Count > 1 && !hasOrder && isLines && parts.TrueForAll(p => ProseForms.Number(p.Name) > 0))
        {
            return _items.ConvertAll(i => i is PartItem { IsTag: false } part
                ? new SectionItem(part.Row, part.Counts, part.Name, IsSoft: false)
                : i);
        }

        if (parts.Count == 0 && hasOrder && _tail.RemoveAll(t => t.StartsWith("order ", StringComparison.Ordinal)) > 0)
        {
            _doubts.Add(PasteTexts.OrderStaysAsRemark);
        }

        // The first part may have begun by itself; one of which nothing is danced is not called.
        var danced = _items.TakeWhile(i => i is not PartItem).Any(IsDanced) ? new List<string> { ProseSearch.FirstPart } : [];
        danced.AddRange(parts.Where(p => _items.SkipWhile(i => !ReferenceEquals(i, p))
            .Skip(1)
            .TakeWhile(i => i is not PartItem)
            .Any(IsDanced))
            .Select(p => p.Name));
        if (danced.Count > 1 && !hasOrder)
        {
            _tail.Insert(0, $"order {string.Join(", ", danced)}");
            IsOrderGuessed = true;
            _doubts.Add(PasteTexts.NoOrderSaid);
        }

        return _items;
    }

    private bool IsDanced(ProseItem item) =>
        item is SentenceItem told && told.Cuts[0].Any(p => Clauses(p.Text).Any(c => c.Kind is ClauseKind.Steps));

    private void ReadLine(ProseLine line)
    {
        var text = Shortened(line.Text);
        if (!_hasTitle && !_hasPart && NameBeforeSettings(text) is { } named)
        {
            // "Bell Buoy - 32 counts, 4 walls."
            (_hasTitle, _title, _titleRow) = (true, named, _row);
            Write($"title {named}");
        }

        if (!_tail.Exists(t => t.StartsWith("order ", StringComparison.Ordinal))
            && OrderIn(_lines, _row) is null
            && InnerOrder(_lines, _row) is { } inner)
        {
            _tail.Add($"order {_called.Written(inner)}");
            Bound += Words().Count(inner);
        }

        if (IsFeetBeside(text) || _legends.Contains(line.Text))
        {
            // "L  RL RL RL" below the steps: the same once more, by its feet.
            Write($"# {line.Text}");
            return;
        }

        // Steps beside what is said of tags and restarts are read sentence by sentence.
        var isBeside = Sentences(text) is { Count: > 1 } sentences
            && sentences.Exists(s => TellsSteps(s) && !IsOfEvent(s))
            && sentences.Exists(IsOfEvent);
        if ((!isBeside && ReadEvents(text))
            || ReadOrderRow(text)
            || ReadShorthand(text)
            || ReadDefinition(text)
            || ReadTable(line)
            || ReadKey(text, line)
            || ReadHeading(text) || ReadTitle(text))
        {
            return;
        }

        if (!_hasPart && _settings.IsOnly(text) && (_settings.BoundIn(text) > 0 || !TellsSteps(text)))
        {
            Bound += _settings.BoundIn(text);
            Note(text);
            return;
        }

        var before = _items.Count;
        ReadSentences(text);
        if (_items.Count == before + 1 && _items[^1] is SentenceItem told && told.Cuts[0].All(p => p.Length == 0) && !StartsWithCounts(text)
            && IsNameOfWhatFollows(text) && BeginsLine())
        {
            // "Side rock, cha cha cha x2", and the counted rows below.
            _items[^1] = told with { Names = text };
        }
    }

    /// <summary>The next row is counted from the beginning of a line.</summary>
    private bool BeginsLine() => _lines.Skip(_row + 1).FirstOrDefault(l => !l.IsEmpty) is { } next
        && CountsReader.TryRead(next.Text, MostCounts, null, out var counts, out _) == CountsOutcome.Read
        && (counts!.First.Number - 1) % LineCounts == 0;

    private void Write(string row, double bound = 0) => _items.Add(new FrameItem(_row, row, bound));

    private void Note(string text)
    {
        var words = AsWritten(text).Trim();
        if (words.Length > 0)
        {
            _items.Add(new NoteItem(_row, words));
        }
    }

    private IReadOnlyList<ProseClause> Clauses(string text)
    {
        if (!_clauses.TryGetValue(text, out var clauses))
        {
            clauses = _clauses[text] = ProseClauses.Read(text, Names);
        }

        return clauses;
    }

    /// <summary>Steps by their names, or what arms and hips do with counts said for it.</summary>
    private bool TellsSteps(string text) =>
        Clauses(text).Any(c => c.Kind == ClauseKind.Steps && c.Stray == 0 && (c.Deeds > 0 || ProseForms.Says("lasting", text)))
        || (ProseForms.Says("lasting", text) && Clauses(text).Any(c => c is { IsBody: true, Stray: 0 }));
}
