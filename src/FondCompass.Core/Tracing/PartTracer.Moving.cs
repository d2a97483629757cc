using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Tracing;

/// <summary>Where a foot goes, and how the feet stand then.</summary>
internal sealed partial class PartTracer
{
    /// <summary>A quarter laid on a side step keeps the way of travel: it becomes a step forward, or back, after the turn.</summary>
    private static (Direction Direction, bool TurnFirst) Travel(DanceAction action, Foot foot, Eighths turn)
    {
        var first = action.Turn is { First: true };
        if (!action.TurnKeepsTravel || action.Direction != Direction.Side || turn.Size != 2 || !foot.IsSingle())
        {
            return (action.Direction, first);
        }

        var toward = (turn.Value > 0) == (foot == Foot.Right);
        return (toward ? Direction.Forward : Direction.Back, true);
    }

    private void TurnBy(Eighths turn) =>
        _state = _state with { Facing = _state.Facing + turn, Net = _state.Net + turn };

    private void Move(DanceAction action, Verb verb, Foot foot, Direction direction, Weight after, int index)
    {
        if (foot == Foot.None || verb.Kind == VerbKind.NoFoot || verb.Has(VerbTraits.Stays))
        {
            _state = _state with { Weight = after };
            return;
        }

        var quick = IsQuick(action, index);
        var reach = StrideRule.Reach(verb, foot, direction, _state.Facing, _header.Stride, quick, _header.Layout == Layout.Circle);
        if (verb.Kind == VerbKind.Standing || foot == Foot.Both)
        {
            var both = foot == Foot.Both && verb.Kind == VerbKind.Takes;
            var body = _state.Body;
            _state = both
                ? _state with { Weight = after, Left = body + reach, Right = body + reach }
                : _state with
                {
                    Weight = after,
                    Left = foot == Foot.Right ? _state.Left : _state.Left + reach,
                    Right = foot == Foot.Left ? _state.Right : _state.Right + reach,
                };
            return;
        }

        var from = _state.Weight.IsSingle() && _state.Weight != foot.OnWeight() ? _state.FootAt(foot.Other()) : _state.Body;
        var staysPut = verb.Has(VerbTraits.Hips) && direction == Direction.None && (_state.FootAt(foot) - from).Length > 0.1;
        var to = staysPut ? _state.FootAt(foot) : from + reach;
        _state = foot == Foot.Left
            ? _state with { Weight = after, Left = to }
            : _state with { Weight = after, Right = to };
    }

    private bool IsQuick(DanceAction action, int index)
    {
        for (var i = index + 1; i < _moments.Length; i++)
        {
            if (_moments[i] is not StatedFact && _moments[i].At > action.At)
            {
                return (_moments[i].At - action.At).Value < Tick.PerCount;
            }
        }

        return action.Length.Value is > 0 and < Tick.PerCount;
    }

    private static Stance StanceAfter(DanceAction action, Verb verb, Foot foot, Direction direction)
    {
        var way = direction == Direction.None ? verb.Default : direction;
        var crossing = action.Crossing.IsSingle() ? action.Crossing : foot;
        if (!verb.Grounded
            || !crossing.IsSingle()
            || way is not (Direction.Across or Direction.Behind)
            || verb.Kind is VerbKind.Standing or VerbKind.NoFoot)
        {
            return Stance.Open;
        }

        return (crossing == Foot.Right) == (way == Direction.Across) ? Stance.UnwindsLeft : Stance.UnwindsRight;
    }
}
