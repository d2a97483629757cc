using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Composing;

/// <summary>What became of one row that was pasted.</summary>
public enum PastedFate
{
    /// <summary>A setting, a part's name, a call.</summary>
    Frame,

    /// <summary>Linked to steps.</summary>
    Understood,

    /// <summary>Linked to steps, with words left over that stay as a note.</summary>
    Partly,

    /// <summary>Stays as a note with a finding.</summary>
    PutAside,
}

/// <param name="Original">As it was pasted.</param>
/// <param name="Script">The script rows made of it.</param>
public sealed record PastedRow(string Original, string Script, PastedFate Fate);

/// <summary>Somebody's own step list as a dance script. Nothing of it is dropped.</summary>
public sealed record PastedDance(IReadOnlyList<PastedRow> Rows, double Understood)
{
    public string Script => string.Join('\n', Rows.Select(r => r.Script).Where(s => s.Length > 0)) + "\n";
}

/// <summary>
/// Reads a step list in free wording: running counts become counts of a line, headings become settings and parts, and every
/// row is tried in a few ways before it is put aside (docs/script.md, "Pasting").
/// </summary>
public sealed partial class FreeWording
{
    private readonly IStepNames _names;
    private readonly List<PastedRow> _rows = [];
    private readonly int _line;
    private readonly bool _running;
    private bool _hasTitle;
    private bool _hasPart;
    private int _wordsRead;
    private int _words;

    private FreeWording(StepLexicon lexicon, string text)
    {
        var dance = ScriptReader.Read(text);
        _names = ActionBinder.NamesOf(dance, lexicon, []);
        _line = dance.Header.LineCounts;
        // A sheet that counts on to 16 and 32 counts the dance, not the line.
        _running = LeadingNumber().Matches(text).Select(m => m.Groups[1].Length > 4 ? 0 : int.Parse(m.Groups[1].ValueSpan)).DefaultIfEmpty(0).Max() > _line + 2;
    }

    /// <param name="text">Any text; at most what a script may be.</param>
    /// <param name="lexicon">The steps known.</param>
    public static PastedDance Read(string text, StepLexicon? lexicon = null)
    {
        var reader = new FreeWording(lexicon ?? StepLexicon.Shipped, text);
        var rows = RowText.SplitRows(text).Rows;
        for (var i = 0; i < rows.Length; i++)
        {
            var next = Array.FindIndex(rows, i + 1, r => r.Trim().Length > 0);
            reader.ReadRow(rows[i], next > 0 && reader.StartsWithCounts(rows[next]));
        }

        return new PastedDance(reader._rows, reader._words == 0 ? 1 : (double)reader._wordsRead / reader._words);
    }

    private bool StartsWithCounts(string text) => CountsReader.TryRead(text, _line, null, out _, out _) == CountsOutcome.Read;

    /// <param name="heads">The row below begins with counts, so that this one may be their heading.</param>
    private void ReadRow(string raw, bool heads)
    {
        var text = Bullet().Replace(RowText.WithoutControlCharacters(raw), "");
        if (text.Length == 0)
        {
            Add(raw, "", PastedFate.Frame);
            return;
        }

        if (Frame(text, heads) is { } frame)
        {
            Add(raw, frame, PastedFate.Frame);
            return;
        }

        if (!_hasPart)
        {
            _hasPart = true;
            _rows.Add(new PastedRow("", "part A", PastedFate.Frame));
        }

        var scripts = new List<string>();
        if (Section().Match(text) is { Success: true } section && section.Groups["name"].Value.Trim() is { Length: > 0 } steps)
        {
            // A heading with its steps on the same row.
            text = steps;
            scripts.Add("line");
        }

        var pieces = Pieces(text);
        var fate = PastedFate.Understood;
        foreach (var piece in pieces)
        {
            var (script, became) = Steps(piece);
            scripts.Add(script);
            var words = PhraseWords.Split(piece).Count;
            _words += words;
            _wordsRead += became == PastedFate.PutAside ? 0 : words;
            fate = became > fate ? became : fate;
        }

        Add(raw, string.Join('\n', scripts), fate);
    }

