using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Which way a turn goes, and which step of several makes it.</summary>
internal sealed partial class ClauseReader
{
    /// <summary>"over the left shoulder".</summary>
    private bool Shoulder(ref TurnWords turn, ref int at)
    {
        var i = at;
        while (i < _to && (_words[i].Is(Roles.Over) || IsSmall(i)))
        {
            i++;
        }

        if (i < _to && _words[i].Side != 0 && i + 1 < _to && _words[i + 1].Is(Roles.Shoulder))
        {
            if (turn.Side != 0 && turn.Side != _words[i].Side)
            {
                turn.Against = _words[at].Span.To(_words[i + 1].Span);
            }

            turn.Side = turn.Side == 0 ? _words[i].Side : turn.Side;
            at = i + 2;
            return true;
        }

        return false;
    }

    private bool SideOf(ref TurnWords turn, ref int at, bool isIn)
    {
        var word = _words[at];
        if (word.Side == 0 || turn.Side != 0)
        {
            return false;
        }

        if (turn.Amount > 0 || turn.Named || turn.Target is not null || turn.Goal != TurnGoal.None)
        {
            turn.Side = word.Side;
            at++;
            return true;
        }

        if (!isIn)
        {
            return false;
        }

        // Beside a deed that turns: the side, unless an amount with its own side follows, or it is a letter beside a pivot.
        var next = at + 1;
        while (next < _to && IsSmall(next))
        {
            next++;
        }

        if (next < _to && (_words[next].Amount > 0 || _words[next].Number > 0) && HasSideAhead(next + 1))
        {
            return false;
        }

        var leadsToWall = next < _to && (_words[next].Is(Roles.To | Roles.Facing | Roles.Wall) || _words[next].Wall is not null
            || (_words[next].Direction != Direction.None && _words[next].Words > 1));
        var pivots = _draft.Verb is { } verb ? verb.Has(VerbTraits.Pivots) : _draft.Step is { Pivots: true };
        var slot = _draft.Step is { Pivots: false };
        if ((slot || (pivots && word.Text.Length == 1)) && !leadsToWall && !(word.Text.Length > 1 && next < _to && _words[next].Amount > 0)
            && word.Foot.IsSingle())
        {
            return false;
        }

        turn.Side = word.Side;
        at++;
        return true;
    }

    private bool HasSideAhead(int from)
    {
        for (var i = from; i < Math.Min(_to, from + 4); i++)
        {
            if (_words[i].Side != 0)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>"on the third step": which action of the step turns; 0 when it is not said.</summary>
    private int TurnPlace()
    {
        var at = _at;
        while (at < _to && IsSmall(at) && _words[at].Direction == Direction.None)
        {
            at++;
        }

        if (at >= _to || at == _at)
        {
            return 0;
        }

        var ordinal = Array.IndexOf(Ordinals, _words[at].Text) + 1;
        if (ordinal == 0 && _words[at].Text is "last")
        {
            ordinal = -1;
        }

        if (ordinal == 0)
        {
            return 0;
        }

        _at = at + 1;
        if (_at < _to
            && (_words[_at].Is(Roles.Counts) || _words[_at].Verb is { } verb && verb.Has(VerbTraits.Plain) || _words[_at].Number == 1))
        {
            _at++;
        }

        return ordinal;
    }
}
