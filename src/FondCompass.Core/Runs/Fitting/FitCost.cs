namespace FondCompass.Core.Runs.Fitting;

/// <summary>What a way costs, compared from left to right: counts off, changes, counts added or cut, rank of the changes.</summary>
internal readonly struct FitCost : IComparable<FitCost>
{
    /// <summary>
    /// Bits of the changes behind the counts off, and of the rank behind the counts added or cut: far more than a song can hold.
    /// </summary>
    private const int Bits = 24;

    private readonly long _first;
    private readonly long _second;

    public FitCost(long off, int changes, int counts, int rank)
        : this((off << Bits) + changes, ((long)counts << Bits) + rank)
    {
    }

    private FitCost(long first, long second) => (_first, _second) = (first, second);

    /// <summary>More than any way costs.</summary>
    public static FitCost Endless => new(long.MaxValue / 4, 0);

    public long Off => _first >> Bits;

    public int Changes => (int)(_first & ((1L << Bits) - 1));

    /// <summary>So many counts off and changes at the most, whatever else.</summary>
    public static FitCost AtMost(int off, int changes) => new((((long)off << Bits) + changes), long.MaxValue / 4);

    public static FitCost operator +(FitCost a, FitCost b) => new(a._first + b._first, a._second + b._second);

    /// <summary>With so many counts off more.</summary>
    public FitCost And(int off) => new(_first + ((long)off << Bits), _second);

    public bool IsLessThan(FitCost other) => _first < other._first || (_first == other._first && _second < other._second);

    public int CompareTo(FitCost other) => _first != other._first ? _first.CompareTo(other._first) : _second.CompareTo(other._second);
}
