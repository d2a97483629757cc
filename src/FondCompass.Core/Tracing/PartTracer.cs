using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Tracing;

/// <summary>Dances one part in the mind: weight, free foot, facing, stance and place after every action.</summary>
internal sealed partial class PartTracer
{
    private readonly DanceHeader _header;
    private readonly PartActions _part;
    private readonly Moment[] _moments;
    private readonly List<TracedAction> _actions;
    private readonly List<FactFault> _factFaults = [];
    private readonly List<ReplayStep> _steps = [];
    private readonly List<(Tick At, TraceState State)> _settled = [];
    private readonly TraceState[] _lineEnds;
    private readonly TraceState _start;
    private readonly bool _throughJoin;
    private TraceState _state;
    private WeightState _feet;
    private Sentence _heldSince = ActionTexts.TheStart;
    private bool _footTried;
    private int? _joinFault;

    private PartTracer(DanceHeader header, PartActions part, TraceState start, bool throughJoin)
    {
        _header = header;
        _part = part;
        _moments = part.Moments as Moment[] ?? [.. part.Moments];
        _actions = new List<TracedAction>(_moments.Length);
        _state = _start = start;
        _feet = new WeightState(start.Weight);
        _throughJoin = throughJoin;
        _lineEnds = new TraceState[Math.Max(1, part.Lines.Count) + 1];
        Array.Fill(_lineEnds, start);
    }

    /// <param name="throughJoin">Reached from another part: a first step on the wrong foot is a matter of the join.</param>
    public static PartTrace Trace(DanceHeader header, PartActions part, TraceState start, bool throughJoin) =>
        new PartTracer(header, part, start, throughJoin).Trace();

    private PartTrace Trace()
    {
        for (var i = 0; i < _moments.Length; i++)
        {
            switch (_moments[i])
            {
                case DanceAction action:
                    i = TraceTogether(i, action);
                    break;
                case StatedFact fact:
                    Check(fact);
                    _settled.Add((i > 0 ? _moments[i - 1].At : fact.At, _state));
                    break;
                case FreeSpan free:
                    Adopt(free, free.Weight, free.Facing);
                    // What comes before the first foot here is not the join's matter any more.
                    _footTried |= free.Weight is not null;
                    _state = _state with { Stance = Stance.Open };
                    _settled.Add((free.At, _state));
                    break;
                case UnreadStep unread:
                    _state = _state with { Weight = Weight.Unknown, FacingKnown = false, Stance = Stance.Open };
                    _feet = _feet.On(Weight.Unknown);
                    _steps.Add(new ReplayStep(unread, null, Foot.None, Eighths.None, Foot.None, Weight.Unknown, Fault.None));
                    _settled.Add((unread.At, _state));
                    break;
            }

            _lineEnds[_moments[i].Line] = _state;
        }

        return new PartTrace
        {
            Part = _part,
            Start = _start,
            End = _state,
            Actions = _actions,
            Lines = _part.Lines.Select(l => new LineEnd(l.Number, _lineEnds[l.Number])).ToList(),
            Steps = _steps,
            FactFaults = _factFaults,
            Settled = _settled,
            JoinFault = _joinFault,
        };
    }

    /// <summary>
    /// Actions at one tick happen together: the order they are written in is tried first, the other when that one has a
    /// fault and the other has none ("step R forward and slide L back").
    /// </summary>
    private int TraceTogether(int i, DanceAction action)
    {
        if (i + 1 < _moments.Length && _moments[i + 1] is DanceAction second && second.At == action.At && second.Row == action.Row)
        {
            var before = (_state, _feet, _heldSince, _footTried, _joinFault);
            var first = TraceOne(action, i);
            var other = TraceOne(second, i + 1);
            if (first.Fault != Fault.None || other.Fault != Fault.None)
            {
                var after = (_state, _feet, _heldSince, _footTried, _joinFault);
                (_state, _feet, _heldSince, _footTried, _joinFault) = before;
                var swappedOther = TraceOne(second, i + 1);
                var swappedFirst = TraceOne(action, i);
                if (swappedFirst.Fault == Fault.None && swappedOther.Fault == Fault.None)
                {
                    (first, other) = (swappedFirst, swappedOther);
                }
                else
                {
                    (_state, _feet, _heldSince, _footTried, _joinFault) = after;
                }
            }

            Record(first with { After = _state });
            Record(other with { After = _state });
            _lineEnds[action.Line] = _state;
            return i + 1;
        }

        Record(TraceOne(action, i));
        return i;
    }

