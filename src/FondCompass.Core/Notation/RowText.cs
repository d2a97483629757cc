namespace FondCompass.Core.Notation;

/// <summary>How a text row is cut into its pieces before it is read.</summary>
public static class RowText
{
    /// <summary>The row up to its comment, trimmed. A comment begins with # or // at the row's start or after a space.</summary>
    public static string WithoutComment(string raw)
    {
        for (var i = 0; i < raw.Length; i++)
        {
            var starts = raw[i] == '#' || (raw[i] == '/' && i + 1 < raw.Length && raw[i + 1] == '/');
            if (starts && (i == 0 || char.IsWhiteSpace(raw[i - 1])))
            {
                return raw[..i].Trim();
            }
        }

        return raw.Trim();
    }

    public static bool HasControlCharacters(string text)
    {
        foreach (var c in text)
        {
            if (char.IsControl(c) && c != '\t')
            {
                return true;
            }
        }

        return false;
    }

    public static string WithoutControlCharacters(string text) =>
        string.Concat(text.Select(c => char.IsControl(c) ? ' ' : c)).Trim();

    /// <summary>The first word in lower case, and what follows it.</summary>
    public static (string Word, string Remainder) FirstWord(string text)
    {
        var end = 0;
        while (end < text.Length && !char.IsWhiteSpace(text[end]) && text[end] != ':')
        {
            end++;
        }

        var rest = end < text.Length && text[end] == ':' ? end + 1 : end;
        return (text[..end].ToLowerInvariant(), text[rest..].Trim());
    }

    /// <summary>Takes the layers ("+ clap", "+ 1-4 hips R", "+ snap on 2 and 4") off the end of a row's wording.</summary>
    public static (string Steps, IReadOnlyList<LayerText> Layers) SplitLayers(string wording, int lineCounts)
    {
        var plus = LayerAt(wording);
        if (plus < 0)
        {
            return (wording, []);
        }

        var pieces = wording[(plus + 1)..].Split('+', StringSplitOptions.TrimEntries);
        return (wording[..plus].TrimEnd(), pieces.Where(p => p.Length > 0).SelectMany(p => Layers(p, lineCounts)).ToList());
    }

    /// <summary>The plus that opens the layers: at the start or after a space, so that "one+" is no layer.</summary>
    private static int LayerAt(string wording)
    {
        for (var i = 0; i < wording.Length; i++)
        {
            if (wording[i] == '+' && (i == 0 || char.IsWhiteSpace(wording[i - 1])))
            {
                return i;
            }
        }

        return -1;
    }

    private static IEnumerable<LayerText> Layers(string text, int lineCounts)
    {
        var pieces = CountedPieces.Split(text, lineCounts);
        foreach (var (counts, wording, _) in pieces)
        {
            yield return counts is null ? Placed(wording, lineCounts) : new LayerText(counts, wording);
        }
    }

    /// <summary>"snap on 2 and 4": counts said behind.</summary>
    private static LayerText Placed(string text, int lineCounts)
    {
        var on = text.LastIndexOf(" on ", StringComparison.OrdinalIgnoreCase);
        if (on <= 0)
        {
            return new LayerText(null, text);
        }

        var said = text[(on + 4)..].Trim();
        foreach (var word in (string[])["counts ", "count ", "the "])
        {
            said = said.StartsWith(word, StringComparison.OrdinalIgnoreCase) ? said[word.Length..].TrimStart() : said;
        }

        said = said.Replace(" and ", ",", StringComparison.OrdinalIgnoreCase).Replace(" & ", ",", StringComparison.Ordinal).Replace(", ", ",", StringComparison.Ordinal);
        return CountsReader.TryRead(said, lineCounts, null, out var counts, out var length) == CountsOutcome.Read && length == said.Length
            ? new LayerText(counts, text[..on].Trim())
            : new LayerText(null, text);
    }

    /// <summary>Cuts a text into rows and keeps each row's line break, so that they can be put together again as they were.</summary>
    public static (string[] Rows, string[] Breaks) SplitRows(string text)
    {
        var rows = new List<string>();
        var breaks = new List<string>();
        var start = 0;
        for (var i = 0; i < text.Length; i++)
        {
            if (text[i] is not ('\n' or '\r' or '\f' or '\u0085' or '\u2028' or '\u2029'))
            {
                continue;
            }

            var length = text[i] == '\r' && i + 1 < text.Length && text[i + 1] == '\n' ? 2 : 1;
            rows.Add(text[start..i]);
            breaks.Add(text.Substring(i, length));
            i += length - 1;
            start = i + 1;
        }

        rows.Add(text[start..]);
        breaks.Add("");
        return ([.. rows], [.. breaks]);
    }
}