    private void Add(string original, string script, PastedFate fate) => _rows.Add(new PastedRow(original, script, fate));

    /// <summary>Settings, titles, part names and calls; null when the row is none of these.</summary>
    private string? Frame(string text, bool heads)
    {
        if (Setting().Match(text) is { Success: true } setting && SettingRow(setting.Groups["key"].Value.ToLowerInvariant(), setting.Groups["value"].Value.Trim()) is { } row)
        {
            return row;
        }

        if (text[0] is '#' or '?' || text.StartsWith("//", StringComparison.Ordinal))
        {
            return text;
        }

        if (Size().Match(text) is { Success: true } size)
        {
            return $"# {text}" + (size.Groups["walls"].Value is "1" or "2" or "4" or "8" ? $"\nwalls {size.Groups["walls"].Value}" : "");
        }

        var (word, rest) = RowText.FirstWord(text);
        if (PartHeading().Match(text) is { Success: true } part)
        {
            _hasPart = true;
            return part.Groups["kind"].Value.StartsWith("tag", StringComparison.OrdinalIgnoreCase) ? $"\ntag {Name(part, "T")}" : $"\npart {Name(part, "A")}";
        }

        if (Restart().Match(text) is { Success: true } restart)
        {
            return $"restart {restart.Groups["wall"].Value} after {restart.Groups["count"].Value}";
        }

        if (Section().Match(text) is { Success: true } section && (heads || Try(section.Groups["name"].Value) is null))
        {
            var named = section.Groups["name"].Value.Trim();
            var frame = _hasPart ? "" : "part A\n";
            _hasPart = true;
            return $"{frame}line {named}".TrimEnd();
        }

        if (Again().IsMatch(text))
        {
            return $"# {text}";
        }

        if (word is "order" or "after" or "check" or "part" or "tag" or "again" or "start" or "line" || (HeaderReader.Knows(word) && rest.Length > 0))
        {
            _hasPart |= word is "part" or "tag";
            _hasTitle |= word == "title";
            return text;
        }

        if (!_hasTitle && !_hasPart && !StartsWithCounts(text) && Pieces(text).TrueForAll(p => Steps(p).Fate == PastedFate.PutAside))
        {
            _hasTitle = true;
            return $"title {text}";
        }

        return null;
    }

    private string? SettingRow(string key, string value)
    {
        switch (key)
        {
            case "title" or "dance" or "name":
                _hasTitle = true;
                return $"title {value}";
            case "wall" or "walls" when Digits().Match(value) is { Success: true } walls && walls.Value is "1" or "2" or "4" or "8":
                return $"walls {Digits().Match(value).Value}";
            case "tempo" or "bpm" or "speed" when Digits().Match(value) is { Success: true } tempo:
                return $"tempo {tempo.Value}";
            case "intro" or "wait" when Digits().Match(value) is { Success: true } intro:
                return $"intro {intro.Value}";
            case "level":
                return $"level {value}";
            case "by" or "credit" or "author" or "from":
                return $"credit {value}";
            case "source":
                return $"source {value}";
            case "count" or "counts" or "music" or "song" or "track" or "note" or "notes" or "date" or "walls" or "wall" or "intro" or "tempo":
                return $"# {key}: {value}";
            default:
                return null;
        }
    }

    private static string Name(Match part, string usual) => part.Groups["name"].Value.Trim(' ', ':', '-') is { Length: > 0 } name ? name : usual;

