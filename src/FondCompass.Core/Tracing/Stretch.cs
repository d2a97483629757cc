using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Tracing;

/// <summary>
/// A part, or some counts of it, danced once: as written or as its mirror image. The trace of the part is used again, so
/// that unrolling a long song costs little.
/// </summary>
/// <param name="From">First count left out at the front; 0 begins at the top.</param>
/// <param name="To">Counts after which it stops.</param>
public sealed record Stretch(PartTrace Pattern, int From, int To, bool Mirrored)
{
    /// <summary>What is danced otherwise because it is the last time; null for as written.</summary>
    public FinishChange? Finish { get; init; }

    public int Counts => To - From;

    private Tick FromTick => Tick.FromCounts(From);

    private Tick ToTick => Tick.FromCounts(To);

    public static Stretch Whole(PartTrace pattern, bool mirrored = false) => new(pattern, 0, pattern.Part.Counts, mirrored);

    /// <summary>The steps danced, in order of time, with feet and turns as danced and the weight after each.</summary>
    public IEnumerable<(ReplayStep Step, Weight After, Fault Fault)> Dance(Weight weight)
    {
        var isFinished = false;
        foreach (var step in Pattern.Steps)
        {
            if (!PartSpan.Holds(Pattern.Part, step.Moment, FromTick, ToTick))
            {
                continue;
            }

            var danced = Mirrored
                ? step with { Foot = step.Foot.Other(), Onto = step.Onto.Other(), Turn = -step.Turn, Set = step.Set?.Other() }
                : step;
            if (Finish?.Count is { } count
                && step.Moment is DanceAction
                && !isFinished
                && PartCount.Label(step.Moment.At) == count
                && (!danced.Turn.IsNone || !OtherTurns(step)))
            {
                danced = danced with { Turn = Finish.Turn };
                isFinished = true;
            }

            var fault = Fault.None;
            if (danced.Set is { } set)
            {
                weight = set;
            }
            else if (danced.Verb is { } verb)
            {
                (weight, fault) = WeightRule.Apply(weight, verb, danced.Foot, lifted: true);
                weight = danced.Onto != Foot.None ? danced.Onto.OnWeight() : weight;
            }

            yield return (danced, weight, fault);
        }
    }

    /// <summary>Whether another action at the same moment turns.</summary>
    private bool OtherTurns(ReplayStep step) => Pattern.Steps.Any(s => s.Moment.At == step.Moment.At && !s.Turn.IsNone);

    /// <summary>Weight and signed turn at its end; a pose turns last.</summary>
    public (Weight Weight, Eighths Turn) End(Weight start)
    {
        if (Finish is null && Counts == Pattern.Part.Counts && start == (Mirrored ? Pattern.Start.Weight.Other() : Pattern.Start.Weight))
        {
            return (Mirrored ? Pattern.End.Weight.Other() : Pattern.End.Weight, Mirrored ? -Pattern.NetTurn : Pattern.NetTurn);
        }

        var weight = start;
        var turn = Eighths.None;
        foreach (var (step, after, _) in Dance(start))
        {
            weight = after;
            turn += step.Turn;
        }

        return (weight, Finish is { Count: null } pose ? turn + pose.Turn : turn);
    }

    /// <summary>Whether it can be begun with the weight there: its first steps, until one takes a foot, have no fault.</summary>
    public bool CanBeginOn(Weight weight)
    {
        if (weight == Weight.Unknown)
        {
            return true;
        }

        foreach (var (step, _, fault) in Dance(weight))
        {
            if (fault != Fault.None)
            {
                // A foot that was never named is simply the other one this time.
                return step.Fault != Fault.None
                    || step.Moment is DanceAction { Role: not FootRole.Named } and not DanceAction { CallLead: Foot.Left or Foot.Right };
            }

            if (step.Set is not null || (step.Foot.IsSingle() && step.Verb is { Kind: not VerbKind.NoFoot }))
            {
                return true;
            }
        }

        return true;
    }

    /// <summary>Pick-ups of its first line: they sound before it, at ticks below zero from its beginning.</summary>
    public IEnumerable<DanceAction> PickUpsBefore()
    {
        foreach (var step in Pattern.Steps)
        {
            if (step.Moment is DanceAction { IsPickUp: true } action && Pattern.Part.Lines[action.Line - 1].Start == FromTick)
            {
                yield return action;
            }
        }
    }

    /// <summary>The latest tick, measured back from its end (0 or less), at which feet still move.</summary>
    public Tick? LastMoveBeforeEnd()
    {
        Tick? last = null;
        foreach (var step in Pattern.Steps)
        {
            if (step.Verb is { } verb && verb.MovesFeet
                && PartSpan.Holds(Pattern.Part, step.Moment, FromTick, ToTick) && !(last is { } l && step.Moment.At - ToTick < l))
            {
                last = step.Moment.At - ToTick;
            }
        }

        return last;
    }
}
