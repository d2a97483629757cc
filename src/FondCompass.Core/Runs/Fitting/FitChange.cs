namespace FondCompass.Core.Runs.Fitting;

/// <summary>A kind of change that brings a dance back to its music (rules, section 6).</summary>
public enum FitKind
{
    /// <summary>A repeat cut after some counts; the next begins.</summary>
    Restart,

    /// <summary>Counts put in behind a repeat, feet back as they were.</summary>
    Tag,

    /// <summary>A part of the order cut after its first half.</summary>
    Half,

    /// <summary>A part of the order left out.</summary>
    Drop,

    /// <summary>A part of the order danced twice.</summary>
    Repeat,

    /// <summary>A part of the order danced at another place.</summary>
    Move,

    /// <summary>Whole lines waited behind a part of the order.</summary>
    Wait,
}

/// <summary>What the instructor allows. Left out: everything.</summary>
/// <param name="NoTags">No tags, and no waits.</param>
/// <param name="WholeLinesOnly">Restarts only after a whole line.</param>
/// <param name="MostTags">Most tags and waits in the whole song; null for any number.</param>
/// <param name="KeepOrder">No part of an order is repeated, left out, halved or moved.</param>
/// <param name="NoMoves">No part of an order is danced at another place.</param>
public sealed record FitConstraints(
    bool NoRestarts = false,
    bool NoTags = false,
    bool WholeLinesOnly = false,
    int? MostTags = null,
    bool KeepOrder = false,
    bool NoMoves = false);

/// <summary>One change to the dance that brings it back to the music, as facts.</summary>
/// <param name="Repeat">Repeat or call of the order it comes after, or in which it comes; from 1, as written.</param>
/// <param name="Counts">Counts in the repeat before a restart, or counts put in or left out.</param>
/// <param name="AtCount">Song count at which it happens.</param>
/// <param name="Part">The part it concerns.</param>
/// <param name="To">Call behind which a part is danced that moves; 0 is the front.</param>
/// <param name="Next">Song count at which the next repeat begins.</param>
/// <param name="Meets">Name of the passage that begins there too; null when none does.</param>
public sealed record FitChange(
    FitKind Kind,
    int Repeat,
    int Counts,
    int AtCount,
    string Part = "",
    int To = 0,
    int Next = 0,
    string? Meets = null);

/// <summary>The best changes, and how far off the passages are without and with them.</summary>
/// <param name="OffBefore">Counts, as written.</param>
/// <param name="OffAfter">Counts, with the changes.</param>
/// <param name="Starts">Song counts at which repeats begin with the changes.</param>
/// <param name="Narrowed">There were too many ways to try: these are good, but not proven to be the best.</param>
public sealed record FitResult(
    IReadOnlyList<FitChange> Changes,
    int OffBefore,
    int OffAfter,
    IReadOnlyList<int> Starts,
    bool Narrowed = false)
{
    /// <summary>How many states were looked at.</summary>
    internal int Work { get; init; }

    /// <summary>How many ways to go on were looked at for the bound.</summary>
    internal long Reckoned { get; init; }
}
