using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>
/// Reads somebody's own wording (reading, section 7): settings, headings and orders first, then sentence by sentence steps and talk.
/// Steps go through the one reader of rows; counts are those said, those of the headings, or the steps' own. Nothing is dropped.
/// </summary>
public sealed partial class ProseReader
{
    private const RegexOptions Safe = RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant;

    private static readonly Regex OrderRow = new(@"^(?:(?:so |and )?(?:the )?(?:sequence|order|phrasing|running order|dance order)(?: is| goes)?|it goes|orden|secuencia|reihenfolge|ablauf|순서|порядок)\s*:?\s+(.+)$", Safe);
    private static readonly Regex RestartRow = new(@"\brestart\b.{0,60}?\b(?:wall|repeat|round|time)\s*(\d{1,2})\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})\b|\brestart\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})\b.{0,60}?\b(?:wall|repeat|round)\s*(\d{1,2})\b|\b(?:wall|round|repeat) (\d{1,2})\b.{0,50}?\b(?:restart|start again)\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})", Safe);
    private static readonly Regex TagAfterWall = new(@"\b(?:end of|after|following)(?: the)? (?:walls?|repeats?|rounds?)\s*(\d{1,2})(?:(?:,| and| &|, and)\s*(?:walls? )?(\d{1,2}))?", Safe);
    private static readonly Regex NoEvent = new(@"\bno (?:tags?|restarts?)\b", Safe);
    private static readonly Regex Key = new(@"^([a-z][a-z ]{1,22}?)\s*[:=]\s*(.+)$", Safe);
    private static readonly Regex CountsBehind = new(@"[(\[](?:counts?\s*)?(\d{1,2}(?:\s*[-–]\s*\d{1,2}|[&ea]\d{0,2})*)\s*(?:counts?|beats?)?[)\]]\s*[.,;:]?", Safe);
    private static readonly Regex LengthBehind = new(@"[,(]?\s*\b(?:for\s+)?(\d{1,2}|two|three|four|six|eight|twelve|sixteen)\s+counts?\)?[.\s]*$|\((\d{1,2})\)\s*\.?$|\bfor (\d{1,2}|four|eight)\.?$", Safe);
    private static readonly Regex Clock = new(@"^\d{1,2}[:.]\d\d\b", Safe);
    private static readonly Regex Sized = new(@"^\d{1,3} (?:counts?|cts?|beats|walls?)\b", Safe);
    private static readonly Regex Round = new(@"\b(?:round|time|lap) (?:one|two|three|four|1|2|3|4)\b", Safe);
    private static readonly Regex Correction = new(@"^(?:no|sorry|no sorry|i mean|wait no|no wait|or rather|no no)$", Safe);
    private static readonly Regex Detail = new(@",?\s+so\s+(?:it's |its |that's |that is |you |we |go )*", Safe);
    private static readonly Regex OnCount = new(@"\s+(?:on|on count|on counts|that's|thats|on the count of)\s+(one|two|three|four|five|six|seven|eight)(\s*(?:,|\.|$| and ))", Safe);
    private static readonly Regex Title = new(@"\b(?:called|named|tonight it's the|steps of|this is the|this is|dance is)\s+[\x22“']?((?:[A-Z][\w'’]*)(?:\s+(?:of|the|and|[A-Z][\w'’-]*)){0,5})", RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);
    private static readonly Regex AsYouTurn = new(@",?\s*(?:and\s+|but\s+)?as (?:you|they|we) [^,.]{0,60}?\bturn(?:ing)?\s+([^,.]+)", Safe);
    private static readonly Regex Definition = new(@"^([\p{L}][\p{L}' -]{0,24}?)\s*(?:=|\bis\b)\s*(.+)$", Safe);

    private readonly IStepNames _names;
    private readonly Dance _frame;
    private readonly ProseSettings _settings;
    private readonly IReadOnlyList<ProseLine> _lines;
    private readonly RowBinder _binder;
    private readonly List<PastedRow> _rows = [];
    private readonly List<string> _script = [];
    private readonly List<string> _tail = [];
    private readonly List<Unit> _units = [];
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
    private double _boundWords;
    private double _lostWords;

    /// <summary>Steps that were laid on counts together: what "again" and "the same" may mean.</summary>
    private sealed record Unit(int Row, int Section, string Text, int Counts, int Start, Footing Before, Footing After, IReadOnlyList<string> Rows);

