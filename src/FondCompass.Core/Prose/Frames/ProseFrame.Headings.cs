using System.Text.RegularExpressions;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Headings of parts and lines, orders, tags, restarts, short words and own steps.</summary>
internal sealed partial class ProseFrame
{
    private static readonly char[] BehindHeading = [' ', '-', '–', '—', ':', '.', ',', ')'], BehindRest = [' ', '-', '–', '—', ':', ','];

    private bool ReadHeading(string text) => ReadEnding(text) || ReadByPlace(text) || ReadPartHead(text) || ReadSectionHead(text);

    private bool ReadEnding(string text)
    {
        if (ProseForms.Says("ending", text) && !_called.Contains(text.Split(':', '-', '–')[0].Trim()))
        {
            // What is other the last time: no part of its own.
            Note(text);
            _doubts.Add(
                PasteTexts.EndingStaysAsNote(_row + 1));
            return true;
        }

        return false;
    }

    /// <summary>Heads known by the rows around them, and what acts on lines by their numbers.</summary>
    private bool ReadByPlace(string text)
    {
        if (_eights.TryGetValue(text, out var eight))
        {
            // "8: side tog side tch R", row after row: how long each is.
            BeginSection(eight.Counts, "");
            ReadSentences(eight.Steps);
            return true;
        }

        if (RowLabel().Match(text) is { Success: true } label && label.Groups[2].Value == "1" && _lettered.Contains(label.Groups[1].Value)
            && !string.Equals(_items.OfType<PartItem>().LastOrDefault()?.Name, label.Groups[1].Value, StringComparison.OrdinalIgnoreCase))
        {
            BeginPart(label.Groups[1].Value, isTag: false, 0);
        }

        if (RangeAgain(text) is { } again)
        {
            ReadSentence(again, isLengthOfAll: false);
            Note(text);
            return true;
        }

        return Sentences(text).Count == 1 && InnerOrder(_lines, _row) is null && ReadLengths(text);
    }

    private bool ReadPartHead(string text)
    {
        if (PartOf(text) is { } part)
        {
            BeginPart(part, isTag: false);
            ReadRest(part.Groups["rest"].Value);
            return true;
        }

        if (IsCalledHead(text) is { } called)
        {
            BeginPart(called.Name, ProseForms.Says("named tag", called.Name), called.Counts);
            ReadRest(called.Behind);
            return true;
        }

        return false;
    }

    private bool ReadSectionHead(string text)
    {
        if (SectionOf(text) is { } section)
        {
            var rest = section.Groups["rest"].Value.TrimStart(BehindHeading).TrimEnd(BehindRest);
            var isName = rest.Length > 0 && IsNameOfWhatFollows(rest, until: Number(section, "until"));
            BeginSection(SectionCounts(section), isName ? rest : rest.Length == 0 ? NameBelow() : null);
            if (rest.Length > 0 && !isName)
            {
                var before = _items.Count;
                ReadSentences(rest);
                if (_items.Count == before + 1 && _items[^1] is SentenceItem told && IsStepsBelow())
                {
                    // "[1-8] Side, touch x2, vine", and the steps below.
                    _items[^1] = told with { Names = rest };
                }
            }

            return true;
        }

        if (_numbered.TryGetValue(text, out var head))
        {
            ReadNumbered(head);
            return true;
        }

        if (text.IndexOf(':') is > 0 and < LongestHead and var colon
            && ProseForms.Says("head words", ProseForms.Plain(text[..colon], _lexicon.Translation)))
        {
            // "Друга вісімка: …".
            BeginSection(0, null);
            ReadRest(text[(colon + 1)..]);
            return true;
        }

        return false;
    }

    /// <summary>"Verse is 16 counts, Chorus is 16": how long they are, and nothing begins.</summary>
    private bool ReadLengths(string text)
    {
        if (TellsSteps(text) || ProseForms.FindAll("part lengths", ProseForms.Plain(text, _lexicon.Translation)).Count < 2)
        {
            return false;
        }

        Bound += Words().Count(text) / 2;
        Note(text);
        return true;
    }

    /// <summary>What stands behind a heading: steps, or their name where the steps follow with their counts.</summary>
    private void ReadRest(string words)
    {
        var rest = words.TrimStart(BehindHeading).TrimEnd(BehindRest);
        if (rest.Length > 0 && IsNameOfWhatFollows(rest))
        {
            BeginSection(0, rest);
        }
        else if (rest.Length > 0)
        {
            ReadSentences(rest);
        }
    }

    /// <summary>
    /// "A5-A8 same again": as many lines as are named; "sections 5 and 6: as 1 and 2": those. Null where it says something else.
    /// </summary>
    private string? RangeAgain(string text)
    {
        if (ProseForms.Find("as that", text) is { } that)
        {
            // "3) = 1": the line of that number once more.
            return $"{ProseForms.Again} {ProseForms.Sections(Number(that, "n"), Number(that, "n"))}";
        }

        if (ProseForms.Find("section range", text) is not { } range
            || (char.IsAsciiDigit(text[0]) && _ended.Contains(Number(range, "from") - 1))
            || Number(range, "until") - Number(range, "from") + 1 is not (> 1 and var lines))
        {
            return null;
        }

        var rest = range.Groups["rest"].Value.Trim(BehindHeading);
        return ProseForms.Find("as those", rest) is { } those
            ? $"{ProseForms.Again} {ProseForms.Sections(Number(those, "from"), Number(those, "until"))}"
            : Number(range, "from") > lines && Clauses(rest) is [{ Kind: ClauseKind.Repeat }] ? ProseForms.LastLines(lines, rest) : null;
    }