    private void Record(TracedAction traced)
    {
        _actions.Add(traced);
        _steps.Add(new ReplayStep(traced.Action, traced.Verb, traced.Foot, traced.Turn, traced.Onto, null, traced.Fault));
    }

    private TracedAction TraceOne(DanceAction action, int index)
    {
        var before = _state.Weight;
        var (foot, leading) = _feet.FootOf(action, _header.Lead);
        _feet = leading;
        var flipped = action.TurnFlips && leading.Lead == Foot.Left;
        var (turn, fault) = action.Turn is null
            ? (Eighths.None, Fault.None)
            : TurnResolver.Resolve(action.Turn, flipped, _state.Facing, _state.Stance, action.Verb, _moments.AsSpan(index + 1));
        var (direction, turnFirst) = Travel(action, foot, turn);
        if (turnFirst)
        {
            TurnBy(turn);
        }

        var held = _heldSince;
        var (after, weightFault, onto) = _feet.Dance(action, foot, Math.Sign(turn.Value));
        if (weightFault != Fault.None && fault is Fault.None or Fault.OpenTurn or Fault.OpenSide)
        {
            fault = weightFault;
        }

        if (fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot && _throughJoin && !_footTried)
        {
            // Feet that do not fit where two parts meet: the join's matter, not this action's.
            _joinFault = _actions.Count;
            fault = Fault.None;
            (after, _, onto) = (_feet with { Weight = Weight.Unknown }).Dance(action, foot, Math.Sign(turn.Value));
        }

        _footTried |= foot.IsSingle();
        if (after.Weight != before)
        {
            _heldSince = ActionTexts.SinceCount(action.Beat.Label(_header.LineCounts));
        }

        // Which deed it is here: in percussive dances a drag of the standing foot is that foot's.
        var verb = action.MayStand && (foot == Foot.None || before == foot.OnWeight()) ? action.Verb.OnStandingFoot! : action.Verb;
        _feet = after;
        Move(action, verb, foot, direction, after.Weight, index);
        if (verb.Kind != VerbKind.NoFoot || verb.Unwinds)
        {
            _state = _state with { Stance = StanceAfter(action, verb, foot, direction) };
        }

        if (!turnFirst)
        {
            TurnBy(turn);
        }

        return new TracedAction
        {
            Action = action,
            Verb = verb,
            Foot = foot,
            Turn = turn,
            TurnFirst = turnFirst,
            Direction = direction,
            Onto = onto,
            Before = before,
            After = _state,
            Fault = fault,
            HeldSince = fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot ? held : null,
        };
    }

    private void Check(StatedFact fact)
    {
        var weightWrong = fact.Weight is { } weight && _state.Weight != Weight.Unknown && _state.Weight != weight;
        var facingWrong = fact.Facing is { } facing && _state.FacingKnown && _state.Facing != facing;
        if (weightWrong || facingWrong)
        {
            _factFaults.Add(new FactFault(fact, _state.Weight, _state.Facing, weightWrong, facingWrong));
        }

        Adopt(
            fact,
            _state.Weight == Weight.Unknown ? fact.Weight : null,
            _state.FacingKnown ? null : fact.Facing);
    }

    private void Adopt(Moment moment, Weight? weight, Facing? facing)
    {
        var turn = Eighths.None;
        if (facing is { } f)
        {
            var right = (f - _state.Facing).Value;
            turn = new Eighths(right > 4 ? right - Eighths.Full : right);
            TurnBy(turn);
            _state = _state with { FacingKnown = true };
        }

        if (weight is { } w)
        {
            _state = _state with { Weight = w };
            _feet = _feet.On(w);
        }

        if (weight is not null || !turn.IsNone)
        {
            _steps.Add(new ReplayStep(moment, null, Foot.None, turn, Foot.None, weight, Fault.None));
        }
    }
}
