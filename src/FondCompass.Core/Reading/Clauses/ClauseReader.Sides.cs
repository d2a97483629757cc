using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Which way a turn goes, and which step of several makes it.</summary>
internal sealed partial class ClauseReader
{
    /// <summary>Letters behind a turn that are feet together; of two, the first may still be the side.</summary>
    private const int FeetOfAList = 3;

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
        if (word.Side == 0 || turn.Side != 0 || IsListOfFeet(at))
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

        if (NamesTheFoot(word, next))
        {
            return false;
        }

        turn.Side = word.Side;
        at++;
        return true;
    }

    /// <summary>A side beside a deed that turns, with nothing else said of the turn, is the foot's.</summary>
    /// <param name="next">The word behind it, small ones left out.</param>
    private bool NamesTheFoot(Lexeme word, int next)
    {
        var leadsToWall = next < _to && (_words[next].Is(Roles.To | Roles.Facing | Roles.Wall) || _words[next].Wall is not null
            || (_words[next].Direction != Direction.None && _words[next].Words > 1));
        var pivots = _draft.Verb is { } verb ? verb.Has(VerbTraits.Pivots) : _draft.Step is { TurnsAway: true };
        var slot = _draft.Step is { TurnsAway: false };
        return (slot || (pivots && word.Text.Length == 1))
            && !leadsToWall
            && !(word.Text.Length > 1 && next < _to && _words[next].Amount > 0)
            && word.Foot.IsSingle();
    }

    /// <summary>"In a circle R L R L": three letters and more, in turn, are feet, and none of them is the turn's side.</summary>
    private bool IsListOfFeet(int at)
    {
        var end = at + 1;
        while (end < _to
            && _words[end] is { Text.Length: 1 }
            && _words[end].Foot.IsSingle()
            && _words[end].Foot == _words[end - 1].Foot.Other())
        {
            end++;
        }

        return _words[at].Text.Length == 1 && end - at >= FeetOfAList;
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

    /// <summary>"The last turning 1/4 right": which action turns, said before the turn; 0 when it is not.</summary>
    private int TurnOpening()
    {
        if (!_draft.SaysNothing || _at + 1 >= _to || !_words[_at + 1].Is(Roles.Turning | Roles.Turn) || _words[_at].Verb is not null)
        {
            return 0;
        }

        var place = OrdinalOf(_words[_at].Text);
        _at += place == 0 ? 0 : 1;
        return place;
    }

    /// <summary>"On 3", "on count 3": the count that turns, said behind the turn and nothing behind it; 0 when it is not.</summary>
    private int TurnCount()
    {
        var at = _at;
        while (at < _to && (IsSmall(at) || _words[at].Is(Roles.Counts | Roles.At)))
        {
            at++;
        }

        if (at == _at || at + 1 != _to || _words[at].Number <= 0 || !_words.Skip(_at).Take(at - _at).Any(w => w.Is(Roles.At)))
        {
            return 0;
        }

        _at = at + 1;
        return _words[at].Number;
    }

    /// <summary>First as 1, last as −1; 0 for any other word.</summary>
    private static int OrdinalOf(string word) => word == "last" ? -1 : Array.IndexOf(Ordinals, word) + 1;

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

        var ordinal = OrdinalOf(_words[at].Text);
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
