using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Tracing;

/// <summary>Finds the signed size of a turn told by amount, by side, by wall, or left open (rules, section 3).</summary>
internal static class TurnResolver
{
    /// <param name="flipped">The turn's side is written for the right foot leading and the left one leads.</param>
    /// <param name="ahead">The moments after this one, in which a stated facing may settle an open turn.</param>
    public static (Eighths Turn, Fault Fault) Resolve(
        Turn turn, bool flipped, Facing facing, Stance stance, Verb verb, ReadOnlySpan<Moment> ahead)
    {
        var side = flipped ? -turn.Side : turn.Side;
        var fault = Fault.None;
        if (verb.Unwinds)
        {
            var possible = stance switch { Stance.UnwindsLeft => -1, Stance.UnwindsRight => 1, _ => 0 };
            side = side == 0 ? possible : side;
            fault = possible == 0 ? Fault.NothingToUnwind : possible != side ? Fault.UnwindWrongWay : Fault.None;
        }

        if (turn.Target is { } target)
        {
            return turn.Share > 0
                ? (Share(OnSide((target - facing).Value, side), turn.Share), fault)
                : ToWall(turn, side, (target - facing).Value, fault);
        }

        if (turn.Goal != TurnGoal.None)
        {
            return ToGoal(turn, side, facing, fault);
        }

        if (turn.Amount is { } amount && side != 0)
        {
            return (new Eighths(amount * side), fault);
        }

        // What is open may follow from the next stated facing.
        var wanted = WantedAhead(facing, ahead);
        if (turn.Amount is { } size)
        {
            if (wanted is { } w && new Facing(size).Index == w)
            {
                return (new Eighths(size), fault);
            }

            if (wanted is { } l && new Facing(-size).Index == l)
            {
                return (new Eighths(-size), fault);
            }

            return (new Eighths(size), fault == Fault.None ? Fault.OpenSide : fault);
        }

        return wanted is { } right
            ? (new Eighths(OnSide(right, side)), fault)
            : (Eighths.None, fault == Fault.None ? Fault.OpenTurn : fault);
    }

    /// <summary>The part of a turn still to come that this one of so many actions takes.</summary>
    private static Eighths Share(int left, int actions) => new(left / actions);

    /// <summary>
    /// "to the corner", "to the side wall": which one, the way round decides; the right when that is open, and it is said.
    /// </summary>
    private static (Eighths Turn, Fault Fault) ToGoal(Turn turn, int side, Facing facing, Fault fault)
    {
        var open = side == 0;
        side = open ? 1 : side;
        var size = turn.Goal switch
        {
            TurnGoal.Corner => facing.IsCorner ? 2 : 1,
            TurnGoal.SameWall => Eighths.Full,
            TurnGoal.OppositeWall => 4,
            TurnGoal.NextWall => facing.IsCorner ? 1 : 2,
            _ => Enumerable.Range(1, Eighths.Full).First(n => (facing + new Eighths(n * side)).Index is 2 or 6),
        };
        if (turn.Amount is { } said && said != size)
        {
            return (new Eighths(said * side), Fault.TurnMissesWall);
        }

        var whole = new Eighths(size * side);
        return (turn.Share > 0
            ? Share(whole.Value, turn.Share)
            : whole, fault != Fault.None ? fault : open && turn.Goal != TurnGoal.OppositeWall ? Fault.OpenSide : Fault.None);
    }

    private static (Eighths Turn, Fault Fault) ToWall(Turn turn, int side, int right, Fault fault)
    {
        if (turn.Amount is not { } amount)
        {
            return (new Eighths(OnSide(right, side)), fault);
        }

        if (side == 0)
        {
            side = new Facing(amount).Index == right ? 1 : -1;
        }

        var lands = new Facing(amount * side).Index == right;
        return (new Eighths(amount * side), lands ? fault : Fault.TurnMissesWall);
    }

    /// <summary>The turn that gets there on the side asked for; the shorter one when none is.</summary>
    private static int OnSide(int right, int side) => side switch
    {
        > 0 => right == 0 ? Eighths.Full : right,
        < 0 => right - Eighths.Full,
        _ => right > 4 ? right - Eighths.Full : right,
    };

    /// <summary>Eighths to the right that this turn must give for the next stated facing to hold, or null.</summary>
    private static int? WantedAhead(Facing facing, ReadOnlySpan<Moment> ahead)
    {
        var known = 0;
        foreach (var moment in ahead)
        {
            switch (moment)
            {
                case StatedFact { Facing: { } stated }:
                    return new Facing((stated - facing).Value - known).Index;
                case UnreadStep:
                    return null;
                case DanceAction { Turn: { } turn } when turn.Amount is not { } || turn.Side == 0 || turn.Goal != TurnGoal.None:
                    return null;
                case DanceAction { Turn: { } turn }:
                    known += turn.Amount!.Value * turn.Side;
                    break;
            }
        }

        return null;
    }
}
