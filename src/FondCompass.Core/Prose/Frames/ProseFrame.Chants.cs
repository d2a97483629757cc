using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Counts called along, and lengths that stand alone.</summary>
internal sealed partial class ProseFrame
{
    [GeneratedRegex(@"^\(\d{1,2}\)\.?$", RegexOptions.CultureInvariant)]
    private static partial Regex LengthAlone();

    /// <summary>
    /// "step right and flick left behind, one two, step left and flick right behind, three four": the counts are called behind the steps,
    /// with commas or none.
    /// Null unless several are.
    /// </summary>
    private List<Piece>? Chanted(string text)
    {
        var words = WordLookup.Read(Names, Lexer.Read(text));
        var pieces = new List<Piece>();
        var (from, last, called) = (0, 0, 0);
        for (var i = 0; i < words.Count; i++)
        {
            var isLength = i > 0 && words[i - 1].Is(Roles.For) && words[i].Number > 0 && last + words[i].Number <= LineCounts;
            if (!isLength && !IsCalledOn(words, i, last))
            {
                continue;
            }

            var end = i;
            while (!isLength && end + 1 < words.Count && words[end + 1].Number == words[end].Number + 1)
            {
                end++;
            }

            var (first, until) = isLength
                ? (last + 1, last + words[i].Number)
                : (end == i && last > 0 ? last + 1 : words[i].Number, words[end].Number);
            var told = Text(text, words, from, i - (isLength ? 1 : 0));
            // What is called but cannot be danced holds its counts.
            pieces.Add(new Piece(
                CountSpec.Over(first, until),
                Clauses(told).Any(c => c.Kind == ClauseKind.Steps || c.IsBody) ? told : Verbs.Hold.Name,
                0)
            { IsCountedBehind = true });
            (from, last, called, i) = (end + 1, until, called + 1, end);
        }

        if (Text(text, words, from, words.Count) is { Length: > 0 } rest)
        {
            pieces.Add(new Piece(null, rest, 0));
        }

        return called < 2 ? null : pieces;
    }

    /// <summary>A number in words that goes on from what was counted, and counts nothing that stands behind it.</summary>
    private static bool IsCalledOn(List<Lexeme> words, int i, int last) =>
        words[i] is { Kind: TokenKind.Word, Number: > 0, Step: null } word && word.Number > last && (last == 0 || word.Number <= last + 4)
            && (i == 0 || !words[i - 1].Is(Roles.For | Roles.Each))
        && (i + 1 == words.Count || !(words[i + 1].Plural || words[i + 1].Is(Roles.Counts) || words[i + 1].Amount > 0));
}