    private static Match? PartOf(string text) =>
        ProseForms.Says("two parts", text) && text.Any(char.IsDigit) && text.Length < 90 ? null
        : ProseForms.Find("part", text) ?? (ProseForms.Find("kind", text) is { } kind ? kind : null);

    /// <summary>"Section 2", "[9-16]", "A1" inside part A.</summary>
    private Match? SectionOf(string text) =>
        ProseForms.Find("section", text)
            ?? (ProseForms.Find("own section", text) is { } own && _items.OfType<PartItem>().LastOrDefault() is var part
            && (string.Equals(own.Groups["part"].Value, part?.Name, StringComparison.OrdinalIgnoreCase) || _labels.Contains(text))
                ? own
                : null);

    private static int SectionCounts(Match section) =>
        section.Groups["until"].Success ? Number(section, "until") - Number(section, "from") + 1 : Number(section, "counts");

    private static int Number(Match match, string group) =>
        match.Groups[group] is { Success: true } said ? ProseForms.Number(said.Value) : 0;

    /// <summary>A row that is the name of a part the order calls, whatever it is called; or a name with its counts above steps.</summary>
    private (string Name, int Counts, string Behind)? IsCalledHead(string text)
    {
        var plain = text.Trim(' ', ':', '*', '=', '-', '–', '"');
        if (_called.TryGetValue(plain, out var name))
        {
            return (name, 0, "");
        }

        if (ProseForms.Find("sized head", text) is { } sized
            && (_settings.BoundIn(text) == 0 || _called.Contains(sized.Groups["name"].Value.Trim()))
            && !TellsSteps(sized.Groups["name"].Value))
        {
            var said = sized.Groups["name"].Value.Trim();
            var isCalled = _called.TryGetValue(said, out var called);
            return isCalled || _called.Count == 0 && ProseForms.Number(said) == 0 && _hasTitle && IsStepsBelow()
                ? (called ?? said, Number(sized, "counts"), "") : null;
        }

        if (ProseForms.Find("sized part", text) is { } whole
            && whole.Groups["name"].Value is var title
            && (_called.Contains(title) || title.Length == 1)
            && !TellsSteps(title))
        {
            // "A (32): vine R …".
            return (_called.TryGetValue(title, out var named) ? named : title, Number(whole, "counts"), whole.Groups["rest"].Value);
        }

        var colon = text.IndexOf(':');
        return colon > 0 && _called.TryGetValue(text[..colon].Trim(), out var before) ? (before, 0, text[(colon + 1)..]) : null;
    }

    private bool IsStepsBelow() =>
        _lines.Skip(_row + 1).FirstOrDefault(l => !l.IsEmpty) is { IsTooLong: false } next && SectionOf(next.Text) is null
        && PartOf(next.Text) is null && TellsSteps(next.Text);

    private void BeginPart(Match match, bool isTag)
    {
        var said = match.Groups["name"].Value.Trim();
        // What the order calls it: "Block A", or "A".
        var whole = match.Value[..(match.Groups["name"].Index - match.Index + match.Groups["name"].Length)].Trim();
        var name = _called.TryGetValue(whole, out var called) || _called.TryGetValue(said, out called) ? called : said.Length == 1
            ? said.ToUpperInvariant() : char.ToUpperInvariant(said[0]) + said[1..];
        BeginPart(name, isTag || ProseForms.Says("named tag", said), Number(match, "counts"));
    }

    private void BeginPart(string name, bool isTag, int counts)
    {
        _hasPart = true;
        _columns = null;
        _items.Add(new PartItem(_row, name, isTag, counts > 0 ? counts : _settings.LengthOf(name)));
    }

    private void BeginSection(int counts, string? name, bool isSoft = false)
    {
        _hasPart = true;
        _items.Add(new SectionItem(_row, counts, name, isSoft));
    }

    /// <summary>The words below a heading are its name where the counted rows follow them.</summary>
    private string? NameBelow()
    {
        var next = _row + 1;
        while (next < _lines.Count && _lines[next].IsEmpty)
        {
            next++;
        }

        if (next >= _lines.Count
            || _lines[next].IsTooLong
            || StartsWithCounts(_lines[next].Text)
            || !IsNameOfWhatFollows(_lines[next].Text, next))
        {
            return "";
        }

        _row = next;
        return _lines[next].Text;
    }

    /// <param name="until">
    /// The last count of what the words stand behind; what is counted from the next one on is not told of them. 0 where none is said.
    /// </param>
    private bool IsNameOfWhatFollows(string rest, int? row = null, int until = 0)
    {
        var next = _lines.Skip((row ?? _row) + 1).FirstOrDefault(l => !l.IsEmpty);
        if (until > 0
            && next is { IsTooLong: false }
            && CountsReader.TryRead(next.Text, MostCounts, null, out var counts, out _) == CountsOutcome.Read
            && counts!.First.Number == until + 1)
        {
            return false;
        }

        return next is { IsTooLong: false } && StartsWithCounts(next.Text) && !StartsWithCounts(rest) && SectionOf(next.Text) is null;
    }
}
