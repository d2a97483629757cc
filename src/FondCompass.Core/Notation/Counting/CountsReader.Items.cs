using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation.Counting;

/// <summary>One count and the next: numbers, letters behind them, what links them.</summary>
public static partial class CountsReader
{
    private static bool TryItem(string row, int at, out Item item, out int end)
    {
        item = default;
        end = at;
        var before = Letters(row, at);
        var digitsAt = at + before.Length;
        digitsAt = before == "&" && IsBeforeCounts(row, digitsAt) ? SkipSpaces(row, digitsAt) : digitsAt;
        var afterAt = digitsAt;
        while (afterAt < row.Length && char.IsAsciiDigit(row[afterAt]))
        {
            afterAt++;
        }

        if (afterAt == digitsAt || (afterAt < row.Length && row[afterAt] is '/' or '⁄'))
        {
            return false;
        }

        var number = afterAt - digitsAt > 6 ? int.MaxValue : int.Parse(row.AsSpan(digitsAt, afterAt - digitsAt));
        var after = Letters(row, afterAt);
        end = afterAt + after.Length;
        if (end < row.Length && char.IsLetter(row[end]))
        {
            // "3rd", "4and": the letters belong to a word.
            return false;
        }

        item = new Item(before, number, after, ' ');
        return true;
    }

    private static bool TryLink(string row, int end, Item item, bool afterRange, int lineCounts, out char link, out int at)
    {
        var number = item.Number;
        link = ' ';
        at = end;
        if (end < row.Length && char.IsAsciiDigit(row[end]))
        {
            return true;
        }

        var next = SkipSpaces(row, end);
        if (next >= row.Length)
        {
            return false;
        }

        if (row[next] is '-' or '–' or '—' or ',' or '|')
        {
            link = row[next] is ',' or '|' ? row[next] : '-';
            at = SkipSpaces(row, next + 1);
            return TryItem(row, at, out _, out _);
        }

        // "1 2 3 4", "1&2 3&4", "8 1-7": each one more than the one before. Behind a span a bare number may be one of steps.
        if (next > end && (char.IsAsciiDigit(row[next])) && TryItem(row, next, out var following, out var after)
            && (following.Number == number + 1 || (following.Number == 1 && number == lineCounts))
            && (!afterRange || following.After.Length > 0 || (after < row.Length && row[after] is '-' or '–')))
        {
            link = ';';
            at = next;
            return true;
        }

        // "1 a2 3 a4": the part before a count stands with it.
        if (next > end && IsFraction(row[next]) && TryItem(row, next, out var pickedUp, out _) && pickedUp.Number == number + 1)
        {
            link = ';';
            at = next;
            return true;
        }

        if (next > end && row[next] == '&')
        {
            var digits = SkipSpaces(row, next + 1);
            if (digits < row.Length && char.IsAsciiDigit(row[digits]) && TryItem(row, digits, out _, out _))
            {
                link = '&';
                at = digits;
                return true;
            }
        }

        return false;
    }

    private static bool EndsCleanly(string row, int end) =>
        end >= row.Length || char.IsWhiteSpace(row[end]) || row[end] is ':' or '.' or ')';

    private static string Letters(string row, int at)
    {
        var end = at;
        while (end < row.Length && end - at < 3 && IsFraction(row[end]))
        {
            end++;
        }

        return row[at..end];
    }

    private static bool IsFraction(char c) => c is '&' or 'e' or 'E' or 'a' or 'A';

    private static Fraction Read(char c) => c switch
    {
        '&' => Fraction.And,
        'e' or 'E' => Fraction.E,
        _ => Fraction.A,
    };

    private static int SkipSpaces(string row, int at)
    {
        while (at < row.Length && char.IsWhiteSpace(row[at]))
        {
            at++;
        }

        return at;
    }
}
