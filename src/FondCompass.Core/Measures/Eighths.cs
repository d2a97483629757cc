using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>
/// A turn in eighths of a full turn, clockwise (to the right) positive. Turns add and are never reduced:
/// a turn and a half to the left is −12 (rules, section 3).
/// </summary>
public readonly record struct Eighths(int Value)
{
    public static readonly Eighths None;

    /// <summary>Eighths in a full turn.</summary>
    public const int Full = 8;

    public static Eighths operator +(Eighths a, Eighths b) => new(a.Value + b.Value);

    public static Eighths operator -(Eighths a, Eighths b) => new(a.Value - b.Value);

    public static Eighths operator -(Eighths a) => new(-a.Value);

    public static Eighths operator *(Eighths a, int times) => new(a.Value * times);

    public int Size => Math.Abs(Value);

    public bool IsNone => Value == 0;

    /// <summary>Number of different facings reached by repeating this turn: 1, 2, 4 or 8.</summary>
    public int Walls => Full / Gcd(Full, Size % Full);

    private static int Gcd(int a, int b) => b == 0 ? a : Gcd(b, a % b);

    /// <summary>The amount without its side: "3/8", "1/2", "1", "1 1/4".</summary>
    public static string AmountText(int eighths)
    {
        var size = Math.Abs(eighths);
        var whole = size / Full;
        var rest = (size % Full) switch
        {
            0 => "",
            2 => "1/4",
            4 => "1/2",
            6 => "3/4",
            var odd => $"{odd}/8",
        };
        return (whole, rest) switch
        {
            (0, "") => "0",
            (0, _) => rest,
            (_, "") => $"{whole}",
            _ => $"{whole} {rest}",
        };
    }

    /// <summary>Reads what <see cref="ToString"/> writes: "3/8 right", "1 1/4 left", "none".</summary>
    public static bool TryParse(string? text, out Eighths turn)
    {
        turn = None;
        if (string.IsNullOrWhiteSpace(text))
        {
            return false;
        }

        var trimmed = text.Trim().ToLowerInvariant();
        if (trimmed == "none")
        {
            return true;
        }

        var cut = trimmed.LastIndexOf(' ');
        if (cut < 0 || !TurnAmount.TryParse(trimmed[..cut], out var size))
        {
            return false;
        }

        var side = trimmed[(cut + 1)..] switch { "right" or "r" => 1, "left" or "l" => -1, _ => 0 };
        turn = new Eighths(size * side);
        return side != 0;
    }

    public static Eighths Parse(string text) =>
        TryParse(text, out var turn) ? turn : throw new FormatException(StepTexts.NoTurn(text));

    public override string ToString() => Value switch
    {
        0 => "none",
        > 0 => $"{AmountText(Value)} right",
        _ => $"{AmountText(Value)} left",
    };
}

/// <summary>Reads the size of a turn as people write it; the side is read elsewhere.</summary>
public static class TurnAmount
{
    /// <summary>Largest turn that is read, in eighths: sixteen full turns.</summary>
    public const int Largest = 128;

    /// <summary>Reads "1/8" … "7/8", "1/4", "¼", "½", "1", "1 1/8", "quarter", "half", "full", "three quarter".</summary>
    public static bool TryParse(string text, out int eighths)
    {
        eighths = 0;
        var any = false;
        foreach (var word in text.ToLowerInvariant().Replace("-", " ").Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (!TryWord(word, out var size))
            {
                return false;
            }

            // "three quarters", "three eighths": a bare number word multiplies the fraction that follows.
            eighths = any
                && size is 1 or 2
                && word.StartsWith(size == 1 ? "eighth" : "quarter", StringComparison.Ordinal)
                && eighths % 8 == 0
                ? eighths / 8 * size
                : eighths + size;
            any = true;
        }

        return any && eighths is > 0 and <= Largest;
    }

    /// <summary>Reads one word of an amount.</summary>
    public static bool TryWord(string word, out int eighths)
    {
        eighths = word switch
        {
            "quarter" or "quarters" or "¼" or "qtr" => 2,
            "half" or "½" => 4,
            "¾" => 6,
            "full" or "whole" => 8,
            "eighth" or "eighths" or "⅛" => 1,
            "⅜" => 3,
            "⅝" => 5,
            "⅞" => 7,
            "one" => 8,
            "two" => 16,
            "three" => 24,
            "five" => 40,
            "seven" => 56,
            _ => 0,
        };
        if (eighths > 0)
        {
            return true;
        }

        var slash = word.IndexOf('/');
        if (slash < 0)
        {
            if (int.TryParse(word, out var whole) && whole is > 0 and <= Largest / 8)
            {
                eighths = whole * 8;
                return true;
            }

            return false;
        }

        if (!int.TryParse(word[..slash], out var top) || !int.TryParse(word[(slash + 1)..], out var under)
            || top <= 0 || top > Largest || under is not (1 or 2 or 4 or 8))
        {
            return false;
        }

        eighths = top * 8 / under;
        return eighths <= Largest;
    }
}
