using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Text;
using static FondCompass.Core.Prose.ProsePatterns;

namespace FondCompass.Core.Prose;

/// <summary>A row cut into pieces: sentences, clauses with counts before or behind them, counts that are called along.</summary>
public sealed partial class ProseReader
{
    private sealed record Piece(CountSpec? Counts, string Text, int Length);

    /// <summary>Sentences, counted clauses, and pieces whose counts stand behind them in brackets.</summary>
    private List<Piece> Pieces(string text)
    {
        var pieces = new List<Piece>();
        if (CountsReader.TryRead(text, 4096, null, out var counts, out var used) == CountsOutcome.Read && StartsWithCounts(text))
        {
            foreach (var (own, _, words, _) in CountedPieces.Split(text[used..].TrimStart(' ', ':', '.', ')', '-'), 4096, counts))
            {
                pieces.AddRange(Behind(own, words));
            }

            return pieces;
        }

        var sentences = Sentences(text);
        foreach (var sentence in sentences)
        {
            // "1-4: …" may begin any sentence of a row.
            if (StartsWithCounts(sentence) && CountsReader.TryRead(sentence, 4096, null, out counts, out used) == CountsOutcome.Read)
            {
                pieces.AddRange(CountedPieces.Split(sentence[used..].TrimStart(' ', ':', '.', ')', '-'), 4096, counts).Select(p => new Piece(p.Counts, p.Wording, 0)));
            }
            else
            {
                // A length behind several sentences is that of all of them, which their steps have by themselves.
                pieces.AddRange(Behind(null, sentence).Select(p => sentences.Count > 1 && p.Length > 0 && sentence == sentences[^1] && Sentences(text).Count(s => Stretches(s).Any(x => x.Kind == StretchKind.Steps)) > 1 ? p with { Length = 0 } : p));
            }
        }

        return pieces;
    }

    /// <summary>"step R (1), touch L (2)", "cross shuffle (7&amp;8)", "three steps in (8)".</summary>
    private List<Piece> Behind(CountSpec? counts, string text)
    {
        var marks = counts is null ? CountsBehind.Matches(text) : null;
        if (marks is not { Count: > 0 })
        {
            return [Said(counts, text)];
        }

        var pieces = new List<Piece>();
        var at = 0;
        foreach (Match mark in marks)
        {
            var words = text[at..mark.Index].Trim(' ', ',', ';', '.');
            at = mark.Index + mark.Length;
            if (words.Length == 0)
            {
                continue;
            }

            var single = int.TryParse(mark.Groups[1].Value, out var number);
            if (single && (marks.Count == 1 || number > 2 && IsLength(marks)))
            {
                pieces.Add(new Piece(null, words, number));
            }
            else if (CountsReader.TryRead(mark.Groups[1].Value, LineCounts, null, out var behind, out _) == CountsOutcome.Read)
            {
                pieces.Add(new Piece(behind, words, 0));
            }
            else
            {
                pieces.Add(new Piece(null, words, 0));
            }
        }

        if (text[at..].Trim(' ', ',', ';', '.') is { Length: > 0 } rest)
        {
            pieces.Add(Said(null, rest));
        }

        return pieces;
    }

    /// <summary>Numbers in brackets are lengths where they do not count on.</summary>
    private static bool IsLength(MatchCollection marks)
    {
        var numbers = marks.Select(m => int.TryParse(m.Groups[1].Value, out var n) ? n : 0).ToList();
        return numbers.Zip(numbers.Skip(1)).Any(p => p.Second <= p.First && p.Second > 0);
    }

    private static Piece Said(CountSpec? counts, string text)
    {
        if (counts is null && !text.Contains("that's", StringComparison.OrdinalIgnoreCase) && LengthBehind.Match(text) is { Success: true } said && said.Groups.Values.Skip(1).First(g => g.Success) is var number)
        {
            var length = int.TryParse(number.Value, out var digits) ? digits : Vocabulary.Find(number.Value.ToLowerInvariant())?.Number ?? 0;
            if (length is >= 2 and <= 64 && text[..said.Index].Trim().Length > 3)
            {
                return new Piece(null, text[..said.Index].Trim(), length);
            }
        }

        return new Piece(counts, text, 0);
    }

