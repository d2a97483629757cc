using System.Text.RegularExpressions;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Tags and restarts, the sheet's short words, own steps.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>Tags after a wall and restarts, wherever they are said.</summary>
    private bool ReadEvents(string text)
    {
        var plain = ProseForms.Plain(text, _lexicon.Translation);
        if (ProseForms.Says("no event", text) && text.Length < LongestEvent)
        {
            Note(text);
            return true;
        }

        if ((ProseForms.Find("restart", text) ?? ProseForms.Find("restart", plain)) is { } restart)
        {
            _tail.Add($"restart {Number(restart, "wall")} after {Number(restart, "after")}");
            Bound += 5;
            Note(text);
            return true;
        }

        if (ProseForms.Find("tag", text) is not { } tag || (tag.Groups["name"].Value.Length == 1 && !tag.Groups["counts"].Success))
        {
            return ReadTagSaid(text, plain);
        }

        var said = tag.Groups["name"].Value.Trim();
        var name = _called.TryGetValue(said, out var called) ? called : char.ToUpperInvariant(said[0]) + said[1..].ToLowerInvariant();
        BeginPart(name, isTag: true, Number(tag, "counts"));
        var rest = tag.Groups["rest"].Value.TrimStart(BehindHeading).TrimEnd(BehindRest);
        if (AfterWalls(text, plain) is { } walls)
        {
            foreach (var wall in WallsOf(walls))
            {
                _tail.Add($"after {wall} {name}");
                Bound += 3;
            }

            var colon = rest.IndexOf(':');
            Note(colon > 0 ? rest[..colon] : rest);
            rest = colon > 0 ? rest[(colon + 1)..].Trim() : "";
        }

        if (rest.Length > 0)
        {
            ReadSentences(rest);
        }

        return true;
    }

    /// <summary>Where a tag comes; as it is written, since its commas tell walls from counts, else in plain words.</summary>
    private static Match? AfterWalls(string text, string plain) =>
        ProseForms.Find("after wall", text) ?? ProseForms.Find("after wall", plain);

    /// <summary>"2, 4 and 6"; of "2, 4 counts" the last number is of counts and no wall.</summary>
    private static IEnumerable<int> WallsOf(Match walls)
    {
        var said = walls.Groups["wall"].Value.Split([',', '&', ' '], StringSplitOptions.RemoveEmptyEntries)
            .Select(w => ProseForms.Number(w.TrimStart('w', 'W')))
            .Where(n => n > 0)
            .ToList();
        return walls.Groups["unit"].Success && said.Count > 1 ? said.SkipLast(1) : said;
    }

    /// <summary>Whether a sentence speaks of a tag or a restart, or of none.</summary>
    private static bool IsOfEvent(string text) => ProseForms.Says("event", text);

    /// <summary>"A tag after wall 5, four counts, stomp stomp clap clap": a tag told in a sentence with its steps.</summary>
    private bool ReadTagSaid(string text, string plain)
    {
        if (ProseForms.Find("tag said", plain) is not { } said || !_hasPart)
        {
            return false;
        }

        var colon = text.IndexOf(':');
        var steps = colon > 0 ? text[(colon + 1)..].Trim()
            : string.Join(
                ", ",
                text.Split(',').Skip(1).Select(c => c.Trim()).Where(c => Clauses(c).Any(x => x is { Kind: ClauseKind.Steps, Deeds: > 0 })));
        if (!TellsSteps(steps))
        {
            return false;
        }

        var name = ProseForms.TagName;
        BeginPart(name, isTag: true, ProseForms.Find("length behind", text[..Math.Max(colon, 0)]) is { } length
            ? ProseForms.Number(length.Groups["counts"].Value) : 0);
        foreach (var wall in AfterWalls(text, plain) is { } walls ? WallsOf(walls) : [Number(said, "wall")])
        {
            _tail.Add($"after {wall} {name}");
            Bound += 3;
        }

        Note(colon > 0 ? text[..colon] : text);
        ReadSentences(steps);
        return true;
    }

    /// <summary>Letters of a row that says there is no tag or restart.</summary>
    private const int LongestEvent = 80;

    /// <summary>"Abbreviations: os out to the side, xif cross in front", wherever it stands.</summary>
    private void ReadAbbreviations()
    {
        foreach (var list in _lines.Where(l => !l.IsTooLong).Select(l => ProseForms.Find("abbreviations", l.Text)).OfType<Match>())
        {
            foreach (var pair in list.Groups["list"].Value
                .Split([',', ';', '.'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Select(p => p.Split([' ', '='], 2, StringSplitOptions.TrimEntries)))
            {
                _legends.Add(list.Value);
                if (pair is [{ Length: > 0 and < 6 } word, { Length: > 1 and < 40 } meaning]
                    && WordLookup.Read(Names, Lexer.Read(word)) is [{ IsUnknown: true }])
                {
                    _short.TryAdd(word, meaning);
                }
            }
        }
    }

    /// <summary>"DS = double step   RS = rock step": the sheet's own short words.</summary>
    private bool ReadShorthand(string text)
    {
        if (_hasPart || !text.Contains('='))
        {
            return false;
        }

        var pairs = text.Split([",", ";", "  ", "\t"], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(p => p.Split('=', 2, StringSplitOptions.TrimEntries))
            .Where(p => p is [{ Length: > 0 and < 10 } word, { Length: > 1 and < 40 } meaning] && word.All(c => char.IsUpper(c) || c == ' ')
                && meaning.Any(char.IsLetter)).ToList();
        foreach (var pair in pairs)
        {
            _short.TryAdd(pair[0], pair[1]);
        }

        if (pairs.Count > 0)
        {
            Write($"# {text}");
        }

        return pairs.Count > 0;
    }

    private string Shortened(string text) =>
        _short.OrderByDescending(s => s.Key.Length).Aggregate(text, (t, s) => WholeWord(t, s.Key, s.Value));

    /// <summary>The sheet's short words back in what is kept as it was written.</summary>
    private string AsWritten(string text) =>
        _short.OrderByDescending(s => s.Value.Length).Aggregate(text, (t, s) => WholeWord(t, s.Value, s.Key));

    private static string WholeWord(string text, string word, string by) =>
        Regex.Replace(
            text,
            $@"(?<![\p{{L}}\p{{Nd}}]){Regex.Escape(word)}(?![\p{{L}}\p{{Nd}}])",
            by.Replace("$", "$$", StringComparison.Ordinal),
            RegexOptions.CultureInvariant);

    /// <summary>"Bosun is stomp, ds, rs, rs. It is four beats …": a step of their own, explained.</summary>
    private bool ReadDefinition(string text)
    {
        var end = text.IndexOf(". ", StringComparison.Ordinal);
        var first = end > 0 ? text[..end] : text.TrimEnd('.');
        if (ProseForms.Find("definition", first) is not { } match || first.Split(' ').Length < 4)
        {
            return false;
        }

        var (name, how) = (match.Groups["name"].Value.Trim(), match.Groups["how"].Value.Trim());
        if (name.Split(' ').Length > 3
            || name.Length < 3
            || !char.IsUpper(name[0])
            || WordLookup.Read(Names, Lexer.Read(name)).Exists(l => !l.IsUnknown)
            || RowReader.Read(Names, how).First is not { IsRead: true, Items.Count: > 1 } reading || reading.Unread.Any())
        {
            return false;
        }

        _definitions.Add($"step {name.ToLowerInvariant()} = {how}");
        Write($"# {text}");
        _clauses.Clear();
        Names = NamesWith(_definitions);
        Bound += how.Split(' ').Length;
        return true;
    }
}
