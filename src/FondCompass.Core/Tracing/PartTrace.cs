using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts;

namespace FondCompass.Core.Tracing;

/// <summary>Which way a crossed stance unwinds.</summary>
public enum Stance
{
    Open,

    /// <summary>Right in front or left behind: unwinds to the left.</summary>
    UnwindsLeft,

    /// <summary>Left in front or right behind: unwinds to the right.</summary>
    UnwindsRight,
}

/// <summary>Everything the trace carries from one action to the next.</summary>
/// <param name="Net">Signed turn since the part began, not reduced.</param>
/// <param name="FacingKnown">False after a row that was not understood.</param>
public readonly record struct TraceState(
    Weight Weight, Facing Facing, Eighths Net, bool FacingKnown, Stance Stance, FloorPoint Left, FloorPoint Right)
{
    public static TraceState Start(Weight weight, Facing facing) => new(weight, facing, Eighths.None, true, Stance.Open, default, default);

    /// <summary>The body is over the weighted foot, or between the two.</summary>
    public FloorPoint Body => Weight switch
    {
        Weight.Left => Left,
        Weight.Right => Right,
        _ => (Left + Right) * 0.5,
    };

    public FloorPoint FootAt(Foot foot) => foot switch { Foot.Left => Left, Foot.Right => Right, _ => Body };
}

/// <summary>An action with its foot and turn resolved, and the state after it.</summary>
public sealed record TracedAction
{
    public required DanceAction Action { get; init; }

    /// <summary>The verb as it is meant here: of the foot that stands or of the free one.</summary>
    public required Verb Verb { get; init; }

    public required Foot Foot { get; init; }

    /// <summary>Signed turn danced with this action.</summary>
    public required Eighths Turn { get; init; }

    public required bool TurnFirst { get; init; }

    public required Direction Direction { get; init; }

    public required Foot Onto { get; init; }

    public required Weight Before { get; init; }

    public required TraceState After { get; init; }

    public required Fault Fault { get; init; }

    /// <summary>For a foot that already holds the weight: the count label since which it does.</summary>
    public Sentence? HeldSince { get; init; }

    public bool TakesWeight => Verb.Kind == VerbKind.Takes || Onto != Foot.None;

    public Tick At => Action.At;
}

/// <summary>One moment reduced to what it does; <paramref name="Set"/> puts the weight somewhere outright.</summary>
public readonly record struct ReplayStep(Moment Moment, Verb? Verb, Foot Foot, Eighths Turn, Foot Onto, Weight? Set, Fault Fault);

/// <summary>A stated fact that does not hold.</summary>
public sealed record FactFault(StatedFact Fact, Weight ActualWeight, Facing ActualFacing, bool WeightWrong, bool FacingWrong);

/// <summary>The state at a line's end.</summary>
public sealed record LineEnd(int Line, TraceState State);

/// <summary>A part danced once, from the state in which it is first reached.</summary>
public sealed record PartTrace
{
    public required PartActions Part { get; init; }

    public required TraceState Start { get; init; }

    public required TraceState End { get; init; }

    public required IReadOnlyList<TracedAction> Actions { get; init; }

    public required IReadOnlyList<LineEnd> Lines { get; init; }

    public required IReadOnlyList<FactFault> FactFaults { get; init; }

    /// <summary>The feet at its first step did not fit the state it was reached in; the index of that action.</summary>
    public int? JoinFault { get; init; }

    public Eighths NetTurn => End.Net - Start.Net;

    /// <summary>States settled by something else than an action: a fact, free counts, a row that was not understood.</summary>
    public required IReadOnlyList<(Tick At, TraceState State)> Settled { get; init; }

    /// <summary>The state just before a tick, from the part's first count.</summary>
    public TraceState StateBefore(Tick tick)
    {
        var (low, high) = (0, Actions.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = Actions[middle].At < tick ? (middle + 1, high) : (low, middle);
        }

        var settled = Settled.LastOrDefault(s => s.At < tick, (default, Start));
        return low > 0 && (settled.At < Actions[low - 1].At || Settled.Count == 0) ? Actions[low - 1].After
            : low == 0 && Settled.Count == 0 ? Start
            : settled.State;
    }

    /// <summary>What each moment does to weight and facing, feet and turns resolved, for dancing the part again.</summary>
    public required IReadOnlyList<ReplayStep> Steps { get; init; }
}

/// <summary>Which actions belong to a stretch of a part.</summary>
public static class PartSpan
{
    /// <summary>Whether a moment is danced when the part is danced from one tick to another, half-open. A pick-up goes
    /// with its line, wherever it sounds.</summary>
    public static bool Holds(PartActions part, Moment moment, Tick from, Tick to)
    {
        if (moment.Beat.IsPickUp)
        {
            var line = part.Lines[moment.Line - 1].Start;
            return line >= from && line < to;
        }

        return moment.At >= from && moment.At < to;
    }
}
