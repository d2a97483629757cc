using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;

namespace FondCompass.Core.Editing;

/// <summary>Rewrites the counts of a row, wherever its kind has them, and leaves everything else of it as it is.</summary>
internal static class CountShift
{
    /// <summary>All positions so many whole counts later, or earlier.</summary>
    private static CountSpec By(CountSpec counts, int by) => counts with
    {
        Positions = [.. counts.Positions.Select(p => p with { Number = p.Number + by })],
        Split = counts.Split is null ? null : [.. counts.Split.Select(p => p with { Number = p.Number + by })],
    };

    /// <summary>
    /// The row with all its counts moved, those of its later clauses and of its layers too; the row itself when no counts stand in it.
    /// </summary>
    /// <param name="by">Whole counts later, or earlier when negative.</param>
    public static string Row(string row, int lineCounts, int by)
    {
        var counts = by == 0 ? [] : Find(row, lineCounts);
        if (counts.Exists(c => c.Counts.First.Number + by < 1 && !c.Counts.First.IsPickUp))
        {
            return row;
        }

        // From the back, so that the columns before stay what they are.
        return counts.AsEnumerable().Reverse().Aggregate(row, (text, found) => Put(text, found.At, By(found.Counts, by), lineCounts));
    }

    /// <summary>The first count that stands in a row; null where none does.</summary>
    public static int? First(string row, int lineCounts) => Find(row, lineCounts) is [var first, ..] ? first.Counts.First.Number : null;

    /// <summary>
    /// The row lasting to another whole count: its counts where it has one set of them, else the last clause's; written in front of a row
    /// that has none.
    /// </summary>
    public static string Until(string row, int lineCounts, int first, int last)
    {
        var content = RowText.Content(RowText.Plain(row));
        var opened = RowKinds.Open(content.In(RowText.Plain(row)), inPart: true);
        var steps = RowParts.Read(RowText.Plain(row), opened.Rest.From(content.Start), lineCounts, new Beat(1, Fraction.Whole));
        if (steps.Outcome != CountsOutcome.Read)
        {
            var at = opened.Rest.From(content.Start).Start;
            return row.Insert(at, $"{CountText.Write(CountSpec.Over(first, last), lineCounts)} ");
        }

        return steps.Steps.Count > 1 && steps.Steps[^1] is { Counts: { } own } clause
            ? Put(row, clause.CountsAt, CountSpec.Over(own.First.Number, Math.Max(own.First.Number, last)), lineCounts)
            : Put(row, steps.CountsAt, CountSpec.Over(first, last), lineCounts);
    }

    private static string Put(string row, TextSpan at, CountSpec counts, int lineCounts)
    {
        // Brackets around the counts go with them; a colon and the space behind them stay.
        var written = at.In(row);
        var tail = written[written.TrimEnd(' ', ':').Length..];
        var behind = tail.Length == 0 && at.End < row.Length && !char.IsWhiteSpace(row[at.End]) && row[at.End] is not (',' or '+')
            ? " "
            : "";
        return at.Replace(row, $"{CountText.Write(counts, lineCounts)}{tail}{behind}");
    }

    /// <summary>
    /// All counts of a row: of its kind, of later clauses, of layers. A bare "&amp;" goes with the row above, wherever that goes.
    /// </summary>
    private static List<(TextSpan At, CountSpec Counts)> Find(string row, int lineCounts)
    {
        var text = RowText.Plain(row);
        var content = RowText.Content(text);
        if (content.Length == 0)
        {
            return [];
        }

        var opened = RowKinds.Open(content.In(text), inPart: true);
        var rest = opened.Rest.From(content.Start);
        if (opened.Kind.Counts == CountsStand.Nowhere)
        {
            return [];
        }

        if (opened.Kind.Sort == RowSort.Note)
        {
            return RowParts.NoteCounts(opened.Word, text, rest, lineCounts) is { Counts: { } counts, At: var at } ? [(at, counts)] : [];
        }

        return [.. RowParts.Read(text, rest, lineCounts, new Beat(1, Fraction.Whole))
            .AllCounts()
            .Where(c => c.At.Length > 1 || char.IsAsciiDigit(text[c.At.Start]))];
    }
}
