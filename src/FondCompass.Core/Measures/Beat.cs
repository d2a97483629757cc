namespace FondCompass.Core.Measures;

/// <summary>The finer place within a count.</summary>
public enum Fraction
{
    Whole,
    E,
    And,
    A,
}

/// <summary>
/// A named position in a line: a beat from 1 and its fraction. Labels restart at 1 each line. A pick-up sounds
/// before the line's first count: its <see cref="Number"/> is 0 or less (0 is the count just before 1).
/// </summary>
public readonly record struct Beat(int Number, Fraction Fraction) : IComparable<Beat>
{
    /// <summary>Largest count a line may name.</summary>
    public const int Largest = 4096;

    public bool IsPickUp => Number <= 0;

    public int CompareTo(Beat other) => SortKey.CompareTo(other.SortKey);

    private int SortKey => (Number * 4) + (int)Fraction;

    public static bool operator <(Beat a, Beat b) => a.CompareTo(b) < 0;

    public static bool operator >(Beat a, Beat b) => a.CompareTo(b) > 0;

    public static bool operator <=(Beat a, Beat b) => a.CompareTo(b) <= 0;

    public static bool operator >=(Beat a, Beat b) => a.CompareTo(b) >= 0;

    /// <summary>
    /// Ticks from the line's first count. Straight: e 6, &amp; 12, a 18. Swing: &amp; alone or a alone 16, both
    /// within one count 8 and 16, e 6 (rules, section 1).
    /// </summary>
    /// <param name="swing">Whether the dance has a swing feel.</param>
    /// <param name="bothInCount">Whether this line has both &amp; and a within this count.</param>
    public Tick ToTick(bool swing, bool bothInCount)
    {
        var within = (Fraction, swing) switch
        {
            (Fraction.Whole, _) => 0,
            (Fraction.E, _) => 6,
            (Fraction.And, false) => 12,
            (Fraction.A, false) => 18,
            (Fraction.And, true) => bothInCount ? 8 : 16,
            _ => 16,
        };
        return new Tick(((Number - 1) * Tick.PerCount) + within);
    }

    /// <summary>The position at a whole number of ticks from the line's first count, when it has a name.</summary>
    public static Beat? FromStraightTick(Tick tick)
    {
        var number = Math.DivRem(tick.Value, Tick.PerCount, out var rest);
        if (rest < 0)
        {
            rest += Tick.PerCount;
            number--;
        }

        Fraction? fraction = rest switch { 0 => Fraction.Whole, 6 => Fraction.E, 12 => Fraction.And, 18 => Fraction.A, _ => null };
        return fraction is { } f ? new Beat(number + 1, f) : null;
    }

    public static string Letter(Fraction fraction) => fraction switch
    {
        Fraction.E => "e",
        Fraction.And => "&",
        Fraction.A => "a",
        _ => "",
    };

    /// <summary>
    /// "5", "5&amp;"; a pick-up in the count before 1 is "&amp;1" or "a1"; one on a whole count before 1 is told by
    /// <paramref name="lineCounts"/>: "8" before a line of 8.
    /// </summary>
    public string Label(int lineCounts = 8)
    {
        if (Number == 0 && Fraction != Fraction.Whole)
        {
            return Letter(Fraction) + "1";
        }

        var number = Number > 0 ? Number : Math.Max(1, lineCounts + Number);
        return number + Letter(Fraction);
    }

    public override string ToString() => Label();
}
