using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Turns told by where they end: walls, hours, home.</summary>
internal sealed partial class ClauseReader
{
    private bool Wall(ref TurnWords turn, ref int at, bool isIn)
    {
        var word = _words[at];
        var leads = word.Is(Roles.To)
            || (word.Is(Roles.Facing) && turn.Any)
            || word.Direction != Direction.None
            || word.Wall is not null
            || word.Is(Roles.SideWall | Roles.SameWall | Roles.NextWall | Roles.OppositeWall)
            || word.Side != 0
            || word.Is(Roles.Corner);
        if (!leads)
        {
            return false;
        }

        var from = word.Is(Roles.To | Roles.Facing) && word.Direction == Direction.None ? at + 1 : at;
        if (!isIn
            && from > at
            && from + 1 == _to
            && _words[from] is { Kind: TokenKind.Number, Number: 3 or 6 or 9 or 12 }
            && _draft.HasHead)
        {
            // "Step R forward to 3": an hour can stand here, a number of steps cannot.
            (turn.Target, at) = (new Facing(_words[from].Number % 12 * 2 / 3), from + 1);
            return true;
        }

        if (WallAt(from, bareHour: isIn && from > at, inTurn: isIn) is not { } wall || (!isIn && !wall.SaysWall))
        {
            return false;
        }

        if (turn.Target is not null || turn.Goal != TurnGoal.None)
        {
            return false;
        }

        (turn.Target, turn.Goal) = (wall.Facing, wall.Goal);
        if (turn.Side == 0 && wall.Side != 0)
        {
            turn.Side = wall.Side;
        }

        at = wall.Next;
        return true;
    }

    private readonly record struct WallWords(Facing? Facing, TurnGoal Goal, int Next, bool SaysWall, int Side = 0);

    /// <summary>
    /// A wall named from a place on: "the back wall", "9:00", "the side wall", "the front", a bare hour where one can stand.
    /// </summary>
    private WallWords? WallAt(int from, bool bareHour, bool inTurn = true)
    {
        var at = from;
        while (at < _to
            && ((IsSmall(at) && _words[at].Direction == Direction.None && !_words[at].Is(Roles.Wall))
                || (_words[at].Is(Roles.Facing | Roles.To) && _words[at].Direction == Direction.None)))
        {
            at++;
        }

        if (at >= _to)
        {
            return null;
        }

        var word = _words[at];
        var next = at + 1;
        var wall = next < _to && _words[next].Is(Roles.Wall) && !_words[next].Is(Roles.SideWall);
        var corner = next < _to && _words[next].Is(Roles.Corner);
        if (word.Wall is { } named)
        {
            return new WallWords(
                named,
                TurnGoal.None,
                wall ? next + 1 : PastHour(next),
                word.Words > 1 || word.Kind == TokenKind.Clock || wall);
        }

        if (word.Is(Roles.SideWall | Roles.SameWall | Roles.NextWall | Roles.OppositeWall))
        {
            return new WallWords(null, GoalOf(word), next, true);
        }

        if (word.Is(Roles.Corner)
            || (word.Direction == Direction.DiagonalForward && word.Text.EndsWith("corner", StringComparison.Ordinal)))
        {
            return inTurn ? new WallWords(null, TurnGoal.Corner, next, false) : null;
        }

        if (corner && word.Side != 0)
        {
            return inTurn ? new WallWords(null, TurnGoal.Corner, next + 1, false, word.Side) : null;
        }

        if (word.Direction is Direction.Forward or Direction.Back
            && word.Text is "front" or "back" or "to the front" or "to the back" or "home")
        {
            return wall || inTurn
                ? new WallWords(
                    new Facing(word.Direction == Direction.Back ? 4 : 0),
                    TurnGoal.None,
                    wall ? next + 1 : PastAgain(next),
                    wall)
                : null;
        }

        if (word.Text is "home" && inTurn)
        {
            return new WallWords(Facing.Front, TurnGoal.None, next, false);
        }

        if (word.Direction == Direction.Side && wall)
        {
            return new WallWords(null, TurnGoal.SideWall, next + 1, true);
        }

        if (word.Side != 0 && wall)
        {
            // "The right wall" is the one at 3:00 of the room.
            return new WallWords(new Facing(word.Side > 0 ? 2 : 6), TurnGoal.None, next + 1, true);
        }

        var hour = next < _to && _words[next].Is(Roles.Hour);
        if (word.Number > 0
            && (bareHour || hour || wall)
            && Facing.TryParse(word.Number.ToString(System.Globalization.CultureInfo.InvariantCulture), out var at12))
        {
            return new WallWords(at12, TurnGoal.None, hour || wall ? next + 1 : next, hour || wall);
        }

        return null;
    }

    private int PastHour(int at) => at < _to && _words[at].Is(Roles.Hour) ? at + 1 : at;

    private int PastAgain(int at) => at < _to && _words[at].Is(Roles.Again) ? at + 1 : at;

    private static TurnGoal GoalOf(Lexeme word) =>
        word.Is(Roles.SideWall) ? TurnGoal.SideWall
            : word.Is(Roles.SameWall) ? TurnGoal.SameWall
            : word.Is(Roles.NextWall) ? TurnGoal.NextWall
            : TurnGoal.OppositeWall;
}
