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

    /// <summary>Takes the layers ("+ clap", "+ hips R") off the end of a row's wording.</summary>
    public static (string Steps, IReadOnlyList<string> Layers) SplitLayers(string wording)
    {
        if (!wording.Contains('+'))
        {
            return (wording, []);
        }

        var pieces = wording.Split('+', StringSplitOptions.TrimEntries);
        return (pieces[0], pieces.Skip(1).Where(p => p.Length > 0).ToList());
    }
}
