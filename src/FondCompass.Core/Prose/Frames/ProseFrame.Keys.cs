using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Rows that begin with a key, counts or feet.</summary>
internal sealed partial class ProseFrame
{
    private bool IsFeetBeside(string text) => _items.Count > 0 && _items[^1] is SentenceItem && FeetAlone().IsMatch(text);

    [GeneratedRegex(@"^[LR]{1,4}(?:[\s,·-]+[LR]{1,4})*$", RegexOptions.CultureInvariant)]
    private static partial Regex FeetAlone();

    /// <summary>"Music: …", "Choreographed by: …" and the like.</summary>
    private bool ReadKey(string text, ProseLine line)
    {
        if (!_hasPart && ProseForms.Find("maker", text) is { } maker)
        {
            Write($"credit {maker.Groups["who"].Value.Trim(' ', '.')}");
            return true;
        }

        foreach (var key in new[] { "title", "credit", "level" })
        {
            if (ProseForms.Find($"key {key}", text) is { } match)
            {
                if (_settings.BoundIn(text) > 0 && match.Groups["value"].Value.Any(char.IsDigit))
                {
                    // "Level: Improver  Count: 32  Walls: 4": settings, and no level of that name.
                    _hasTitle |= key == "title";
                    Bound += _settings.BoundIn(text);
                    Note(text);
                    return true;
                }

                _hasTitle |= key == "title";
                Write($"{key} {match.Groups["value"].Value.Trim()}");
                return true;
            }
        }

        if (!ProseForms.Says("key beside", text))
        {
            return false;
        }

        Note(line.Text);
        return true;
    }

    private bool StartsWithCounts(string text)
    {
        if (CountsReader.TryRead(text, LineCounts, null, out var counts, out var length) != CountsOutcome.Read || length >= text.Length
            || ClockTime().IsMatch(text)
            || (text.Length > length + 1 && char.IsAsciiDigit(text[length]) && text[length - 1] == ':')
                || ProseForms.Says("sized", ProseForms.Plain(text, _lexicon.Translation)))
        {
            return false;
        }

        if (counts!.Positions.Count > 1 || text[length - 1] is ':' or '.')
        {
            return true;
        }

        // "4 heel digs": so many of them, but behind a row that ends on count 3 the fourth count.
        var words = WordLookup.Read(Names, Lexer.Read(text[length..])).TakeWhile(l => !l.IsSeparator && !l.Is(Roles.And)).Take(3).ToList();
        return !ProseForms.Says("counted steps", text[length..]) && !words.Exists(l => l.Plural)
            && (counts.First.Number == 1 || words.TrueForAll(l => l.Step is null) || _ended.Contains(counts.First.Number - 1));
    }

    [GeneratedRegex(@"^\d{1,2}[:.]\d\d\b", RegexOptions.CultureInvariant)]
    private static partial Regex ClockTime();
}
