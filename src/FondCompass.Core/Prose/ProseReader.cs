using System.Globalization;
using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using static FondCompass.Core.Prose.ProsePatterns;

namespace FondCompass.Core.Prose;

/// <summary>
/// Reads somebody's own wording (reading, section 7): settings, headings and orders first, then sentence by sentence steps and talk.
/// Steps go through the one reader of rows; counts are those said, those of the headings, or the steps' own. Nothing is dropped.
/// </summary>
public sealed partial class ProseReader
{
    private readonly IStepNames _names;
    private readonly Dance _frame;
    private readonly ProseSettings _settings;
    private readonly IReadOnlyList<ProseLine> _lines;
    private readonly StepLexicon _lexicon;
    private readonly CancellationToken _cancel;
    private string[] _behind;
    private readonly RowBinder _binder;
    private readonly List<PastedRow> _rows = [];
    private readonly List<string> _script = [];
    private readonly List<string> _tail = [];
    private readonly List<Unit> _units = [];
    private readonly Dictionary<(string Text, bool Counted), IReadOnlyList<ProseStretch>> _stretches = [];
    private readonly Dictionary<string, string> _short = new(StringComparer.OrdinalIgnoreCase);
    private readonly List<string> _definitions = [];
    private readonly HashSet<string> _partNames = new(StringComparer.OrdinalIgnoreCase);
    private string? _part;
    private string? _currentTag;
    private int _at;
    private int _expected;
    private int _sectionStart;
    private int _row;
    private bool _hasTitle;
    private Footing _feet;
    private int _tried;
    private int? _fullAt;
    private double _boundWords;
    private double _lostWords;
    private readonly List<string> _doubts = [];

    /// <summary>Actions that are laid on counts to see how they fit, in all; each is tried on some counts before it is written.</summary>
    private const int MostTried = 4 * ActionBinder.MostMoments;

    /// <summary>Steps that were laid on counts together: what "again" and "the same" may mean.</summary>
    private sealed record Unit(int Row, int Section, string Text, int Counts, int Start, Footing Before, Footing After, IReadOnlyList<string> Rows);

    private ProseReader(string text, StepLexicon lexicon, string? genre, CancellationToken cancel)
    {
        _cancel = cancel;
        _lexicon = lexicon;
        _lines = ProseLine.All(text, out _behind);
        _settings = ProseSettings.Of(_lines, lexicon.Translation, genre);
        _frame = ScriptReader.Read(string.Join('\n', _settings.Rows().Append("part A")));
        _names = ActionBinder.NamesOf(_frame, lexicon, []);
        _binder = new RowBinder(_frame, "A", _names);
        _feet = new Footing(_frame.Header.StartWeight);
    }

    private int LineCounts => _frame.Header.LineCounts;

    /// <param name="text">Any text; at most what a script may be.</param>
    /// <param name="lexicon">The steps known.</param>
    /// <param name="genre">The kind of dance, when it is known; else what the words suggest.</param>
    public static PastedDance Read(string text, StepLexicon? lexicon = null, string? genre = null) => WhileWaited(text, lexicon, genre, CancellationToken.None);

    /// <summary>The same as long as somebody waits for it; then it ends with <see cref="OperationCanceledException"/>.</summary>
    public static PastedDance WhileWaited(string text, StepLexicon? lexicon, string? genre, CancellationToken cancel) =>
        new ProseReader(text, lexicon ?? StepLexicon.Shipped, genre, cancel).Read();

    private PastedDance Read()
    {
        var head = _settings.Rows().ToList();
        for (_row = 0; _row < _lines.Count; _row++)
        {
            _cancel.ThrowIfCancellationRequested();
            if (_tried > MostTried)
            {
                _behind = [.. _lines.Skip(_row).Select(l => l.Raw), .. _behind];
                break;
            }

            _script.Clear();
            var fate = _lines[_row].IsTooLong ? ReadTooLong(_lines[_row]) : ReadLine(_lines[_row]);
            if (_script.TrueForAll(s => s.Length == 0) && !_lines[_row].IsEmpty)
            {
                // Nothing is dropped: what said its word elsewhere stays as a remark.
                _script.Add($"# {_lines[_row].Text}");
            }

            _rows.Add(new PastedRow(_lines[_row].Raw, string.Join('\n', _script), fate));
        }

        if (head.Count > 0)
        {
            _rows.Insert(0, new PastedRow("", string.Join('\n', head), PastedFate.Frame));
        }

        if (_definitions.Count > 0)
        {
            _rows.Insert(head.Count > 0 ? 1 : 0, new PastedRow("", string.Join('\n', _definitions), PastedFate.Frame));
        }

        if (_tail.Count > 0)
        {
            _rows.Add(new PastedRow("", string.Join('\n', _tail), PastedFate.Frame));
        }

        ReadBehind();
        var analysis = Analysis.WhileWaited(PastedDance.ScriptOf(_rows), _lexicon, _cancel);
        var understood = Understood(analysis);
        return new PastedDance(WithReads(analysis), understood, _doubts, analysis);
    }