    private ProseReader(string text, StepLexicon lexicon, string? genre)
    {
        _lines = ProseLine.All(text);
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
    public static PastedDance Read(string text, StepLexicon? lexicon = null, string? genre = null) =>
        new ProseReader(text, lexicon ?? StepLexicon.Shipped, genre).Read(lexicon ?? StepLexicon.Shipped);

    private PastedDance Read(StepLexicon lexicon)
    {
        var head = _settings.Rows().ToList();
        for (_row = 0; _row < _lines.Count; _row++)
        {
            _script.Clear();
            var fate = ReadLine(_lines[_row]);
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

        var pasted = new PastedDance(_rows, 0);
        var analysis = Analysis.Of(pasted.Script, lexicon);
        return pasted with { Rows = WithReads(analysis), Understood = Understood(analysis) };
    }

    private PastedFate ReadLine(ProseLine line)
    {
        if (line.IsEmpty)
        {
            return PastedFate.Frame;
        }

        var text = Shortened(line.Text);
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
            _script.Add($"title {called.Groups[1].Value.Trim()}");
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

        return ReadSentences(text);
    }

    // ---- frame

    private string Shortened(string text)
    {
        foreach (var (word, meaning) in _short.OrderByDescending(s => s.Key.Length))
        {
            text = WholeWord(text, word, meaning);
        }

        return text;
    }

    /// <summary>The sheet's short words back in what is kept as it was written.</summary>
    private string AsWritten(string text)
    {
        foreach (var (word, meaning) in _short.OrderByDescending(s => s.Value.Length))
        {
            text = WholeWord(text, meaning, word);
        }

        return text;
    }

    private static string WholeWord(string text, string word, string by)
    {
        for (var at = text.IndexOf(word, StringComparison.Ordinal); at >= 0; at = text.IndexOf(word, at + by.Length, StringComparison.Ordinal))
        {
            var end = at + word.Length;
            if ((at == 0 || !char.IsLetterOrDigit(text[at - 1])) && (end == text.Length || !char.IsLetterOrDigit(text[end])))
            {
                text = string.Concat(text.AsSpan(0, at), by, text.AsSpan(end));
            }
            else if (at + by.Length >= text.Length)
            {
                break;
            }
        }

        return text;
    }

    /// <summary>"DS = double step   RS = rock step": the sheet's own short words.</summary>
    private bool ReadShorthand(string text)
    {
        if (_part is not null || !text.Contains('='))
        {
            return false;
        }

        var pairs = text.Split([",", ";", "  ", "\t"], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(p => p.Split('=', 2, StringSplitOptions.TrimEntries))
            .Where(p => p is [{ Length: > 0 and < 10 } word, { Length: > 1 and < 40 } meaning] && word.All(c => char.IsUpper(c) || c == ' ') && meaning.Any(char.IsLetter)).ToList();
        if (pairs.Count == 0)
        {
            return false;
        }

        foreach (var pair in pairs)
        {
            _short.TryAdd(pair[0], pair[1]);
        }

        _script.Add($"# {text}");
        return true;
    }

    private bool ReadOrder(string text)
    {
        if (OrderRow.Match(text) is not { Success: true } match || _partNames.Count == 0 && !Regex.IsMatch(match.Groups[1].Value, @"^[A-Z]\b", RegexOptions.NonBacktracking))
        {
            return false;
        }

        var calls = match.Groups[1].Value.Trim();
        var more = calls.IndexOf(". ", StringComparison.Ordinal);
        var rest = more > 0 ? calls[(more + 2)..] : "";
        calls = (more > 0 ? calls[..more] : calls).TrimEnd('.');
        var names = Regex.Matches(calls, @"[\p{L}]+|\d+", RegexOptions.NonBacktracking).Select(m => m.Value).ToList();
        if (names.Count < 2 || names.Count(n => n.Length <= 2 || _partNames.Any(p => p.Contains(n, StringComparison.OrdinalIgnoreCase)) || IsKindWord(n)) * 10 < names.Count * 7)
        {
            return false;
        }

        _tail.Add($"order {calls}");
        _boundWords += names.Count;
        _script.Add($"# {text}");
        if (rest.Length > 0)
        {
            ReadSentences(rest);
        }

        return true;
    }

    private static bool IsKindWord(string word) => word.ToLowerInvariant() is "tag" or "verse" or "chorus" or "bridge" or "break" or "intro" or "ending" or "then" or "and" or "twice" or "long" or "short" or "part" or "x";

    /// <summary>Tags after a wall and restarts, wherever they are said.</summary>
    private PastedFate? Events(string text, ProseLine line)
    {
        if (NoEvent.IsMatch(text) && line.Text.Length < 80)
        {
            Note(line.Text);
            return PastedFate.Aside;
        }

        var plain = ProseSettings.Plain(text, _names.Translation);
        if (RestartRow.Match(plain) is { Success: true } restart)
        {
            var numbers = restart.Groups.Values.Skip(1).Where(g => g.Success).Select(g => g.Value).ToList();
            var wallFirst = restart.Groups[1].Success || restart.Groups[5].Success;
            _tail.Add(wallFirst ? $"restart {numbers[0]} after {numbers[1]}" : $"restart {numbers[1]} after {numbers[0]}");
            _boundWords += 5;
            Note(line.Text);
            return PastedFate.Frame;
        }

        if (ProseHeadings.PartOf(text) is { IsTag: true } tag)
        {
            var walls = TagAfterWall.Match(plain);
            BeginPart(tag.Part!, isTag: true);
            foreach (var wall in walls.Success ? walls.Groups.Values.Skip(1).Where(g => g.Success).Select(g => g.Value) : [])
            {
                _tail.Add($"after {wall} {tag.Part}");
                _boundWords += 3;
            }

            var rest = tag.Rest.Trim();
            if (rest.Length > 0 && !walls.Success)
            {
                return ReadSentences(rest);
            }

            if (rest.Length > 0)
            {
                Note(rest);
            }

            return PastedFate.Frame;
        }

        return null;
    }

    private bool ReadDefinition(string text)
    {
        // "Bosun is stomp, ds, rs, rs. It is four beats …": a step of their own, explained.
        var end = text.IndexOf(". ", StringComparison.Ordinal);
        var first = end > 0 ? text[..end] : text.TrimEnd('.');
        if (Definition.Match(first) is not { Success: true } match || first.Split(' ').Length < 4)
        {
            return false;
        }

        var name = match.Groups[1].Value.Trim();
        var meaning = match.Groups[2].Value.Trim();
        var known = Lexis.Read(_names, Lexer.Read(name));
        if (name.Split(' ').Length > 3 || known.Exists(l => !l.IsUnknown) || !char.IsUpper(name[0]) || name.Contains("is", StringComparison.Ordinal) && name.Length < 3)
        {
            return false;
        }

        var readings = RowReader.Read(_names, meaning).First;
        if (!readings.IsRead || readings.Items.Count < 2 || readings.Unread.Any())
        {
            return false;
        }

        _definitions.Add($"step {name.ToLowerInvariant()} = {meaning}");
        _script.Add($"# {text}");
        _own = ActionBinder.NamesOf(ScriptReader.Read(string.Join('\n', _settings.Rows().Concat(_definitions).Append("part A"))), StepLexicon.Shipped, []);
        _boundWords += meaning.Split(' ').Length;
        return true;
    }

    private IStepNames? _own;

    private IStepNames Names => _own ?? _names;

    /// <summary>"Music: …", "Choreographed by: …" and the like.</summary>
    private PastedFate? ReadKey(string text, ProseLine line)
    {
        if (Key.Match(text) is not { Success: true } match)
        {
            return null;
        }

        var (key, value) = (match.Groups[1].Value.Trim().ToLowerInvariant(), match.Groups[2].Value.Trim());
        switch (key)
        {
            case "title" or "dance" or "name" or "subject":
                _hasTitle = true;
                _script.Add($"title {value}");
                return PastedFate.Frame;
            case "choreographed by" or "by" or "credit" or "choreographer" or "author" or "choreography" or "from" or "choreo":
                _script.Add($"credit {value}");
                return PastedFate.Frame;
            case "level":
                _script.Add($"level {value}");
                return PastedFate.Frame;
            case "music" or "song" or "track" or "count" or "counts" or "wall" or "walls" or "intro" or "date" or "tempo" or "bpm" or "styling" or "note" or "notes" or "contact" or "source" or "count in" or "start":
                Note(line.Text);
                return PastedFate.Frame;
            default:
                return null;
        }
    }

    private PastedFate ReadPart(ProseHeading part, string text)
    {
        BeginPart(part.Part!, part.IsTag);
        _expected = part.Counts;
        _boundWords += 2;
        var rest = part.Rest.Trim(' ', '-', '–', ':', '.', ',', ')');
        if (rest.Length == 0)
        {
            return PastedFate.Frame;
        }

        if (IsNameOfWhatFollows(rest))
        {
            Line(rest);
            return PastedFate.Frame;
        }

        return ReadSentences(rest);
    }

    private void BeginPart(string name, bool isTag)
    {
        _script.Add($"{(_part is null ? "" : "\n")}{(isTag ? "tag" : "part")} {name}");
        _partNames.Add(name);
        _part = name;
        _currentTag = isTag ? name : null;
        (_at, _expected) = (0, 0);
        _sectionStart = _units.Count;
    }

    private void EnsurePart()
    {
        if (_part is null)
        {
            BeginPart("A", isTag: false);
        }
    }

    /// <summary>A section begins a line; one that is not full yet is closed by the counts that follow.</summary>
    private void BeginSection(int counts)
    {
        EnsurePart();
        if (_currentTag is not null && _partNames.Count == 1)
        {
            BeginPart("A", isTag: false);
        }

        _at = 0;
        _expected = counts;
        _sectionStart = _units.Count;
    }

    private void Line(string name)
    {
        EnsurePart();
        _script.Add($"line {Plainly(name)}".TrimEnd());
        _boundWords += 1;
    }

    private static string Plainly(string name) => name.Replace('#', ' ').Replace("//", "/", StringComparison.Ordinal);

    /// <summary>The words below a section's number are its name, when its counted rows follow.</summary>
    private void Rename(string text)
    {
        for (var i = _rows.Count - 1; i >= 0; i--)
        {
            if (_rows[i].Script.EndsWith("line", StringComparison.Ordinal))
            {
                _rows[i] = _rows[i] with { Script = $"{_rows[i].Script} {Plainly(text)}" };
                return;
            }
        }

        _script.Add($"# {text}");
    }

    private bool FollowsHeading()
    {
        for (var i = _row - 1; i >= 0; i--)
        {
            if (!_lines[i].IsEmpty)
            {
                return ProseHeadings.SectionOf(_lines[i].Text, _part) is { Rest.Length: 0 } || ProseHeadings.PartOf(_lines[i].Text) is { Rest.Length: 0 };
            }
        }

        return false;
    }

    private bool IsNameOfWhatFollows(string rest)
    {
        var next = _lines.Skip(_row + 1).FirstOrDefault(l => !l.IsEmpty);
        return next is not null && StartsWithCounts(next.Text) && !StartsWithCounts(rest) && ProseHeadings.SectionOf(next.Text, null) is null;
    }

    private bool StartsWithCounts(string text) =>
        CountsReader.TryRead(text, LineCounts, null, out var counts, out var length) == CountsOutcome.Read && length < text.Length
        && !(text.Length > length + 1 && char.IsAsciiDigit(text[length]) && text[length - 1] == ':') && !Clock.IsMatch(text) && !Sized.IsMatch(ProseSettings.Plain(text, _names.Translation)) && (counts!.Positions.Count > 1 || text[length - 1] is ':' or '.' || !Regex.IsMatch(text[length..], @"^\s*(?:x|walks|steps|marches|step touches|shuffles|basics|kicks|knee|counts?|walls?|times)\b", Safe));

    private bool IsTitle(string text)
    {
        var words = text.Split(' ').Length;
        return words is > 0 and <= 12 && text.TrimEnd()[^1] is not (':' or '.' or '!' or ',') && _settings.BoundIn(text) < 5 && !StartsWithCounts(text) && !LooksLikeTalk(text) && !text.TrimEnd().EndsWith(',') && !ProseClauses.Read(text, Names).Any(s => s.Kind == StretchKind.Steps && s.Stray == 0 && s.Deeds > 0);
    }

    private static bool LooksLikeTalk(string text) => Lexer.Read(text).Exists(t => t.Text is "i" or "i've" or "i'm" or "hi" or "hello" or "dear" or "my" or "sorry" or "you" or "we" or "it's" or "bear");

    private void Note(string text)
    {
        text = AsWritten(text);
        if (text.Trim().Length == 0)
        {
            return;
        }

        var words = text.Trim().Replace('\n', ' ');
        // Outside of a part a remark keeps it; inside, a note hangs on the step above.
        _script.Add(_part is null ? $"# {words}" : $"note {Safely(words)}");
    }

    /// <summary>A note that begins with digits would be taken for counts.</summary>
    private static string Safely(string words)
    {
        var plain = Plainly(words);
        return char.IsAsciiDigit(plain[0]) || plain[0] is '&' ? $"· {plain}" : plain;
    }
}
