using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Counting;

/// <summary>
/// Counts said with each step of a list: "step R on 1, kick L on 2", "rock R 1, recover L 2", "1-4 1 step R, 2 close L, …". Said of all of
/// them they place each; a number that does not go on from the one before it says how often (reading, section 5).
/// </summary>
internal static class CountsWithin
{
    /// <summary>Letters of a row beyond which it is not looked through.</summary>
    private const int Longest = 2_000;

    /// <summary>An item with its counts, and whether they are said to be counts ("on 4", "(4)") or stand there as a bare number.</summary>
    private readonly record struct Counted(CountSpec Counts, TextSpan At, TextSpan Words, bool Before, bool Said);

    /// <param name="steps">The columns of the list.</param>
    /// <param name="row">The counts in front of the row; null when none stand there.</param>
    /// <param name="before">The last position of the row above.</param>
    /// <returns>A piece for each item; null when they do not each say their counts.</returns>
    public static IReadOnlyList<CountedPiece>? Read(string text, TextSpan steps, CountSpec? row, int lineCounts, Beat? before)
    {
        if (steps.Length is 0 or > Longest || row is { IsRange: false } || !steps.In(text).Any(char.IsAsciiDigit))
        {
            return null;
        }

        if (row is not null
            && CountedPieces.Split(steps.In(text), lineCounts) is { Count: > 1 } pieces
            && pieces.All(p => p.Counts is not null)
            && pieces[0].Counts!.First == row.First && pieces[^1].Counts!.Last <= row.Last)
        {
            // "1-4 1 step R 2 close L 3 step R 4 touch L".
            return [.. pieces.Select((p, i) => p with { Counts = Until(p.Counts!, row, i + 1 < pieces.Count ? pieces[i + 1].Counts : null),
                CountsAt = p.CountsAt.From(steps.Start), Span = p.Span.From(steps.Start) })];
        }

        var items = new List<Counted>();
        foreach (var item in Items(text, steps))
        {
            if (Of(text, item, lineCounts) is not { } counted || (items.Count > 0 && counted.Before != items[0].Before))
            {
                return null;
            }

            items.Add(counted);
        }

        var opens = row?.First.Number
            ?? (items.Count > 0 && before is { } above && items[0].Counts.First.Number == above.Number + 1 ? above.Number + 1 : 1);
        return items.Count < 2 || !Rise(items, opens, row?.Last.Number) ? null : [.. items
            .Select((c, i) => new CountedPiece(
                Until(c.Counts, row, i + 1 < items.Count ? items[i + 1].Counts : null),
                c.At,
                c.Words.In(text),
                c.Words))];
    }

    /// <summary>Each goes on from the one before; where they are said to be counts, some may be left out.</summary>
    private static bool Rise(List<Counted> items, int opens, int? closes)
    {
        if (items[0].Counts.First.Number < opens || (!items[0].Said && items[0].Counts.First.Number != opens)
            || items[^1].Counts.Last.Number > (closes ?? Beat.Largest))
        {
            return false;
        }

        for (var i = 1; i < items.Count; i++)
        {
            var (last, next) = (items[i - 1].Counts.Last, items[i].Counts.First);
            if (next <= last || (!items[i].Said && next.Number > last.Number + 1))
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>In a row of so many counts what is done on one lasts until the next.</summary>
    private static CountSpec Until(CountSpec counts, CountSpec? row, CountSpec? next)
    {
        var until = next is null ? row?.Last.Number : next.First.Fraction == Fraction.Whole ? next.First.Number - 1 : null;
        return row is not null && counts is { Positions: [{ Fraction: Fraction.Whole } only] } && until > only.Number
            ? CountSpec.Over(only.Number, until.Value) : counts;
    }

    private static IEnumerable<TextSpan> Items(string text, TextSpan steps)
    {
        var (from, depth) = (steps.Start, 0);
        for (var i = steps.Start; i < steps.End; i++)
        {
            depth += text[i] == '(' ? 1 : text[i] == ')' ? -1 : 0;
            if (depth == 0 && text[i] is ',' or ';')
            {
                yield return TextSpan.Trimmed(text, from, i);
                from = i + 1;
            }
        }

        yield return TextSpan.Trimmed(text, from, steps.End);
    }

    private static Counted? Of(string text, TextSpan item, int lineCounts)
    {
        var words = item.In(text);
        var tokens = Lexer.Read(words);
        var opens = tokens.FindIndex(t => !IsSmall(t));
        var isSaid = opens > 0 && tokens.Take(opens).Any(SaysCount);
        if (opens >= 0 && (opens == 0 || isSaid) && Before(words, tokens[opens].Span.Start, lineCounts) is var (counts, length))
        {
            var head = tokens[opens].Span.Start;
            return new Counted(
                counts,
                new TextSpan(item.Start + head, length),
                TextSpan.Trimmed(text, item.Start + head + length, item.End),
                Before: true, isSaid);
        }

        var isBracketed = words.EndsWith(')');
        var from = isBracketed ? words.LastIndexOf('(') + 1 : words.LastIndexOf(' ') + 1;
        var to = isBracketed ? words.Length - 1 : words.Length;
        if (from <= 1
            || from >= to
            || CountsReader.TryRead(words[from..to], lineCounts, null, out var behind, out var used) != CountsOutcome.Read
            || used != to - from)
        {
            return null;
        }

        var steps = tokens.FindAll(t => t.Span.End <= from && t.Kind != TokenKind.Open);
        var last = steps.FindLastIndex(t => !IsSmall(t));
        var isOn = steps.Skip(last + 1).Any(SaysCount);
        // Small words that do not say that a count follows belong to the step.
        var end = last < 0 ? 0 : (isOn ? steps[last] : steps[^1]).Span.End;
        return last < 0 || !words[..end].Any(char.IsLetter) ? null
            : new Counted(
                behind!,
                new TextSpan(item.Start + from, to - from),
                TextSpan.Trimmed(text, item.Start, item.Start + end),
                Before: false,
                isBracketed || isOn);
    }

    /// <summary>Counts that stand before a step.</summary>
    private static (CountSpec Counts, int Length)? Before(string words, int from, int lineCounts) =>
        CountsReader.TryRead(words[from..], lineCounts, null, out var counts, out var length) == CountsOutcome.Read
            && from + length < words.Length && (char.IsWhiteSpace(words[from + length]) || words[from + length - 1] is ':' or '.')
                ? (counts!, length)
                : null;

    private static bool SaysCount(Token token) => Vocabulary.Find(token.Text) is { } sense && sense.Is(Roles.At);

    /// <summary>"On", "the", "count" beside a number.</summary>
    private static bool IsSmall(Token token) =>
        token.Kind == TokenKind.Word && Verbs.Find(token.Text) is null
            && Vocabulary.Find(token.Text) is { Foot: Foot.None, Direction: Direction.None, Number: 0 } sense
            && sense.Is(Roles.At | Roles.Filler | Roles.Counts);
}
