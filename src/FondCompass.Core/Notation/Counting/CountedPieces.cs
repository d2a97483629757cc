using System.Collections.Frozen;
using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Counting;

/// <summary>A piece of a wording with the counts that stand before it.</summary>
/// <param name="Counts">Null when none stand there.</param>
/// <param name="CountsAt">Columns of the counts; empty when they stand outside the text.</param>
/// <param name="Span">Columns of its words.</param>
public readonly record struct CountedPiece(CountSpec? Counts, TextSpan CountsAt, string Wording, TextSpan Span);

/// <summary>
/// A row that is several: "1&amp;2 shuffle R, 3 touch L, &amp;4 ball change L", cut where counts that go on begin a clause.
/// </summary>
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
        if (before is null
            && CountsReader.TryRead(text, lineCounts, null, out var opening, out var used) == CountsOutcome.Read
            && used < text.Length
            && EndsCounts(text, used))
        {
            (counts, at, from) = (opening, new TextSpan(0, used), used);
        }

        for (var i = from; i < text.Length; i++)
        {
            depth += text[i] == '(' ? 1 : text[i] == ')' ? -1 : 0;
            if (depth > 0 || counts is null || !(text[i] is ',' or ';' or '.' || char.IsWhiteSpace(text[i])))
            {
                continue;
            }

            var start = i + (char.IsWhiteSpace(text[i]) ? 0 : 1);
            var gap = start;
            while (start < text.Length && char.IsWhiteSpace(text[start]))
            {
                start++;
            }

            // Without a comma they are short, and begin with a figure: long rows are not read again at every word.
            var bare = gap == i;
            if (bare
                && (start >= text.Length || !char.IsAsciiDigit(text[text[start] == '&' && start + 1 < text.Length ? start + 1 : start])))
            {
                continue;
            }

            if (start == gap
                || start >= text.Length
                || CountsReader.TryRead(
                    Window(text, start, bare ? MostBare : MostCounts),
                    lineCounts,
                    counts.Last,
                    out var next,
                    out var length) != CountsOutcome.Read
                || start + length >= text.Length || !EndsCounts(text, start + length) || next!.First <= counts.Last
                || (bare && !GoesOn(text, from, i, start + length, counts, next)))
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

    /// <summary>Words behind which a number is no count, and words before which it counts something.</summary>
    private static readonly FrozenSet<string> Apart = FrozenSet.ToFrozenSet(
        [
            "count", "counts", "on", "for", "x", "to", "wall", "walls", "of", "at", "after", "in", "over", "facing", "face",
            "times", "and", "or", "by", "about", "o'clock", "beats", "bars", "more", "eighths", "quarters", "with", "the", "all",
            "both"
        ],
        StringComparer.OrdinalIgnoreCase);

    /// <summary>
    /// "1 step R 2 touch L": without a comma counts begin a clause only when they are the very next ones, and stand before and behind words
    /// that leave them alone.
    /// </summary>
    private static bool GoesOn(string text, int from, int before, int behind, CountSpec counts, CountSpec next)
    {
        var said = text[Math.Max(from, before - MostBare)..before].TrimEnd();
        var follows = Window(text, behind, MostBare).TrimStart();
        return said.Length > 0 && char.IsLetter(said[^1]) && follows.Length > 0 && char.IsLetter(follows[0])
            && next.First.Number <= counts.Last.Number + 1
            && !Apart.Contains(said[(said.LastIndexOf(' ') + 1)..]) && !Apart.Contains(follows.Split(' ', ',', '.', ';')[0]);
    }

    /// <summary>Characters that counts without a comma, and a word beside them, may have.</summary>
    private const int MostBare = 48;

    /// <summary>Characters that counts behind a comma may have.</summary>
    private const int MostCounts = 400;

    private static string Window(string text, int from, int most) => text.Substring(from, Math.Min(most, text.Length - from));

    private static bool EndsCounts(string text, int at) => char.IsWhiteSpace(text[at]) || text[at - 1] is ':' or ')' or '.';

    private static void Add(List<CountedPiece> pieces, string text, CountSpec? counts, TextSpan at, int from, int to)
    {
        var span = TextSpan.Trimmed(text, from, to);
        pieces.Add(new CountedPiece(counts, at, span.In(text), span));
    }
}
