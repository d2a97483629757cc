using System.Text.RegularExpressions;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Orders of parts: what they call, and where they stand.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>The names that an order calls, wherever it stands.</summary>
    private static CalledNames CalledIn(IReadOnlyList<ProseLine> lines)
    {
        var names = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        for (var i = 0; i < lines.Count; i++)
        {
            if (!lines[i].IsTooLong && (OrderIn(lines, i) ?? InnerOrder(lines, i)) is { } calls)
            {
                names.UnionWith(NamesIn(calls));
            }
        }

        return new CalledNames(names, lines);
    }

    /// <summary>What an order calls: in its row, or in the row below its heading. Null where the row is none.</summary>
    private static string? OrderIn(IReadOnlyList<ProseLine> lines, int row)
    {
        if (ProseForms.Says("order head", lines[row].Text))
        {
            return lines.Skip(row + 1).FirstOrDefault(l => !l.IsEmpty)?.Text is { } below && below.Length < LongestOrder
                ? below.TrimEnd('.')
                : null;
        }

        if (ProseForms.Find("order", lines[row].Text) is not { } match)
        {
            if (LetteredOrder(lines, row) is { } letters)
            {
                return letters;
            }

            return IsOrderAlone(lines, row) ? ProseForms.Replace("whole order", OrderAlone(lines, row), "").TrimEnd(' ', ',') : null;
        }

        var calls = match.Groups["calls"].Value.Trim();
        var more = calls.IndexOf(". ", StringComparison.Ordinal);
        return ProseForms.Replace("whole order", (more > 0 ? calls[..more] : calls).TrimEnd('.', '!'), "").TrimEnd(' ', ',');
    }

    /// <summary>
    /// An order inside a row: "A is 32 counts and B is 32 counts, the order is A B A B B. It starts …". Null where none is there.
    /// </summary>
    private static string? InnerOrder(IReadOnlyList<ProseLine> lines, int row)
    {
        if (lines[row].IsTooLong)
        {
            return null;
        }

        if (ProseForms.Find("order inside", lines[row].Text) is not { Index: > 0 } said)
        {
            return null;
        }

        var tail = SentenceEnd().Split(lines[row].Text[said.Index..])[0];
        return ProseForms.Find("order", tail) is { } match
            && ProseForms.Replace("whole order", match.Groups["calls"].Value.TrimEnd('.', '!', ' '), "").TrimEnd(' ', ',') is var calls
            && NamesIn(calls).ToList() is { Count: > 2 } names && names.Distinct(StringComparer.OrdinalIgnoreCase).Count() > 1
            && names.TrueForAll(n => IsHead(lines, row, n)) ? calls : null;
    }

    [GeneratedRegex(@"(?<=[.!?])\s+", RegexOptions.CultureInvariant)]
    private static partial Regex SentenceEnd();

    /// <summary>
    /// "Dance it A B A B", "AABAB": letters of parts, and at most a few words before them. Null where the row is something else.
    /// </summary>
    private static string? LetteredOrder(IReadOnlyList<ProseLine> lines, int row)
    {
        var match = Letters().Match(lines[row].Text);
        var letters = match.Groups["calls"].Value;
        var calls = match.Success ? letters.Contains(' ') || letters.Contains(',') || letters.Contains('-') ? letters
            : string.Join(' ', letters.ToCharArray()) : "";
        var names = calls.Where(char.IsLetter).Where(char.IsUpper).Distinct().ToList();
        return names.Count > 1 && names.TrueForAll(n => lines.Where((l, i) => i != row && !l.IsTooLong).Any(l => IsHeadOf(n, l.Text)))
            ? calls
            : null;
    }

    /// <summary>A letter of a part at the head of a row, alone or with the number of its line.</summary>
    private static bool IsHeadOf(char letter, string text) => LetterHead().Match(text) is { Success: true } head
        && char.ToUpperInvariant(head.Groups[1].Value[0]) == letter;

    [GeneratedRegex(
        @"^(?:(?:part|section|block)\s+)?([a-h])(?:\d\b|\s*[:(\[.–—-]|\s*$)",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex LetterHead();

    [GeneratedRegex(
        @"^(?:[\p{L}' ]{1,24}?[:\s]\s*)?(?<calls>[A-D](?:[\s,>→+–-]+[A-D](?:\s?x\s?\d)?){2,}|[A-D]{3,})\.?$",
        RegexOptions.CultureInvariant)]
    private static partial Regex Letters();

    /// <summary>
    /// What stands behind a word and a colon, or all of it; in a sentence the calls alone: "then part one twice, and the tag at the very
    /// end".
    /// </summary>
    private static string OrderAlone(string text, Func<string, bool> isHead)
    {
        var words = text[(text.IndexOf(':') is > 0 and < 16 and var colon ? colon + 1 : 0)..].Trim(' ', '.', '!');
        var calls = ProseForms.Split("call mark", words)
            .Select(c => ProseForms.Replace("beside calls", c, " ").Trim(' ', '.', ':'))
            .Where(c => c.Length > 0)
            .SkipWhile(c => !isHead(ProseForms.Replace("call times", c, "").Trim())).ToList();
        if (words.Split([',', '.', ';'], 2) is [var first, _]
            && NamesIn(first).ToList() is { Count: > 2 } alone
            && alone.TrueForAll(n => isHead(n)))
        {
            // "A B A B, always from the front".
            return first.Trim();
        }

        return words.Length > LongestOrder || calls.Count < 3 || !words.Contains(',') ? words : string.Join(", ", calls);
    }

    /// <summary>"Verse, chorus, verse, chorus, chorus": nothing but names that stand above steps elsewhere.</summary>
    private static bool IsOrderAlone(IReadOnlyList<ProseLine> lines, int row)
    {
        var text = OrderAlone(lines, row);
        var names = text.Length > LongestOrder ? [] : NamesIn(text).ToList();
        return names.Count > 2 && names.Distinct(StringComparer.OrdinalIgnoreCase).Count() is > 1 and var kinds
            && kinds < names.Count + (text.Contains(',') ? 1 : 0)
                && names.TrueForAll(n => IsHead(lines, row, n) || (kinds > 2 && ProseForms.Says("all parts", n)));
    }

    private static string OrderAlone(IReadOnlyList<ProseLine> lines, int row) =>
        OrderAlone(lines[row].Text, name => IsHead(lines, row, name));

    /// <summary>Whether a name, or what it is short for, stands at the head of another row.</summary>
    private static bool IsHead(IReadOnlyList<ProseLine> lines, int row, string name) =>
        name.Length > 0 && lines.Where((l, i) => i != row && !l.IsTooLong)
        .Any(l => CalledNames.IsShortFor(name, l.Text) || (l.Text.StartsWith(name, StringComparison.OrdinalIgnoreCase)
            && (l.Text.Length == name.Length || !char.IsLetterOrDigit(l.Text[name.Length])) && HeadEnd().IsMatch(l.Text[name.Length..])));

    [GeneratedRegex(
        @"^[ :()\d-]*$|^\s*[:,–-]|^\s*[(\[]?\d{1,3}\s*\w*[)\]]?\s*[:.,-]|^\.?\s*$|^,? \d{1,3} counts?\b",
        RegexOptions.CultureInvariant)]
    private static partial Regex HeadEnd();

    /// <summary>Letters of an order that stands below its heading.</summary>
    private const int LongestOrder = 200;

    /// <summary>"Verse, Chorus x2, long tag": by commas and arrows where there are any, else word by word.</summary>
    private static IEnumerable<string> NamesIn(string calls)
    {
        var parted = ProseForms.Split("call mark", calls)
            .Select(c => c.Trim(' ', '(', ')', '.', ':', '[', ']'))
            .Where(c => c.Length > 0)
            .ToList();
        var pieces = parted.Count > 1 ? parted : [.. calls.Split(' ', StringSplitOptions.RemoveEmptyEntries)];
        return pieces.Select(p => ProseForms.Replace("call times", p, "").Trim(' ', '(', ')', '.'))
            .Where(p => p.Length is > 0 and <= 24 && p.Split(' ').Length <= 3 && char.IsLetterOrDigit(p[0]));
    }

    private bool ReadOrderRow(string text)
    {
        if (_isOrderNext)
        {
            _isOrderNext = false;
            WriteOrder(text.TrimEnd('.'), text);
            return true;
        }

        if (OrderIn(_lines, _row) is not { } calls
            || !(LetteredOrder(_lines, _row) is not null || IsOrderAlone(_lines, _row) || IsOrder(calls)))
        {
            return false;
        }

        if (ProseForms.Says("order head", text))
        {
            _isOrderNext = true;
            Write($"# {text}");
            return true;
        }

        WriteOrder(calls, text);
        var match = ProseForms.Find("order", text)?.Groups["calls"].Value ?? "";
        if (match.IndexOf(". ", StringComparison.Ordinal) is > 0 and var more)
        {
            ReadSentences(match[(more + 2)..]);
        }

        return true;
    }

    private void WriteOrder(string calls, string text)
    {
        _tail.Add($"order {_called.Written(calls)}");
        Bound += Words().Count(calls);
        Write($"# {text}");
    }

    /// <summary>Most of its words are names of parts, letters or words of an order.</summary>
    private bool IsOrder(string calls)
    {
        var parts = _items.OfType<PartItem>().Select(p => p.Name).ToList();
        var words = Words().Matches(calls).Select(m => m.Value).ToList();
        var known = words.Count(n => n.Length <= 2 || parts.Exists(p => p.Contains(n, StringComparison.OrdinalIgnoreCase))
            || ProseForms.Says("order word", n) || IsHeadSomewhere(n));
        return words.Count > 1 && known * 10 >= words.Count * 7;
    }

    private bool IsHeadSomewhere(string name) => _lines
        .Any(l => l.Text.Length < LongestHead && l.Text.Contains(name, StringComparison.OrdinalIgnoreCase) && OrderWords(l.Text) <= 3);

    private const int LongestHead = 32;

    private static int OrderWords(string text) => Words().Count(text);

    [GeneratedRegex(@"[\p{L}]+|\d+", RegexOptions.CultureInvariant)]
    private static partial Regex Words();
}
