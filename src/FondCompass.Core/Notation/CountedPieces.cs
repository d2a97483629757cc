using FondCompass.Core.Text;

namespace FondCompass.Core.Notation;

/// <summary>A piece of a wording with the counts that stand before it.</summary>
/// <param name="Counts">Null when none stand there.</param>
/// <param name="CountsAt">Columns of the counts; empty when they stand outside the text.</param>
/// <param name="Span">Columns of its words.</param>
public readonly record struct CountedPiece(CountSpec? Counts, TextSpan CountsAt, string Wording, TextSpan Span);

/// <summary>A row that is several: "1&amp;2 shuffle R, 3 touch L, &amp;4 ball change L", cut where counts that go on begin a clause.</summary>
public static class CountedPieces
{
    /// <param name="text">A wording, with counts before some or all of its clauses.</param>
    /// <param name="lineCounts">Counts in a line.</param>
    /// <param name="before">The counts that stand before the text already; null when none do.</param>
    public static IReadOnlyList<CountedPiece> Split(string text, int lineCounts, CountSpec? before = null)
    {
        var pieces = new List<CountedPiece>();
        var (counts, at, from) = (before, default(TextSpan), 0);
        var depth = 0;
        if (before is null && CountsReader.TryRead(text, lineCounts, null, out var opening, out var used) == CountsOutcome.Read && used < text.Length && EndsCounts(text, used))
        {
            (counts, at, from) = (opening, new TextSpan(0, used), used);
        }

        for (var i = from; i < text.Length; i++)
        {
            depth += text[i] == '(' ? 1 : text[i] == ')' ? -1 : 0;
            if (depth > 0 || text[i] is not (',' or ';' or '.') || counts is null)
            {
                continue;
            }

            var start = i + 1;
            while (start < text.Length && char.IsWhiteSpace(text[start]))
            {
                start++;
            }

            if (start == i + 1 || start >= text.Length || CountsReader.TryRead(text[start..], lineCounts, counts.Last, out var next, out var length) != CountsOutcome.Read
                || start + length >= text.Length || !EndsCounts(text, start + length) || next!.First <= counts.Last)
            {
                continue;
            }

            Add(pieces, text, counts, at, from, i);
            (counts, at, from) = (next, new TextSpan(start, length), start + length);
            i = from - 1;
        }

        Add(pieces, text, counts, at, from, text.Length);
        return pieces;
    }

    private static bool EndsCounts(string text, int at) => char.IsWhiteSpace(text[at]) || text[at - 1] is ':' or ')' or '.';

    private static void Add(List<CountedPiece> pieces, string text, CountSpec? counts, TextSpan at, int from, int to)
    {
        var span = TextSpan.Trimmed(text, from, to);
        pieces.Add(new CountedPiece(counts, at, span.In(text), span));
    }
}
