using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Rows;

/// <summary>What a variant is for (craft, section 2).</summary>
public enum VariantKind
{
    Easier,
    Showier,
    NoTurn,
    LowImpact,
    SmallRoom,

    /// <summary>Without something that is named: no arms.</summary>
    Without,

    /// <summary>A version of its own, such as a regional one; it has a name.</summary>
    Version,
}

/// <summary>
/// Which variant: its purpose and its name, where it has one of its own ("version island", "no arms", "easier for knees").
/// </summary>
public sealed record VariantLabel(VariantKind Kind, string Name = "")
{
    public override string ToString()
    {
        var kind = Kind switch
        {
            VariantKind.NoTurn => "no turn",
            VariantKind.LowImpact => "low impact",
            VariantKind.SmallRoom => "small room",
            VariantKind.Without => "no",
            _ => Kind.ToString().ToLowerInvariant(),
        };
        return Name.Length == 0 ? kind : $"{kind} {Name}";
    }

    /// <summary>Names do not go by their case.</summary>
    public bool Equals(VariantLabel? other) =>
        other is not null && Kind == other.Kind && string.Equals(Name, other.Name, StringComparison.OrdinalIgnoreCase);

    public override int GetHashCode() => HashCode.Combine(Kind, Name.ToUpperInvariant());
}

/// <summary>A part (A, B, chorus) or a tag, which is danced only where it is called.</summary>
/// <param name="Times">How often it is danced each time it comes: "part A x2".</param>
/// <param name="Mirrored">Every second time is the mirror image.</param>
/// <param name="VariantOf">The part it may stand in for; null for a part of its own.</param>
public sealed record DancePart(
    string Name,
    bool IsTag,
    int Row,
    IReadOnlyList<PartEntry> Entries,
    int Times = 1,
    bool Mirrored = false,
    string? VariantOf = null,
    VariantLabel? Variant = null);

/// <summary>One text row inside a part.</summary>
public abstract record PartEntry(int Row);

/// <summary>Something on top of the feet: arms, hips, head, claps.</summary>
/// <param name="Counts">Counts of its own; the whole row's when null.</param>
public sealed record LayerText(CountSpec? Counts, string Text);

/// <summary>A row of steps: its counts, when written, and its wording after layers have been taken off.</summary>
/// <param name="Column">Column, from 0, at which <paramref name="Wording"/> begins in the row.</param>
public sealed record StepEntry(int Row, CountSpec? Counts, string Wording, int Column, IReadOnlyList<LayerText> Layers) : PartEntry(Row)
{
    /// <summary>The columns of the wording.</summary>
    public TextSpan Span => new(Column, Wording.Length);
}

/// <summary>A row that begins with counts nobody can dance, such as 7-2 or 1000000, or one put aside with a question mark.</summary>
/// <param name="Counts">The counts it fills, where they are known.</param>
public sealed record UnreadableEntry(int Row, string Text, CountSpec? Counts = null, bool Parked = false) : PartEntry(Row);

/// <summary>Facts stated at a line's end; the trace must agree.</summary>
public sealed record CheckEntry(int Row, Weight? Weight, Facing? Facing) : PartEntry(Row);

/// <summary>So many counts of anything, with the weight and facing wanted afterwards.</summary>
public sealed record FreeEntry(int Row, CountSpec Counts, Weight? Weight, Facing? Facing) : PartEntry(Row);

/// <summary>A note, cue, caution or trouble spot; <paramref name="Kind"/> is the word that opened the row.</summary>
/// <param name="Counts">The counts it hangs on; the row above when null.</param>
public sealed record NoteEntry(int Row, string Kind, CountSpec? Counts, string Text) : PartEntry(Row);

/// <summary>What a row of layers without counts of its own lies on.</summary>
public enum LayerSpan
{
    /// <summary>The row above.</summary>
    Row,

    /// <summary>The line whose name stands above.</summary>
    Line,

    /// <summary>Every line of the part.</summary>
    Part,
}

/// <summary>
/// A row of layers alone, hung on counts of the line it stands in: "+ 1-4 arms reach"; under a line's or a part's name on all of it.
/// </summary>
public sealed record LayerEntry(int Row, IReadOnlyList<LayerText> Layers, LayerSpan Lies = LayerSpan.Row) : PartEntry(Row);

/// <summary>How a part, or a line, is counted: "counting down" under its name.</summary>
public sealed record CountingEntry(int Row, CountStyle Style, LayerSpan Lies) : PartEntry(Row);

/// <summary>Other steps for the same counts: "easier 5-8 vine R".</summary>
public sealed record VariantEntry(int Row, VariantLabel Label, StepEntry Step) : PartEntry(Row);

/// <summary>The line above once more, or several times; <paramref name="Mirrored"/> on the other foot.</summary>
public sealed record AgainEntry(int Row, int Times, bool Mirrored) : PartEntry(Row);

/// <summary>Begins a line, with its name and how often it is danced.</summary>
public sealed record LineEntry(int Row, string Name, int Times, bool Mirrored) : PartEntry(Row);

/// <summary>What follows is danced the given time only ("second time"); every time when null.</summary>
public sealed record EndingEntry(int Row, int? Time) : PartEntry(Row);
