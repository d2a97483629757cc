using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Notation;

/// <summary>What the lead foot, feel and count style are when the dance does not say (craft, section 2).</summary>
public enum Genre
{
    Line,
    Social,
    Percussive,
    Fitness,
    Jazz,
    Circle,
}

/// <summary>How the group stands (craft, section 2).</summary>
public enum Layout
{
    /// <summary>Rows that face a wall.</summary>
    Rows,

    /// <summary>Rows that turn with the dancers, so that another row is in front on every wall.</summary>
    TurningRows,

    Circle,

    /// <summary>A short chain in light contact with the neighbours.</summary>
    Chain,
}

/// <summary>The settings above the parts. Everything left out has the default given here.</summary>
public sealed record DanceHeader
{
    public string Title { get; init; } = "";

    public string? Credit { get; init; }

    public string? Source { get; init; }

    public string? Permission { get; init; }

    public string? Level { get; init; }

    public Genre Genre { get; init; } = Genre.Line;

    public Weight StartWeight { get; init; } = Weight.Left;

    public Facing StartFacing { get; init; }

    /// <summary>Counts in a line: 8, or 6 for a waltz.</summary>
    public int LineCounts { get; init; } = 8;

    public bool Swing { get; init; }

    public Bpm? Tempo { get; init; }

    /// <summary>Counts to wait before the first repeat.</summary>
    public int Intro { get; init; }

    /// <summary>Stride in metres: 0.45, small 0.3, big 0.6.</summary>
    public double Stride { get; init; } = 0.45;

    public int? IntendedWalls { get; init; }

    /// <summary>The instructor has said that the pattern is meant to come back on the other foot.</summary>
    public bool MirrorMeant { get; init; }

    public Layout Layout { get; init; } = Layout.Rows;

    /// <summary>Who made this reading out of the source.</summary>
    public string? Adapted { get; init; }

    /// <summary>What was changed from the source and why, one entry a row.</summary>
    public IReadOnlyList<string> Changed { get; init; } = [];

    /// <summary>The foot that goes first where both are free.</summary>
    public Foot Lead { get; init; } = Foot.Right;

    /// <summary>How counts are called, and how the class is counted in; by genre when not said.</summary>
    public CountStyle CountStyle { get; init; }

    /// <summary>Counts called before the first step.</summary>
    public int CountIn { get; init; } = 4;

    /// <summary>What is called on each count of the count-in; empty for the counts themselves.</summary>
    public IReadOnlyList<string> CountInWords { get; init; } = [];
}

/// <summary>One call in the order of parts; counts from 1, whole part when null.</summary>
public sealed record OrderCall(string Part, int? FromCount, int? ToCount, int Row, bool Mirrored = false);

/// <summary>Dance tag <paramref name="Tag"/> after repeat <paramref name="Repeat"/> (from 1).</summary>
public sealed record TagAfter(int Repeat, string Tag, int Row);

/// <summary>Cut repeat <paramref name="Repeat"/> (from 1) after so many counts and begin again from the top.</summary>
public sealed record RestartAfter(int Repeat, int AfterCount, int Row);

/// <summary>What becomes of one call of an order.</summary>
public enum CallChange
{
    /// <summary>Left out.</summary>
    Drop,

    /// <summary>Danced twice.</summary>
    Again,

    /// <summary>Danced at another place of the order.</summary>
    Move,
}

/// <summary>
/// A change to one call of an order. Calls are numbered from 1 as they are written, tags left out, on through the rounds.
/// </summary>
/// <param name="To">Call that it is danced behind when it moves; 0 is the front.</param>
public sealed record OrderChange(CallChange Change, int Call, int To, int Row);

/// <summary>What the last time is danced otherwise: a turn changed, or a pose behind it.</summary>
/// <param name="Count">Count in the part, from 1, with e, &amp; or a: "23&amp;"; null for a pose on the last count.</param>
/// <param name="Turn">Turned there the last time; none leaves the turn out.</param>
public sealed record FinishChange(string? Count, Eighths Turn, int Row);

/// <summary>The part that belongs to a kind of passage: it is to begin where each such passage begins.</summary>
public sealed record PartOnPassage(string Part, string Passage, int Row);

/// <summary>A variant danced in a repeat (from 1), or from it on; as written again when <paramref name="Label"/> is null.</summary>
public sealed record VersionAt(int Repeat, bool Onward, VariantLabel? Label, int Row);

/// <summary>A step of the instructor's own: "step rope walk = step R across, step L across".</summary>
public sealed record StepDefinition(string Name, string Meaning, int Row);

/// <summary>
/// A dance as read from its script, before any step is looked up. Immutable; holds the rows it came from,
/// so that writing it gives the same text back.
/// </summary>
public sealed record Dance
{
    public required DanceHeader Header { get; init; }

    public required IReadOnlyList<DancePart> Parts { get; init; }

    public required IReadOnlyList<OrderCall> Order { get; init; }

    /// <summary>The order goes round until the music ends.</summary>
    public bool OrderLoops { get; init; }

    /// <summary>There is no order: moves are called live.</summary>
    public bool IsFree { get; init; }

    public required IReadOnlyList<TagAfter> Tags { get; init; }

    public required IReadOnlyList<RestartAfter> Restarts { get; init; }

    /// <summary>Calls of the order left out, danced again or moved.</summary>
    public IReadOnlyList<OrderChange> OrderChanges { get; init; } = [];

    /// <summary>How the dance is finished, the last one counts; null for as written.</summary>
    public FinishChange? Finish { get; init; }

    /// <summary>Parts said to belong to kinds of passage.</summary>
    public IReadOnlyList<PartOnPassage> Meetings { get; init; } = [];

    /// <summary>Variants that repeats are danced in, in row order.</summary>
    public IReadOnlyList<VersionAt> Versions { get; init; } = [];

    public required IReadOnlyList<StepDefinition> Definitions { get; init; }

    public required IReadOnlyList<string> Rows { get; init; }

    /// <summary>The line break after each row as it was written; empty after the last.</summary>
    public required IReadOnlyList<string> Breaks { get; init; }

    /// <summary>What could not be read, in row order.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    public DancePart? Part(string name) =>
        Parts.FirstOrDefault(p => string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase));

    /// <summary>A looped dance goes round its first part; a phrased one follows its order once.</summary>
    public bool IsPhrased => Order.Count > 0;

    /// <summary>The part a looped dance goes round: the first that is no tag and no variant of another.</summary>
    public DancePart? LoopedPart => Parts.FirstOrDefault(p => !p.IsTag && p.Variant is null) ?? (Parts.Count > 0 ? Parts[0] : null);
}
