using FondCompass.Core.Counts;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Composing;

/// <summary>Rewrites the counts in front of a row and leaves everything else of it as it is.</summary>
internal static class CountShift
{
    /// <summary>All positions so many whole counts later, or earlier.</summary>
    public static CountSpec By(CountSpec counts, int by) => counts with
    {
        Positions = [.. counts.Positions.Select(p => p with { Number = p.Number + by })],
        Split = counts.Split is null ? null : [.. counts.Split.Select(p => p with { Number = p.Number + by })],
    };

    /// <summary>The row with its counts moved; the row itself when no counts stand in it.</summary>
    /// <param name="by">Whole counts later, or earlier when negative.</param>
    public static string Row(string row, int lineCounts, int by)
    {
        if (by == 0 || Find(row, lineCounts) is not { } found)
        {
            return row;
        }

        return found.Counts.First.Number + by < 1 && !found.Counts.First.IsPickUp ? row : Put(row, found.Start, found.Length, By(found.Counts, by), lineCounts);
    }

    /// <summary>The row with other counts in place of its own, or in front of it where it has none.</summary>
    public static string Row(string row, int lineCounts, CountSpec counts)
    {
        if (Find(row, lineCounts) is { } found)
        {
            return Put(row, found.Start, found.Length, counts, lineCounts);
        }

        var indent = row.Length - row.TrimStart().Length;
        return $"{row[..indent]}{CountText.Write(counts, lineCounts)} {row[indent..]}";
    }

    private static string Put(string row, int start, int length, CountSpec counts, int lineCounts)
    {
        // Colons and brackets that stood behind the counts go with them; the space before the words stays.
        var rest = row[(start + length)..];
        return $"{row[..start]}{CountText.Write(counts, lineCounts)}{(rest.Length > 0 && !char.IsWhiteSpace(rest[0]) ? " " : "")}{rest}";
    }

    /// <summary>The counts of a row of steps, of a layer, a note or a variant: the first word that reads as counts.</summary>
    private static (int Start, int Length, CountSpec Counts)? Find(string row, int lineCounts)
    {
        var content = RowText.WithoutComment(row);
        var from = content.Length == 0 ? 0 : row.IndexOf(content, StringComparison.Ordinal);
        var words = 0;
        for (var at = from; at < from + content.Length && words < 4; at++)
        {
            if (at > from && !char.IsWhiteSpace(row[at - 1]))
            {
                continue;
            }

            words++;
            if (CountsReader.TryRead(row[at..(from + content.Length)], lineCounts, new Beat(1, Fraction.Whole), out var counts, out var length) == CountsOutcome.Read)
            {
                // A bare "&" goes with the row above, wherever that goes.
                return length == 1 && !char.IsAsciiDigit(row[at]) ? null : (at, length, counts!);
            }

            if (at == from && !IsKind(content))
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>Rows whose counts come after a word.</summary>
    private static bool IsKind(string content) =>
        content[0] is '+' or '?' || RowText.FirstWord(content).Word is "note" or "cue" or "caution" or "trouble" or "easier" or "showier" or "no" or "no-turn"
            or "low" or "low-impact" or "small" or "small-room" or "version" or "first" or "second" or "third" or "fourth";
}