    /// <summary>"1-2 Step R, touch. 3-4 Step L, touch." and "step R (1), touch L (2)" hold several rows in one.</summary>
    private static List<string> Pieces(string text)
    {
        if (CountsBehind().Matches(text) is { Count: > 0 } behind)
        {
            var pieces = new List<string>();
            var at = 0;
            foreach (Match match in behind)
            {
                pieces.Add($"{match.Groups[1].Value} {text[at..match.Index].Trim(' ', ',', ';', '.')}");
                at = match.Index + match.Length;
            }

            if (text[at..].Trim(' ', ',', ';', '.') is { Length: > 0 } rest)
            {
                pieces.Add(rest);
            }

            return pieces.Where(p => p.Length > 0).ToList();
        }

        return [.. NextCounts().Split(text).Select(p => p.Trim(' ', ',', ';')).Where(p => p.Length > 0)];
    }

    private (string Script, PastedFate Fate) Steps(string piece)
    {
        piece = Bracketed().Replace(piece, "$1 ");
        var outcome = CountsReader.TryRead(piece, 4096, null, out var counts, out var length);
        var wording = (outcome == CountsOutcome.Read ? piece[length..] : piece).Trim(' ', '.', ',', ';', ':', '-');
        var before = counts is null ? "" : CountText.Write(OfLine(counts), _line) + " ";
        if (wording.Length == 0)
        {
            return ($"? {piece}", PastedFate.PutAside);
        }

        if (Try(wording) is { } read)
        {
            return read.Left.Count == 0
                ? (before + read.Script, PastedFate.Understood)
                : ($"{before}{read.Script}\nnote {wording}", PastedFate.Partly);
        }

        return ($"? {before}{wording}", PastedFate.PutAside);
    }

    /// <summary>Counts of the dance as counts of its line.</summary>
    private CountSpec OfLine(CountSpec counts)
    {
        var past = _running ? (counts.Positions.First(p => p.Number > 0 || counts.Positions.All(x => x.IsPickUp)).Number - 1) / _line * _line : 0;
        return past <= 0 ? counts : counts with { Positions = counts.Positions.Select(p => p with { Number = p.Number - past }).ToList(), Split = null };
    }

    /// <summary>The wording as it stands, then spoken shorter, then with the verbs that are only thought.</summary>
    private (string Script, List<string> Left)? Try(string wording)
    {
        (string, List<string>)? partly = null;
        foreach (var candidate in Candidates(wording))
        {
            var read = Wording.Read(_names, candidate);
            if (read.Groups.Count == 0 || read.Unreadable.Count > 0)
            {
                continue;
            }

            var left = read.Groups.SelectMany(g => g).SelectMany(p => p.Unread).ToList();
            if (left.Count == 0)
            {
                return (candidate, left);
            }

            partly ??= left.Count <= 2 ? (WithoutWords(candidate, left), left) : null;
        }

        return partly;
    }

    private static IEnumerable<string> Candidates(string wording)
    {
        yield return wording;
        var plain = Plain().Replace(wording.Replace("w/", "with ", StringComparison.OrdinalIgnoreCase).Replace(" & ", ", ", StringComparison.Ordinal), "");
        yield return plain;
        yield return string.Join(", ", plain.Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(WithVerb));
        yield return plain.Replace(" and ", ", ", StringComparison.OrdinalIgnoreCase);
        yield return VerbByVerb(plain);
    }

    /// <summary>"rock forward L recover R": every verb begins an action, commas or none.</summary>
    private static string VerbByVerb(string wording) => string.Join(
        ' ', wording.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select((w, i) => i > 0 && Verbs.Find(w.ToLowerInvariant().Trim(',')) is not null ? $", {w}" : w)).Replace(" ,", ",", StringComparison.Ordinal).Replace(",,", ",", StringComparison.Ordinal);

    /// <summary>"L behind R": where only a foot and a way are said, a step is meant.</summary>
    private static string WithVerb(string segment)
    {
        var words = PhraseWords.Split(segment);
        var hasFoot = words.Count > 0 && Feet.TryParse(words[0], out _);
        var hasWay = words.Exists(PhraseWords.Directions.ContainsKey);
        return hasFoot && hasWay && !words.Exists(w => Verbs.Find(w) is not null) ? $"step {segment}" : segment;
    }

