using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Prose.Clauses;

namespace FondCompass.Core.Prose.Frames;

/// <summary>The dance's name: in quotes, behind "called", in capitals, before its settings, or a row of its own.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>Words of a title by itself, of one before its settings, and words of settings past which a row is no title.</summary>
    private const int LongestTitle = 12, LongestName = 7, FewestSettings = 5;

    private bool ReadTitle(string text)
    {
        if (_hasTitle || _hasPart)
        {
            return false;
        }

        if (ProseForms.Find("titled", text) is { } called)
        {
            // "It's called Slack Water Stroll, 32 counts …"
            _hasTitle = true;
            Write($"title {ProseForms.Replace("unfinished", called.Groups["name"].Value, "").Trim()}");
            return false;
        }

        var words = text.Split(' ').Length;
        if (words > LongestTitle || _lines[_row].IsStamped || text.TrimEnd()[^1] is ':' or '.' or '!' or ',' || _settings.IsOnly(text)
            || _settings.BoundIn(text) >= FewestSettings || StartsWithCounts(text) || ProseForms.Says("talks to", text) || TellsSteps(text))
        {
            return false;
        }

        // A title with more behind it keeps the whole row beside it.
        _hasTitle = true;
        var name = text.Split(',', '(')[0].Trim(' ', '-', '–', '"', '“', '”');
        Write($"title {(name.Length > 0 ? name : text)}", 1);
        if (name != text)
        {
            Write($"# {text}");
        }

        return true;
    }

    /// <summary>
    /// The dance's name where its settings stand behind it in the same row: the last piece without a number before the first with one; null
    /// where
    /// there is none.
    /// </summary>
    private string? NameBeforeSettings(string text)
    {
        if (_settings.BoundIn(text) == 0 || StartsWithCounts(text) || ProseForms.Says("talks to", text))
        {
            return null;
        }

        if (Quoted().Match(text) is { Success: true } quoted)
        {
            return quoted.Groups[1].Value.Trim();
        }

        if (ProseForms.Find("titled", text) is { } called)
        {
            return ProseForms.Replace("unfinished", called.Groups["name"].Value, "").Trim();
        }

        if (text.Any(char.IsLower) && Shouted().Match(text) is { Success: true, Value: var loud } && loud.Split(' ').Length <= LongestName
            && !_settings.IsOnly(loud) && !TellsSteps(loud))
        {
            // "LAMP RING. Circle, holding hands."
            return loud.Trim();
        }

        string? name = null;
        string? small = null;
        foreach (var piece in Marks().Split(ProseForms.Replace("amount", text, "|${amount}"))
            .Select(p => p.Trim(' ', '"', '“', '”', '.', '*', '#', '-', '–', '—', '\t', '/')))
        {
            if (piece.Any(char.IsDigit))
            {
                if (name is not null)
                {
                    break;
                }

                continue;
            }

            var words = piece.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            if (words.Length is > 0 and <= LongestName && !_settings.IsOnly(piece)
                && (IsWrittenAsName(words) || !Array.TrueForAll(words, w => Vocabulary.Find(w.ToLowerInvariant()) is not null))
                && !TellsSteps(piece))
            {
                name = words.Any(w => char.IsUpper(w[0])) ? piece : name;
                small ??= piece;
            }
        }

        // "tide table shuffle // 32ct": without a capital anywhere.
        return name ?? (text.Any(char.IsUpper) && !text.StartsWith(small ?? "-", StringComparison.Ordinal) ? null : small);
    }

    /// <summary>"Left Behind": words of the field, but each with its capital.</summary>
    private static bool IsWrittenAsName(string[] words) => words.Length > 1 && Array.TrueForAll(words, w => char.IsUpper(w[0]));

    [GeneratedRegex(@"\s+[-–—/·]+\s+|\s*[|(),;:\t]\s*|\.\s+", RegexOptions.CultureInvariant)]
    private static partial Regex Marks();

    [GeneratedRegex(@"^[\p{Lu}][\p{Lu}'’-]+(?: [\p{Lu}'’&-]+)+(?=\s*[.,:(|/]|\s+[–—-]\s)", RegexOptions.CultureInvariant)]
    private static partial Regex Shouted();

    [GeneratedRegex("[\"“]([^\"“”]{2,40})[\"”]", RegexOptions.CultureInvariant)]
    private static partial Regex Quoted();
}
