using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation.Counting;

/// <summary>What stands before the wording of a row.</summary>
public enum CountsOutcome
{
    /// <summary>The row does not begin with counts.</summary>
    None,

    /// <summary>Counts were read.</summary>
    Read,

    /// <summary>It looks like counts, but nobody can dance them.</summary>
    Impossible,
}

/// <summary>Reads the counts at the start of a row (interfaces, "the script's plain form").</summary>
public static partial class CountsReader
{
    private readonly record struct Item(string Before, int Number, string After, char Link);

    /// <param name="row">The row, without its comment.</param>
    /// <param name="lineCounts">Counts in a line, to place pick-ups written before a bar ("8 | 1").</param>
    /// <param name="rowBefore">Last position of the row before, for a bare "&amp;"; null at a part's start.</param>
    /// <param name="counts">The counts, when the outcome is <see cref="CountsOutcome.Read"/>.</param>
    /// <param name="length">Characters used.</param>
    public static CountsOutcome TryRead(string row, int lineCounts, Beat? rowBefore, out CountSpec? counts, out int length)
    {
        counts = null;
        var at = SkipSpaces(row, 0);
        if (TryBareFraction(row, at, rowBefore, out counts, out length))
        {
            return CountsOutcome.Read;
        }

        var items = new List<Item>();
        length = at;
        var link = ' ';
        var clean = 0;
        while (TryItem(row, at, out var item, out var end))
        {
            items.Add(item with { Link = link });
            if (EndsCleanly(row, end))
            {
                (clean, length) = (items.Count, end);
            }

            if (!TryLink(row, end, item, link == '-', lineCounts, out link, out at))
            {
                break;
            }
        }

        if (clean == 0)
        {
            length = 0;
            return CountsOutcome.None;
        }

        items.RemoveRange(clean, items.Count - clean);

        while (length < row.Length && row[length] is ':' or '.' or ')')
        {
            length++;
        }

        counts = Build(items, lineCounts);
        return counts is null ? CountsOutcome.Impossible : CountsOutcome.Read;
    }

    private static bool TryBareFraction(string row, int at, Beat? rowBefore, out CountSpec? counts, out int length)
    {
        counts = null;
        length = 0;
        if (at + 1 >= row.Length || row[at] is not ('&' or 'e' or 'a') || (row[at] == '&' && IsBeforeCounts(row, at + 1))
            || !char.IsWhiteSpace(row[at + 1]) || (rowBefore is null && row[at] != '&') || (row[at] == 'a' && IsArticle(row, at + 1)))
        {
            return false;
        }

        // With no row before it, a bare "&" is the pick-up before 1.
        var before = rowBefore ?? new Beat(0, Fraction.Whole);

        counts = new CountSpec { Positions = [before with { Fraction = Read(row[at]) }] };
        length = at + 1;
        return true;
    }

    /// <summary>"&amp; 3 4": the half before a count, and that count.</summary>
    private static bool IsBeforeCounts(string row, int at)
    {
        var digit = SkipSpaces(row, at);
        while (digit < row.Length && char.IsAsciiDigit(row[digit]))
        {
            digit++;
        }

        var next = SkipSpaces(row, digit);
        return digit > SkipSpaces(row, at) && (next == row.Length || char.IsAsciiDigit(row[next]) || row[next] is ':' or '.' or ')' or '&');
    }

    /// <summary>"A quarter turn", "a little kick": the article, no count.</summary>
    private static bool IsArticle(string row, int at)
    {
        var from = SkipSpaces(row, at);
        var end = from;
        while (end < row.Length && char.IsLetter(row[end]))
        {
            end++;
        }

        return Vocabulary.Find(row[from..end].ToLowerInvariant()) is { } sense
            && (sense.Amount > 0 || sense.Is(Roles.Filler | Roles.Turn | Roles.Slow | Roles.Quick));
    }

    private static CountSpec? Build(List<Item> items, int lineCounts)
    {
        var bar = items.FindIndex(i => i.Link == '|');
        if (bar < 0)
        {
            // "8&1": counts that fall once begin before the line's first count.
            var fall = Enumerable.Range(1, items.Count - 1)
                .FirstOrDefault(i => items[i].Number == 1
                    && items[i - 1].Number == lineCounts
                    && items[i].Link is ' ' or '&' or ',' or ';');
            bar = fall > 0 ? fall : bar;
        }

        if (bar < 0 && items is [{ Before.Length: 0, After.Length: 0 } from, { Link: '-', Before.Length: 0, After.Length: 0 } to])
        {
            return from.Number >= 1 && from.Number < to.Number && to.Number <= Beat.Largest ? CountSpec.Over(from.Number, to.Number) : null;
        }

        var positions = new List<Beat>();
        // The other reading, in which "2&" is two positions and not one.
        var split = new List<Beat>();
        var isRange = items.Count == 2 && items[1].Link == '-';
        void Add(Beat beat)
        {
            positions.Add(beat);
            split.Add(beat);
        }

        for (var i = 0; i < items.Count; i++)
        {
            var item = items[i];
            if (item.Number is < 1 or > Beat.Largest)
            {
                return null;
            }

            var number = i < bar ? Math.Min(0, item.Number - lineCounts) : item.Number;
            if (item.Link == '-' && positions.Count > 0)
            {
                for (var n = positions[^1].Number + 1; n < number; n++)
                {
                    Add(new Beat(n, Fraction.Whole));
                }
            }

            if (item.Link == '&')
            {
                Add(new Beat(number - 1, Fraction.And));
            }

            foreach (var letter in item.Before)
            {
                Add(new Beat(number - 1, Read(letter)));
            }

            // A number followed by one letter is one position; a chain of letters ("1e&a") or a letter before the
            // next number ("1&2") stands on its own.
            var runsOn = i + 1 < items.Count && items[i + 1].Link is ' ' or '&';
            if (item.After.Length == 1 && !runsOn)
            {
                split.Add(new Beat(number, Fraction.Whole));
                if (item.Link == '-')
                {
                    positions.Add(new Beat(number, Fraction.Whole));
                }

                Add(new Beat(number, Read(item.After[0])));
            }
            else
            {
                Add(new Beat(number, Fraction.Whole));
                foreach (var letter in item.After)
                {
                    Add(new Beat(number, Read(letter)));
                }
            }

            isRange &= item.Before.Length == 0 && item.After.Length == 0;
        }

        for (var i = 1; i < positions.Count; i++)
        {
            if (positions[i] <= positions[i - 1])
            {
                return null;
            }
        }

        var isList = items.Count > 1 && items.Skip(1).All(i => i.Link is ',');
        return new CountSpec
        {
            Positions = positions,
            IsRange = isRange,
            IsList = isList,
            Split = split.Count > positions.Count ? split : null
        };
    }
}
