using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Rows;

/// <summary>How a text row is cut into its pieces before it is read.</summary>
public static class RowText
{
    /// <summary>
    /// The columns of what a row says: without its comment and the space around it. A comment begins with # or // at the row's start or
    /// after a space.
    /// </summary>
    public static TextSpan Content(string raw)
    {
        for (var i = 0; i < raw.Length; i++)
        {
            var starts = raw[i] == '#' || (raw[i] == '/' && i + 1 < raw.Length && raw[i + 1] == '/');
            if (starts && (i == 0 || char.IsWhiteSpace(raw[i - 1])))
            {
                return TextSpan.Trimmed(raw, 0, i);
            }
        }

        return TextSpan.Trimmed(raw, 0, raw.Length);
    }

    /// <summary>The row up to its comment, trimmed.</summary>
    public static string WithoutComment(string raw) => Content(raw).In(raw);

    /// <summary>The row with a plain space for every character that is one or does not print; no column moves.</summary>
    public static string Plain(string raw)
    {
        foreach (var c in raw)
        {
            if (c == '\u00a0' || char.IsControl(c))
            {
                return string.Concat(raw.Select(c => c == '\u00a0' || char.IsControl(c) ? ' ' : c));
            }
        }

        return raw;
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