    private static string WithoutWords(string wording, List<string> words) =>
        words.Aggregate(wording, (text, word) => Regex.Replace(text, $@"(?<![\w/]){Regex.Escape(word)}(?![\w/])[.!?]?\s*", "", RegexOptions.IgnoreCase)).Trim(' ', ',');

    [GeneratedRegex(@"^\s*(?:[-*•–·]\s+|\(?\d{1,2}[.)]\s+(?=[A-Za-z]{3,}[^0-9]*\d))+")]
    private static partial Regex Bullet();

    [GeneratedRegex(@"(?m)^\s*\[?(\d+)\s*(?:[-–&,]|\d|[A-Za-z ])")]
    private static partial Regex LeadingNumber();

    [GeneratedRegex(@"^(?<key>title|dance|name|walls?|tempo|bpm|speed|intro|wait|level|by|credit|author|from|source|counts?|music|song|track|notes?|date)\s*[:=]\s*(?<value>.+)$", RegexOptions.IgnoreCase)]
    private static partial Regex Setting();

    [GeneratedRegex(@"^(?:(?<kind>part|tag|bridge|chorus|verse|ending)\b)[ :]*(?<name>[A-Za-z]?\d*)\s*[:\-–]*\s*(?:\(.*\)|\[.*\]|\d+ counts?)?$", RegexOptions.IgnoreCase)]
    private static partial Regex PartHeading();

    [GeneratedRegex(@"^(?:section|sect|sec|set|eight|s)\s*\d+\s*[:.\-–]*\s*(?<name>.*)$|^(?:\[)?\d+\s*[-–]\s*\d+\]\s*[:.\-–]*\s*(?<name>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex Section();

    [GeneratedRegex(@"^(?:\d+\s*-?\s*counts?\b[\s,;/·|-]*(?:(?<walls>\d)\s*-?\s*walls?\b)?|(?<walls>\d)\s*-?\s*walls?\b)[\s,;/·|-]*(?:line dance|dance|beginner|improver|intermediate|advanced|easy)?\W*$", RegexOptions.IgnoreCase)]
    private static partial Regex Size();

    [GeneratedRegex(@"^restart\b.*?\b(?:wall|repeat|round)\s*(?<wall>\d+)\b.*?\b(?<count>\d+)\s*counts?|^restart\b.*?\bafter\s*(?:count\s*)?(?<count>\d+)\s*(?:counts?)?\b.*?\b(?:wall|repeat)\s*(?<wall>\d+)", RegexOptions.IgnoreCase)]
    private static partial Regex Restart();

    [GeneratedRegex(@"^(?:start again|begin again|repeat(?: dance)?|again from the top|enjoy|start over|have fun)\W*$", RegexOptions.IgnoreCase)]
    private static partial Regex Again();

    [GeneratedRegex(@"^\[(\d+\s*[-–]\s*\d+)\]")]
    private static partial Regex Bracketed();

    [GeneratedRegex(@"\d+")]
    private static partial Regex Digits();

    [GeneratedRegex(@"[(\[](?:counts?\s*)?(\d+(?:\s*[-–]\s*\d+|[&ea]\d*|,\s*\d+)*)[)\]]", RegexOptions.IgnoreCase)]
    private static partial Regex CountsBehind();

    [GeneratedRegex(@"(?<=[.;,])\s+(?=[&ea]?\d+(?:\s*[-–]\s*\d+|[&ea]\d*)*[:.)]?\s+[A-Za-z])")]
    private static partial Regex NextCounts();

    [GeneratedRegex(@"\((?!\d)[^)]*\)|\bfoot\b|\bthe\b|\byour\b|\bstyling\b.*$|\bnext to\s+(?:the\s+)?(?:left|right|[LR])\b(?=\s*(?:,|$))", RegexOptions.IgnoreCase)]
    private static partial Regex Plain();
}