    /// <summary>A text cut into stretches; the same text is asked about from several sides.</summary>
    private IReadOnlyList<ProseStretch> Stretches(string text, bool counted = false)
    {
        if (!_stretches.TryGetValue((text, counted), out var stretches))
        {
            stretches = _stretches[(text, counted)] = ProseClauses.Read(text, Names, counted);
        }

        return stretches;
    }

    /// <summary>Whether no more steps are laid; the row that there is no room for is told once.</summary>
    private bool IsFull()
    {
        if (_tried > MostTried && _fullAt is null)
        {
            _fullAt = _row;
            Lose(_lines[_row].Raw, string.Create(CultureInfo.InvariantCulture, $"Row {_row + 1} goes on, or repeats what stands before it, past the {MostTried:N0} actions that are tried on their counts; what is left of it stays as notes. Write what is danced again as a part, and call it."));
        }

        return _tried > MostTried;
    }

    private PastedFate ReadTooLong(ProseLine line)
    {
        Lose(line.Raw, string.Create(CultureInfo.InvariantCulture, $"Row {_row + 1} has {line.Raw.Length:N0} letters; one of more than {ProseLine.LongestRow:N0} is not read, and stays as a remark. Part it into sentences, a row each."));
        _script.Add($"# {RowText.Plain(line.Raw).Trim()}");
        return PastedFate.Aside;
    }

    /// <summary>What is beyond all that is read stays as remarks.</summary>
    private void ReadBehind()
    {
        if (_behind.Length > 0)
        {
            Lose(_behind[0], string.Create(CultureInfo.InvariantCulture, $"{ProseLine.MostRows:N0} rows and {ProseLine.MostWords:N0} words are read, and {MostTried:N0} actions tried on their counts; what begins with row {_row + 1:N0} is not, and stays as remarks. Paste one dance at a time."));
            var kept = _behind.Where(r => r.Trim().Length > 0).Select(r => $"# {RowText.Plain(r).Trim()}");
            _rows.Add(new PastedRow(string.Join('\n', _behind), string.Join('\n', kept), PastedFate.Aside));
        }
    }

    private void Lose(string text, string why)
    {
        _lostWords += text.Count(char.IsWhiteSpace) + 1;
        _doubts.Add(why);
    }

    private PastedFate ReadLine(ProseLine line)
    {
        if (line.IsEmpty)
        {
            return PastedFate.Frame;
        }

        var text = Shortened(line.Text);
        if (!_hasTitle && _part is null && NameBeforeSettings(text) is { } named)
        {
            // "Bell Buoy - 32 counts, 4 walls."
            _hasTitle = true;
            _script.Add($"title {named}");
        }

        if (Events(text, line) is { } frame)
        {
            return frame;
        }

        if (ReadShorthand(text) || ReadOrder(text) || ReadDefinition(text))
        {
            return PastedFate.Frame;
        }

        if (line.Cells.Count > 1 && ReadTable(line) is { } table)
        {
            return table;
        }

        if (ReadKey(text, line) is { } key)
        {
            return key;
        }

        if (ProseHeadings.PartOf(text) is { } part)
        {
            return ReadPart(part, text);
        }

        if (ProseHeadings.SectionOf(text, _part) is { } section)
        {
            BeginSection(section.Counts);
            var rest = section.Rest.Trim(' ', '-', '–', ':', '.', ',');
            if (rest.Length == 0 || IsNameOfWhatFollows(rest))
            {
                Line(rest);
                return PastedFate.Frame;
            }

            return ReadSentences(rest);
        }

        if (!StartsWithCounts(text) && _part is not null && FollowsHeading() && IsNameOfWhatFollows(text))
        {
            Rename(text);
            return PastedFate.Frame;
        }

        if (!_hasTitle && _part is null && Title.Match(text) is { Success: true } called)
        {
            // "It's called Slack Water Stroll, 32 counts …"
            _hasTitle = true;
            _script.Add($"title {Unfinished.Replace(called.Groups[1].Value, "").Trim()}");
        }

        if (!_hasTitle && _part is null && IsTitle(text))
        {
            _hasTitle = true;
            // A title with more behind it keeps the whole row beside it.
            var name = text.Split(',', '(')[0].Trim(' ', '-', '–', '"', '“', '”');
            _script.Add($"title {(name.Length > 0 ? name : text)}");
            if (name != text)
            {
                _script.Add($"# {text}");
            }

            _boundWords += 1;
            return PastedFate.Frame;
        }

        if (_part is null && _settings.IsOnly(text) && (_settings.BoundIn(text) > 0 || !TellsSteps(text)))
        {
            _boundWords += _settings.BoundIn(text);
            Note(text);
            return PastedFate.Frame;
        }

        return ReadSentences(text);
    }

    private IStepNames? _own;

    private IStepNames Names => _own ?? _names;
}
