using FondCompass.Core.Counts;
using FondCompass.Core.Findings;

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

/// <summary>How the group stands.</summary>
public enum Layout
{
    Rows,
    Circle,
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
}

/// <summary>A part (A, B, chorus) or a tag, which is danced only where it is called.</summary>
public sealed record DancePart(string Name, bool IsTag, int Row, IReadOnlyList<PartEntry> Entries);

/// <summary>One text row inside a part.</summary>
public abstract record PartEntry(int Row);

/// <summary>A row of steps: its counts, when written, and its wording after layers have been taken off.</summary>
/// <param name="Column">Column, from 0, at which <paramref name="Wording"/> begins in the row.</param>
public sealed record StepEntry(int Row, CountSpec? Counts, string Wording, int Column, IReadOnlyList<string> Layers) : PartEntry(Row);

/// <summary>A row that begins with counts nobody can dance, such as 7-2 or 1000000.</summary>
public sealed record UnreadableEntry(int Row, string Text) : PartEntry(Row);

/// <summary>Facts stated at a line's end; the trace must agree.</summary>
public sealed record CheckEntry(int Row, Weight? Weight, Facing? Facing) : PartEntry(Row);

/// <summary>So many counts of anything, with the weight and facing wanted afterwards.</summary>
public sealed record FreeEntry(int Row, CountSpec Counts, Weight? Weight, Facing? Facing) : PartEntry(Row);

/// <summary>A note, cue or caution; <paramref name="Kind"/> is the word that opened the row.</summary>
public sealed record NoteEntry(int Row, string Kind, string Text) : PartEntry(Row);

/// <summary>One call in the order of parts; counts from 1, whole part when null.</summary>
public sealed record OrderCall(string Part, int? FromCount, int? ToCount, int Row, bool Mirrored = false);

/// <summary>Dance tag <paramref name="Tag"/> after repeat <paramref name="Repeat"/> (from 1).</summary>
public sealed record TagAfter(int Repeat, string Tag, int Row);

/// <summary>Cut repeat <paramref name="Repeat"/> (from 1) after so many counts and begin again from the top.</summary>
public sealed record RestartAfter(int Repeat, int AfterCount, int Row);

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

    public required IReadOnlyList<TagAfter> Tags { get; init; }

    public required IReadOnlyList<RestartAfter> Restarts { get; init; }

    public required IReadOnlyList<StepDefinition> Definitions { get; init; }

    public required IReadOnlyList<string> Rows { get; init; }

    /// <summary>What could not be read, in row order.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    public DancePart? Part(string name) =>
        Parts.FirstOrDefault(p => string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase));

    /// <summary>A looped dance goes round its first part; a phrased one follows its order once.</summary>
    public bool IsPhrased => Order.Count > 0;

    /// <summary>The part a looped dance goes round: the first that is no tag.</summary>
    public DancePart? LoopedPart => Parts.FirstOrDefault(p => !p.IsTag) ?? (Parts.Count > 0 ? Parts[0] : null);
}
