using FondCompass.Core.Text;

namespace FondCompass.Core.Notation;

/// <summary>A row that is several: "1&amp;2 shuffle R, 3 touch L, &amp;4 ball change L", cut where counts that go on begin a clause.</summary>
public static class CountedPieces
{
    /// <param name="text">A wording, with counts before some or all of its clauses.</param>
    /// <param name="lineCounts">Counts in a line.</param>
    /// <param name="before">The counts that stand before the text already; null when none do.</param>
    /// <returns>Each piece with its counts (null for the first when none stand there), its words and their columns.</returns>
    public static IReadOnlyList<(CountSpec? Counts, string Wording, TextSpan Span)> Split(string text, int lineCounts, CountSpec? before = null)
    {
        var pieces = new List<(CountSpec?, string, TextSpan)>();
        var counts = before;
        var from = 0;
        var depth = 0;
        if (before is null && CountsReader.TryRead(text, lineCounts, null, out var opening, out var used) == CountsOutcome.Read && used < text.Length && EndsCounts(text, used))
        {
            (counts, from) = (opening, used);
        }

        for (var i = from; i < text.Length; i++)
        {
            depth += text[i] == '(' ? 1 : text[i] == ')' ? -1 : 0;
            if (depth > 0 || text[i] is not (',' or ';' or '.') || counts is null)
            {
                continue;
            }

            var at = i + 1;
            while (at < text.Length && char.IsWhiteSpace(text[at]))
            {
                at++;
            }

            if (at == i + 1 || at >= text.Length || CountsReader.TryRead(text[at..], lineCounts, counts.Last, out var next, out var length) != CountsOutcome.Read
                || at + length >= text.Length || !EndsCounts(text, at + length) || next!.First <= counts.Last)
            {
                continue;
            }

            Add(pieces, text, counts, from, i);
            (counts, from) = (next, at + length);
            i = from - 1;
        }

        Add(pieces, text, counts, from, text.Length);
        return pieces;
    }

    private static bool EndsCounts(string text, int at) => char.IsWhiteSpace(text[at]) || text[at - 1] is ':' or ')' or '.';

    private static void Add(List<(CountSpec?, string, TextSpan)> pieces, string text, CountSpec? counts, int from, int to)
    {
        var span = TextSpan.Trimmed(text, from, to);
        pieces.Add((counts, span.In(text), span));
    }
}