    private static List<string> Sentences(string text)
    {
        var sentences = new List<string>();
        var start = 0;
        var depth = 0;
        for (var i = 0; i < text.Length; i++)
        {
            depth += text[i] is '(' or '[' ? 1 : text[i] is ')' or ']' ? -1 : 0;
            var stops = text[i] is '.' or '!' or '?' or '。' && (i + 1 >= text.Length || char.IsWhiteSpace(text[i + 1])) && depth <= 0;
            if (stops && text[i] == '.' && i + 2 < text.Length && char.IsLower(text[i + 2]) && i - start < 12 && !text[start..i].Contains(' '))
            {
                stops = false;
            }

            if (stops)
            {
                Add(start, i + 1);
                start = i + 1;
            }
        }

        Add(start, text.Length);
        return sentences;

        void Add(int from, int to)
        {
            if (text[from..to].Trim() is { Length: > 0 } sentence)
            {
                sentences.Add(sentence);
            }
        }
    }

    /// <summary>
    /// "step right and flick left behind, one two, step left and flick right behind, three four": the counts are called behind the steps.
    /// Null unless a row is told so all through.
    /// </summary>
    private List<Piece>? Chanted(string text)
    {
        if (Lexer.Read(text).Count(t => t.Kind == TokenKind.Word && Vocabulary.Find(t.Text) is { Number: > 0 }) < 2)
        {
            return null;
        }

        var clauses = OnAnd.Replace(text, ", $1").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        var pieces = new List<Piece>();
        var words = new List<string>();
        var called = 0;
        var last = 0;
        foreach (var clause in clauses)
        {
            if (Lexer.Read(clause).TrueForAll(t => t.Text is "and" || Vocabulary.Find(t.Text) is { Number: > 0 }) && clause.Contains(" and ", StringComparison.OrdinalIgnoreCase))
            {
                // "One and two": a rhythm that is sung along.
                continue;
            }

            var match = Called.Match(clause);
            var numbers = match.Success ? Lexer.Read(match.Groups[2].Value).Select(t => Vocabulary.Find(t.Text)?.Number ?? 0).Where(n => n > 0).ToList() : [];
            var isLength = numbers.Count == 1 && clause.Contains("for " + match.Groups[2].Value.Trim(), StringComparison.OrdinalIgnoreCase);
            if (isLength && last + numbers[0] <= LineCounts)
            {
                // "For four": so many more.
            }
            else if (numbers.Count == 0 || numbers[0] <= last || numbers[0] > last + 4 || numbers.Zip(numbers.Skip(1)).Any(p => p.Second != p.First + 1))
            {
                words.Add(clause);
                continue;
            }

            if (match.Groups[1].Value.Trim() is { Length: > 0 } own)
            {
                words.Add(own);
            }

            var steps = words.Where(w => Stretches(w, counted: true).Any(s => s.Kind == StretchKind.Steps)).ToList();
            foreach (var talk in words.Except(steps))
            {
                pieces.Add(new Piece(null, talk, -1));
            }

            var until = isLength ? last + numbers[0] : numbers[^1];
            var from = isLength || numbers.Count == 1 ? last + 1 : numbers[0];
            // What is called but cannot be danced holds its counts.
            pieces.Add(new Piece(CountSpec.Over(from, until), steps.Count > 0 ? string.Join(", ", steps) : "hold", 0));
            called++;
            words.Clear();
            last = until;
        }

        if (called < 2)
        {
            return null;
        }

        if (words.Count > 0)
        {
            pieces.Add(new Piece(null, string.Join(", ", words), -1));
        }

        return pieces;
    }
}
