namespace FondCompass.Core.Runs.Fitting;

/// <summary>Where a part begins within a move.</summary>
/// <param name="Offset">Counts from the move's beginning.</param>
/// <param name="IsTag">A tag that the order calls: it is met like a part, and is no repeat.</param>
internal readonly record struct FitStart(int Offset, string Part, bool IsTag = false);

/// <summary>One way to dance a repeat and what follows it.</summary>
/// <param name="Kind">The change that it is; null when danced as written.</param>
/// <param name="Call">Number, as written, of the call that changes.</param>
/// <param name="Length">Counts until the next repeat begins.</param>
/// <param name="Counts">Counts before a restart, or of the tag, or of the part.</param>
/// <param name="Changed">Counts added or cut.</param>
/// <param name="ChangeAt">Counts from the move's beginning at which the change happens.</param>
/// <param name="Next">The state it leads to; null when nothing follows.</param>
/// <param name="To">Call behind which a part is danced that moves.</param>
internal sealed record FitMove(
    FitKind? Kind,
    int Call,
    string Part,
    int Length,
    int Counts,
    int Changed,
    int ChangeAt,
    IReadOnlyList<FitStart> Starts,
    int? Next,
    int To = 0)
{
    /// <summary>Another round begins behind it, which is told by the same entries.</summary>
    public bool EndsRound { get; init; }

    public bool IsTag => Kind is FitKind.Tag or FitKind.Wait;

    /// <summary>Among equals what cuts comes before what adds, and tags before waits.</summary>
    public int Rank => Kind switch { null or FitKind.Restart or FitKind.Half or FitKind.Drop => 0, FitKind.Wait => 2, _ => 1 };
}
