namespace FondCompass.Core.Swaps;

/// <summary>What a swap is looked for.</summary>
public enum SwapAim
{
    Any,
    Easier,
    Showier,
    LowImpact,
    NoTurn,

    /// <summary>Steps that are danced already in other dances of the class.</summary>
    Known,
}

/// <summary>Steps that may stand in for a span: same counts, same end.</summary>
/// <param name="Rows">Script rows with counts and feet.</param>
/// <param name="Points">Difficulty, to compare with the span's own.</param>
/// <param name="Metres">How far its end lies from the span's own.</param>
public sealed record Swap(IReadOnlyList<string> Rows, double Points, double Metres, bool Turns, bool HighImpact, int Level)
{
    /// <summary>Eighths turned in all, to whichever side.</summary>
    public int Turning { get; init; }

    /// <summary>Its difficulty less that of the span.</summary>
    public double Difference { get; init; }

    /// <summary>Steps it is made of.</summary>
    public int Pieces { get; init; } = 1;

    /// <summary>Made of the genre's own steps.</summary>
    public bool IsOwn { get; init; } = true;

    public string Words => string.Join(", ", Rows.Select(r => r[(r.IndexOf(' ') + 1)..]));
}
