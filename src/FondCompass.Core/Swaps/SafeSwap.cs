using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>Whether dancers of two readings are still together after the same counts (rules, section 5).</summary>
/// <param name="Weight">On the same foot.</param>
/// <param name="Stance">Feet crossed alike, or open alike.</param>
/// <param name="Facing">Facing the same way; whole turns more or less part nobody.</param>
/// <param name="Metres">How far apart their places are.</param>
public readonly record struct SwapVerdict(bool Weight, bool Stance, bool Facing, double Metres)
{
    /// <summary>Places closer than this are one place: a stride.</summary>
    public const double Tolerance = 0.46;

    public bool SamePlace => Metres <= Tolerance;

    public bool IsSafe => Weight && Stance && Facing && SamePlace;
}

/// <summary>Compares where two readings of one span leave the dancer.</summary>
public static class SafeSwap
{
    /// <summary>Both have begun in the same state.</summary>
    public static SwapVerdict Compare(TraceState own, TraceState other) => new(
        own.Weight == other.Weight,
        own.Stance == other.Stance,
        own.Facing == other.Facing,
        (own.Body - other.Body).Length);
}
