using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>A sentence cut into pieces: counts behind the words, counts called along, notes without commas.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>"Side tog side tch R": notes without commas, their first foot said last. Null where nothing is so.</summary>
    private List<Piece>? Apart(List<Piece> pieces)
    {
        var apart = pieces.ConvertAll(p => p with { Text = ClauseMarks().Replace(p.Text, m => ApartIn(m.Value)) });
        return apart.SequenceEqual(pieces) ? null : apart;
    }

    [GeneratedRegex(@"[^,|/;.()]*[^,|/;.()\s]", RegexOptions.CultureInvariant)]
    private static partial Regex ClauseMarks();

    private string ApartIn(string clause)
    {
        var words = WordLookup.Read(Names, Lexer.Read(clause));
        if (words is [{ Foot: Foot.Left or Foot.Right, Step: null, Verb: null }, { Direction: not Direction.None, Verb: null } way,
            { Verb.Kind: VerbKind.Leaves } last] && way.Kind == TokenKind.Word)
        {
            // "R fwd tch": a step and a touch.
            return $"{clause[..last.Span.Start].TrimEnd()}, {last.Span.In(clause)}";
        }

        bool IsFoot(Lexeme w) => w.Foot.IsSingle() && w.Step is null && w.Verb is null;
        bool IsDone(Lexeme w) => w.Kind == TokenKind.Word && w.Step is null && (w.Verb is not null || w.Direction != Direction.None);
        var isNotes = words.Count >= 4 && words.TrueForAll(w => IsFoot(w) || IsDone(w)) && words.Zip(words.Skip(1))
            .Any(p => p.First.Verb is null && IsDone(p.First) && !IsFoot(p.First) && p.Second.Verb is not null);
        if (!isNotes)
        {
            return clause;
        }

        var feetFirst = IsFoot(words[0]);
        var items = new List<string>();
        for (var i = 0; i < words.Count; i++)
        {
            var (isFoot, text) = (IsFoot(words[i]), words[i].Span.In(clause));
            var joins = items.Count > 0 && (isFoot ? !feetFirst || i == words.Count - 1 : feetFirst && IsFoot(words[i - 1]));
            if (joins)
            {
                items[^1] += $" {text}";
            }
            else
            {
                items.Add(text);
            }
        }

        // "Side tog side tch R": the only foot, said last, is the one that begins.
        var lead = clause[..words[0].Span.Start];
        return lead
            + (!feetFirst && words.Count(IsFoot) == 1 && IsFoot(words[^1]) ? $"{words[^1].Foot.Letter()} {string.Join(", ", items)[..^2]}"
            : string.Join(", ", items));
    }

    /// <summary>
    /// "step R (1), touch L (2)", "cross shuffle (7&amp;8)", "three steps in (8)"; under counts of their own too: "1-2 step R (1) touch L
    /// (2)".
    /// </summary>
    private List<Piece> Behind(CountSpec? counts, string text)
    {
        var marks = !ProseForms.Says("length before", text) ? ProseForms.FindAll("counts behind", text) : null;
        if (marks is not { Count: > 0 })
        {
            return [Said(counts, text)];
        }

        if (counts is not null)
        {
            return Within(counts, text, marks);
        }

        var said = marks.Select(m => Digits(m.Groups["counts"].Value)).ToList();
        var isSame = said.Count > 1 && said.Distinct().Count() == 1;
        var isLength = said.Zip(said.Skip(1))
            .Any(p => int.TryParse(p.First, out var a) && int.TryParse(p.Second, out var b) && b <= a && b > 0);
        var pieces = new List<Piece>();
        var at = 0;
        for (var i = 0; i < marks.Count; i++)
        {
            var words = text[at..marks[i].Index].Trim(' ', ',', ';', '.');
            at = marks[i].Index + marks[i].Length;
            if (words.Length > 0)
            {
                pieces.Add(int.TryParse(said[i], out var number) && (marks.Count == 1 || isSame || (number > 2 && isLength))
                    ? new Piece(null, words, number)
                    : CountsReader.TryRead(said[i], LineCounts, null, out var behind, out _) == CountsOutcome.Read
                        ? new Piece(behind, words, 0) { IsCountedBehind = true }
                    : new Piece(null, words, 0));
            }
        }

        if (text[at..].Trim(' ', ',', ';', '.') is { Length: > 0 } rest)
        {
            pieces.Add(Said(null, rest));
        }

        return pieces;
    }

    /// <summary>
    /// Counts in brackets under those before the row: they part the words, and place them where they do not simply go on from count to
    /// count.
    /// </summary>
    private List<Piece> Within(CountSpec counts, string text, MatchCollection marks)
    {
        var pieces = new List<Piece>();
        var at = 0;
        foreach (Match mark in marks)
        {
            var words = text[at..mark.Index].Trim(' ', ',', ';', '.');
            at = mark.Index + mark.Length;
            if (ProseForms.Says("sized", mark.Value.Trim('(', ')', '[', ']', ' '))
                || CountsReader.TryRead(Digits(mark.Groups["counts"].Value), MostCounts, null, out var behind, out _) != CountsOutcome.Read
                || words.Length == 0
                || behind!.First < counts.First
                || behind.Last > counts.Last
                || (pieces.Count > 0 && behind.First <= pieces[^1].Counts!.Last))
            {
                return [Said(counts, text)];
            }

            pieces.Add(new Piece(behind, words, 0));
        }

        var rest = text[at..].Trim(' ', ',', ';', '.');
        pieces[^1] = pieces[^1] with { Text = rest.Length > 0 ? $"{pieces[^1].Text}, {rest}" : pieces[^1].Text };
        var isPlain = pieces.TrueForAll(p => !p.Counts!.IsRange && p.Counts.Positions.All(b => b.Fraction == Fraction.Whole))
            && pieces.Sum(p => p.Counts!.Positions.Count) == counts.Span;
        return isPlain ? [new Piece(counts, string.Join(", ", pieces.Select(p => p.Text)), 0)] : pieces;
    }

    /// <summary>
    /// "side shuffle right 1&amp;2, rock back left, recover right": counts behind the words they belong to, without brackets. Null where
    /// none are so.
    /// </summary>
    private List<Piece>? Trailing(string text)
    {
        var marks = ProseForms.FindAll("bare counts", text);
        var pieces = new List<Piece>();
        var (at, last) = (0, 0);
        foreach (var mark in marks.Select(m => m.Groups["counts"]))
        {
            var words = text[at..mark.Index].Trim(' ', ',', ';', '.');
            if (words.Length == 0 || CountsReader.TryRead(Digits(mark.Value), LineCounts, null, out var counts, out _) != CountsOutcome.Read
                || counts!.First.Number <= last || counts.Last.Number > LineCounts)
            {
                return null;
            }

            pieces.Add(new Piece(counts, words, 0) { IsCountedBehind = true });
            (at, last) = (mark.Index + mark.Length, counts.Last.Number);
        }

        if (text[at..].Trim(' ', ',', ';', '.') is { Length: > 0 } rest)
        {
            pieces.Add(Said(null, rest));
        }

        return pieces.Count(p => p.Counts is not null) > 1 || pieces.Exists(p => p.Counts is { Positions.Count: > 1, IsRange: false })
            ? pieces
            : null;
    }

    /// <summary>"1 and 2" as counts are written: "1&amp;2".</summary>
    private string Digits(string counts)
    {
        if (counts.All(c => !char.IsLetter(c) || c is 'e' or 'a'))
        {
            return counts.Trim();
        }

        return string.Concat(WordLookup.Read(Names, Lexer.Read(counts))
            .Select(l => l.Number > 0 ? l.Number.ToString(System.Globalization.CultureInfo.InvariantCulture) + " "
                : l.Is(Roles.And) ? "& "
                : "-"))
            .Replace(" & ", "&", StringComparison.Ordinal).Trim().Replace(' ', ',');
    }

    private static Piece Said(CountSpec? counts, string text)
    {
        if (counts is null && ProseForms.Find("length before", text) is { } before
            && ProseForms.Number(before.Groups["counts"].Value) is >= 1 and <= 64 and var first)
        {
            return new Piece(null, text[before.Length..].Trim(), first);
        }

        if (counts is null && !ProseForms.Says("summed up", text) && ProseForms.Find("length behind", text) is { } said
            && ProseForms.Number(said.Groups["counts"].Value) is >= 2 and <= 64 and var length
            && text[..said.Index].Trim() is { Length: > 3 } words)
        {
            return new Piece(null, words, length);
        }

        return new Piece(counts, text, 0);
    }

    private static List<string> Sentences(string text)
    {
        var sentences = new List<string>();
        var (start, depth) = (0, 0);
        for (var i = 0; i <= text.Length; i++)
        {
            depth += i < text.Length ? text[i] is '(' or '[' ? 1 : text[i] is ')' or ']' ? -1 : 0 : 0;
            if (i < text.Length && !Stops(text, start, i, depth))
            {
                continue;
            }

            var end = Math.Min(text.Length, i + 1);
            if (text[start..end].Trim() is { Length: > 0 } sentence)
            {
                // A length by itself is that of what stands before it.
                if (sentences.Count > 0 && LengthAlone().IsMatch(sentence))
                {
                    sentences[^1] = $"{sentences[^1].TrimEnd('.', '!', ' ')} {sentence}";
                }
                else
                {
                    sentences.Add(sentence);
                }
            }

            start = end;
        }

        return sentences;
    }

    private static bool Stops(string text, int start, int i, int depth)
    {
        if (!(text[i] is '.' or '!' or '?' or '。') || (i + 1 < text.Length && !char.IsWhiteSpace(text[i + 1])) || depth > 0)
        {
            return false;
        }

        // "fwd. right": a short word.
        return !(text[i] == '.' && i + 2 < text.Length && char.IsLower(text[i + 2]) && i - start < 12 && !text[start..i].Contains(' '));
    }

    private static string Text(string text, List<Lexeme> words, int from, int to) => to <= from ? ""
        : words[from].Span.To(words[to - 1].Span).In(text).Trim(' ', ',', ';', '.');
}
