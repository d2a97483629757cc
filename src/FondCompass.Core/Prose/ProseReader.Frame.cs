using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;
using static FondCompass.Core.Prose.ProsePatterns;

namespace FondCompass.Core.Prose;

/// <summary>The frame: short words, orders, tags and restarts, own steps, keys, headings and what they begin.</summary>
public sealed partial class ProseReader
{
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
        if (OrderRow.Match(text) is not { Success: true } match || _partNames.Count == 0 && !CapitalFirst.IsMatch(match.Groups[1].Value))
        {
            return false;
        }

        var calls = match.Groups[1].Value.Trim();
        var more = calls.IndexOf(". ", StringComparison.Ordinal);
        var rest = more > 0 ? calls[(more + 2)..] : "";
        calls = (more > 0 ? calls[..more] : calls).TrimEnd('.');
        var names = NameOrNumber.Matches(calls).Select(m => m.Value).ToList();
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
        _stretches.Clear();
        _own = ActionBinder.NamesOf(ScriptReader.Read(string.Join('\n', _settings.Rows().Concat(_definitions).Append("part A"))), _lexicon, []);
        _boundWords += meaning.Split(' ').Length;
        return true;
    }

    /// <summary>"Music: …", "Choreographed by: …" and the like.</summary>
    private PastedFate? ReadKey(string text, ProseLine line)
    {
        if (_part is null && Maker.Match(text) is { Success: true } maker)
        {
            _script.Add($"credit {maker.Groups[1].Value.Trim(' ', '.')}");
            return PastedFate.Frame;
        }

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
        && !(text.Length > length + 1 && char.IsAsciiDigit(text[length]) && text[length - 1] == ':') && !Clock.IsMatch(text) && !Sized.IsMatch(ProseSettings.Plain(text, _names.Translation)) && (counts!.Positions.Count > 1 || text[length - 1] is ':' or '.' || !CountedSteps.IsMatch(text[length..]));

    private bool IsTitle(string text)
    {
        var words = text.Split(' ').Length;
        return words is > 0 and <= 12 && text.TrimEnd()[^1] is not (':' or '.' or '!' or ',') && !_settings.IsOnly(text) && _settings.BoundIn(text) < 5 && !StartsWithCounts(text) && !LooksLikeTalk(text) && !text.TrimEnd().EndsWith(',') && !TellsSteps(text);
    }

    /// <summary>Steps by their names, or what arms and hips do with counts said for it.</summary>
    private bool TellsSteps(string text) =>
        Stretches(text).Any(s => s.Kind == StretchKind.Steps && s.Stray == 0 && s.Deeds > 0)
        || (Lasting.IsMatch(text) && Stretches(text, counted: true).Any(s => s.Kind == StretchKind.Steps && s.Stray == 0));

    /// <summary>The dance's name where its settings stand behind it in the same row: the last piece without a number before the first with one; null where there is none.</summary>
    private string? NameBeforeSettings(string text)
    {
        if (_settings.BoundIn(text) == 0 || StartsWithCounts(text) || LooksLikeTalk(text))
        {
            return null;
        }

        string? name = null;
        foreach (var piece in NameParts.Split(Amounts.Replace(text, "|$1")).Select(p => p.Trim(' ', '"', '“', '”', '.', '*', '#', '-', '–', '—', '\t')))
        {
            var words = piece.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            if (piece.Any(char.IsDigit))
            {
                if (name is not null)
                {
                    break;
                }

                continue;
            }

            name = words.Length is > 0 and <= 7 && words.Any(w => char.IsUpper(w[0])) && !_settings.IsOnly(piece) && (IsWrittenAsName(words) || !Array.TrueForAll(words, w => Vocabulary.Find(w.ToLowerInvariant()) is not null)) && !TellsSteps(piece) ? piece : name;
        }

        return name;
    }

    /// <summary>"Left Behind": words of the field, but each with its capital.</summary>
    private static bool IsWrittenAsName(string[] words) => words.Length > 1 && Array.TrueForAll(words, w => char.IsUpper(w[0]));

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
