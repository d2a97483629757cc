using System.Globalization;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>
/// A position or a length on the exact grid of a dance: whole ticks, 24 to a count (rules, section 1).
/// Negative positions are pick-ups before the first count of a part.
/// </summary>
public readonly record struct Tick(int Value) : IComparable<Tick>
{
    /// <summary>Ticks in one count.</summary>
    public const int PerCount = 24;

    public static readonly Tick Zero;

    /// <summary>The tick at which <paramref name="counts"/> whole counts have gone by.</summary>
    public static Tick FromCounts(int counts) => new(counts * PerCount);

    /// <summary>Length or position in counts; exact for all values in use.</summary>
    public double InCounts => (double)Value / PerCount;

    /// <summary>True when the position is on a whole count.</summary>
    public bool IsWhole => Value % PerCount == 0;

    /// <summary>Whole counts needed to hold this length, rounded up.</summary>
    public int CountsRoundedUp => (int)Math.Ceiling(InCounts);

    public int CompareTo(Tick other) => Value.CompareTo(other.Value);

    public static Tick operator +(Tick a, Tick b) => new(a.Value + b.Value);

    public static Tick operator -(Tick a, Tick b) => new(a.Value - b.Value);

    public static bool operator <(Tick a, Tick b) => a.Value < b.Value;

    public static bool operator >(Tick a, Tick b) => a.Value > b.Value;

    public static bool operator <=(Tick a, Tick b) => a.Value <= b.Value;

    public static bool operator >=(Tick a, Tick b) => a.Value >= b.Value;

    /// <summary>Reads what <see cref="ToString"/> writes: an integer number of ticks.</summary>
    public static bool TryParse(string? text, out Tick tick)
    {
        var ok = int.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value);
        tick = new Tick(value);
        return ok;
    }

    public static Tick Parse(string text) =>
        TryParse(text, out var tick) ? tick : throw new FormatException(StepTexts.NoTick(text));

    public override string ToString() => Value.ToString(CultureInfo.InvariantCulture);
}
