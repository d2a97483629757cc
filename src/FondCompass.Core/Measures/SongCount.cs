using System.Globalization;

namespace FondCompass.Core.Measures;

/// <summary>
/// A place in a song, in counts from 0; between two counts it has a fraction, and before the first it is negative. A whole number is one as
/// it
/// stands; of anything else it must be said that counts are meant, so that nobody gives seconds for them.
/// </summary>
/// <param name="Value">Song counts, finite.</param>
public readonly record struct SongCount(double Value) : IComparable<SongCount>, IFormattable
{
    public static implicit operator SongCount(int counts) => new(counts);

    public static implicit operator double(SongCount count) => count.Value;

    public static bool operator <(SongCount left, SongCount right) => left.Value < right.Value;

    public static bool operator >(SongCount left, SongCount right) => left.Value > right.Value;

    public static bool operator <=(SongCount left, SongCount right) => left.Value <= right.Value;

    public static bool operator >=(SongCount left, SongCount right) => left.Value >= right.Value;

    /// <summary>So many counts on, or back where they are negative.</summary>
    public SongCount After(double counts) => new(Value + counts);

    public int CompareTo(SongCount other) => Value.CompareTo(other.Value);

    public override string ToString() => Value.ToString("0.######", CultureInfo.InvariantCulture);

    public string ToString(string? format, IFormatProvider? formatProvider = null) =>
        Value.ToString(format ?? "0.######", formatProvider ?? CultureInfo.InvariantCulture);
}

/// <summary>
/// A moment in seconds, of a song at full rate from its count 0 unless something else is said; negative in a count-in. It is made of a
/// number only by saying so.
/// </summary>
/// <param name="Value">Seconds, finite.</param>
public readonly record struct Seconds(double Value) : IComparable<Seconds>, IFormattable
{
    public static implicit operator double(Seconds seconds) => seconds.Value;

    public static bool operator <(Seconds left, Seconds right) => left.Value < right.Value;

    public static bool operator >(Seconds left, Seconds right) => left.Value > right.Value;

    public static bool operator <=(Seconds left, Seconds right) => left.Value <= right.Value;

    public static bool operator >=(Seconds left, Seconds right) => left.Value >= right.Value;

    public int CompareTo(Seconds other) => Value.CompareTo(other.Value);

    public override string ToString() => Value.ToString("0.######", CultureInfo.InvariantCulture);

    public string ToString(string? format, IFormatProvider? formatProvider = null) =>
        Value.ToString(format ?? "0.######", formatProvider ?? CultureInfo.InvariantCulture);
}
