using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Actions;

/// <summary>A fact stated in the script, true when the actions above it are done.</summary>
public sealed record StatedFact : Moment
{
    public Weight? Weight { get; init; }

    public Facing? Facing { get; init; }
}

/// <summary>So many counts of anything.</summary>
public sealed record FreeSpan : Moment
{
    public Weight? Weight { get; init; }

    public Facing? Facing { get; init; }
}

/// <summary>Other actions for some counts of a line.</summary>
/// <param name="From">First tick replaced, from the part's first count.</param>
/// <param name="To">Tick at which the part's own actions go on.</param>
public sealed record SpanVariant(VariantLabel Label, int Line, int Row, Tick From, Tick To, IReadOnlyList<Moment> Moments);

/// <summary>A row that was not understood; after it the weight is unknown.</summary>
public sealed record UnreadStep : Moment
{
    public required string Wording { get; init; }

    /// <summary>No counts were written for it, so that it fills none.</summary>
    public bool TakesNoCounts { get; init; }
}

/// <summary>A line (eight): where it begins in the part and how many counts it holds.</summary>
/// <param name="Name">The name given to it; empty when none.</param>
public sealed record DanceLine(int Number, Tick Start, int Counts, int FirstRow, string Name = "")
{
    /// <summary>How it is counted; as the dance says when null.</summary>
    public CountStyle? Counting { get; init; }

    public Tick End => Start + Tick.FromCounts(Counts);
}

/// <summary>A part as actions on the tick grid.</summary>
public sealed record PartActions
{
    public required string Name { get; init; }

    public required bool IsTag { get; init; }

    public required int Row { get; init; }

    public required IReadOnlyList<DanceLine> Lines { get; init; }

    /// <summary>In order of time; a stated fact follows the action it was written after.</summary>
    public required IReadOnlyList<Moment> Moments { get; init; }

    public required int Counts { get; init; }

    public IReadOnlyList<Layer> Layers { get; init; } = [];

    public IReadOnlyList<Annotation> Notes { get; init; } = [];

    public IReadOnlyList<SpanVariant> Variants { get; init; } = [];

    /// <summary>The weight that its first words of a foot need; null when they name none.</summary>
    public Weight? NeededStart
    {
        get
        {
            var first = Actions.FirstOrDefault(a => a.Role != FootRole.None);
            var foot = first is null ? Foot.None : first.Role == FootRole.Named ? first.Foot : first.CallLead;
            return !foot.IsSingle() ? null
                : first is { Verb.Kind: VerbKind.Standing, Role: FootRole.Named } ? foot.OnWeight()
                : foot.Other().OnWeight();
        }
    }

    /// <summary>How it is danced when an order calls it again, where its endings differ; they take turns with this one.</summary>
    public IReadOnlyList<PartActions> LaterCalls { get; init; } = [];

    /// <summary>The part as it is danced at its n-th call, from 1.</summary>
    public PartActions AtCall(int call) =>
        LaterCalls.Count == 0 || (call - 1) % (LaterCalls.Count + 1) == 0 ? this : LaterCalls[((call - 1) % (LaterCalls.Count + 1)) - 1];

    /// <summary>The part this one may stand in for.</summary>
    public string? VariantOf { get; init; }

    public VariantLabel? Variant { get; init; }

    /// <summary>The part with a variant danced in place of its own actions.</summary>
    public PartActions With(SpanVariant variant) => this with
    {
        Moments = [
            .. Moments.Where(m => m.At < variant.From || m.Beat.IsPickUp),
            .. variant.Moments,
            .. Moments.Where(m => m.At >= variant.To && !m.Beat.IsPickUp)
        ],
    };

    public IEnumerable<DanceAction> Actions => Moments.OfType<DanceAction>();
}

/// <summary>A dance whose words have been looked up and laid on counts.</summary>
public sealed record DanceActions(Dance Dance, IReadOnlyList<PartActions> Parts, IReadOnlyList<Finding> Findings)
{
    public PartActions? Part(string name) =>
        Parts.FirstOrDefault(p => string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase));
}
