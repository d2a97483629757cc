using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

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
        if (verb.Name == "unwind")
        {
            var possible = stance switch { Stance.UnwindsLeft => -1, Stance.UnwindsRight => 1, _ => 0 };
            side = side == 0 ? possible : side;
            fault = possible == 0 ? Fault.NothingToUnwind : possible != side ? Fault.UnwindWrongWay : Fault.None;
        }

        if (turn.Target is { } target)
        {
            return ToWall(turn, side, (target - facing).Value, fault);
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
                case DanceAction { Turn: { } turn } when turn.Amount is not { } || turn.Side == 0:
                    return null;
                case DanceAction { Turn: { } turn }:
                    known += turn.Amount!.Value * turn.Side;
                    break;
            }
        }

        return null;
    }
}
