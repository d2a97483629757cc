using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Tracing;

/// <summary>What stands on either side of a join.</summary>
public enum JoinKind
{
    /// <summary>Part to part in the order.</summary>
    Parts,

    /// <summary>The end of a looped pattern to its own top.</summary>
    Loop,

    /// <summary>Into a tag.</summary>
    IntoTag,

    /// <summary>Out of a tag.</summary>
    OutOfTag,

    /// <summary>From a cut repeat back to the top.</summary>
    Restart,
}

/// <summary>A place where one stretch meets the next.</summary>
/// <param name="Weight">Where the weight is when they meet.</param>
/// <param name="Fits">Whether the feet of the next can be begun.</param>
/// <param name="Row">Text row that calls the join; null for the loop.</param>
public sealed record Join(JoinKind Kind, Stretch Before, Stretch After, Weight Weight, bool Fits, int? Row);

/// <summary>One call of a dance's order: the stretch and the state it begins in.</summary>
public sealed record TracedCall(Stretch Stretch, Weight StartWeight, Facing StartFacing, Weight EndWeight, Eighths Turn, int Row);

/// <summary>A whole dance, traced.</summary>
public sealed record DanceTrace
{
    public required DanceActions Actions { get; init; }

    /// <summary>Each part once, in script order.</summary>
    public required IReadOnlyList<PartTrace> Parts { get; init; }

    /// <summary>Variants of whole parts, each from the state its part begins in; those that the order calls are among the parts.</summary>
    public required IReadOnlyList<PartTrace> StandIns { get; init; }

    /// <summary>Parts with other endings, as the order calls them again; each from the state in which it is first reached.</summary>
    public IReadOnlyList<PartTrace> LaterCalls { get; init; } = [];

    /// <summary>What is danced once through: the looped part, or the whole order.</summary>
    public required IReadOnlyList<TracedCall> Calls { get; init; }

    public required IReadOnlyList<Join> Joins { get; init; }

    /// <summary>Names of parts that nothing calls.</summary>
    public required IReadOnlyList<string> Unreached { get; init; }

    public Dance Dance => Actions.Dance;

    public int TotalCounts => Calls.Sum(c => c.Stretch.Counts);

    public Weight StartWeight => Dance.IsFree && Calls.Count > 0 ? Calls[0].StartWeight : Dance.Header.StartWeight;

    public Facing StartFacing => Dance.Header.StartFacing;

    public Weight EndWeight => Calls.Count > 0 ? Calls[^1].EndWeight : StartWeight;

    /// <summary>Signed turn of one pattern, not reduced.</summary>
    public Eighths NetTurn => new(Calls.Sum(c => c.Turn.Value));

    public Facing EndFacing => StartFacing + NetTurn;

    /// <summary>Ends on the other single foot than it starts on, so that every second repeat is its mirror image.</summary>
    public bool Mirrors => !Dance.IsFree && StartWeight.IsSingle() && EndWeight == StartWeight.Other();

    /// <summary>Facings a repeat starts on, from the signed net turn alone, until it comes round.</summary>
    public IReadOnlyList<Facing> WallOrder => Enumerable.Range(0, NetTurn.Walls).Select(k => StartFacing + (NetTurn * k)).ToList();

    private bool? _goesRound;

    /// <summary>Whether it can be danced again from where it ends: on the same foot, as its mirror image, or from both feet.</summary>
    public bool GoesRound =>
        _goesRound ??= (!Dance.IsPhrased && Mirrors)
            || (Calls.Count > 0
                && (Calls[0].StartWeight == EndWeight
                    || (Calls[0].StartWeight != EndWeight.Other() && Calls[0].Stretch.CanBeginOn(EndWeight))));

    /// <summary>A part, or a variant of one that stands in for it, by its own name.</summary>
    public PartTrace? Written(string name) =>
        Part(name) ?? StandIns.FirstOrDefault(s => string.Equals(s.Part.Name, name, StringComparison.OrdinalIgnoreCase));

    public PartTrace? Part(string name) => Parts.FirstOrDefault(p => string.Equals(p.Part.Name, name, StringComparison.OrdinalIgnoreCase));
}
