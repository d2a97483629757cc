using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Onto which foot the weight goes.</summary>
internal sealed partial class ClauseReader
{
    /// <summary>"A full turn over R L R": the feet that make a turn, of which nothing goes across.</summary>
    private bool AreFeetAhead() =>
        (_draft.Turn is not null || _draft.SaysNothing) && _at + 1 < _to && _words[_at].Foot.IsSingle() && _words[_at + 1].Foot.IsSingle();

    private Direction NextWay() => _at < _to ? _words[_at].Direction : Direction.None;

    /// <summary>The next word, small ones and parts of the foot left out, when it names a single foot.</summary>
    private int? NextFoot(int from)
    {
        for (var i = from; i < _to; i++)
        {
            if (_words[i].Foot.IsSingle())
            {
                return i;
            }

            if (!_words[i].Is(Roles.Filler) && !_words[i].Is(Roles.Foot) && !_words[i].IsPart && !_words[i].Is(Roles.Part))
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>"onto R", "weight on the left", "ends left free", "right free".</summary>
    private bool TryOnto()
    {
        var at = _at;
        while (at < _to && _words[at].Is(Roles.Ends) && _words[at].Foot == Foot.None && _words[at].Verb is null)
        {
            at++;
        }

        // "Finish on your left foot".
        if (at > _at && at < _to && _words[at].Text is "on" or "with" or "upon")
        {
            var on = NextFoot(at + 1);
            if (on is { } stands && !(stands + 1 < _to && _words[stands + 1].Is(Roles.Free)))
            {
                _draft.Onto = _words[stands].Foot;
                _at = stands + 1;
                Past(Roles.Foot);
                return true;
            }
        }

        if (at < _to && _words[at].Is(Roles.Onto))
        {
            var goes = false;
            for (var i = at + 1; i < _to && i < at + 5; i++)
            {
                if (!_draft.HasHead && _words[i] is { Verb: null, Direction: Direction.Forward or Direction.Back } && i == at + 1)
                {
                    goes = true;
                    continue;
                }

                if (_words[i].Foot != Foot.None)
                {
                    _draft.Onto = _words[i].Foot;
                    _draft.WeightGoes = goes;
                    _at = i + 1;
                    Past(Roles.Foot);
                    return true;
                }

                if (!_words[i].Is(Roles.Filler) && !_words[i].Is(Roles.Onto))
                {
                    break;
                }
            }
        }

        if (at + 1 < _to && _words[at].Foot.IsSingle())
        {
            var free = at + 1;
            while (free < _to && (_words[free].Is(Roles.Foot) || (_words[free].Is(Roles.Filler) && !_words[free].Is(Roles.Free))))
            {
                free++;
            }

            if (free < _to && _words[free].Is(Roles.Free))
            {
                _draft.Onto = _words[at].Foot.Other();
                _at = free + 1;
                return true;
            }
        }

        // "Facing 6", "ends facing the back wall": where one is then; a turn beside it says how one got there.
        if (at < _to
            && _words[at].Is(Roles.Facing)
            && _draft.Turn is null
            && !TurnsByItself
            && WallAt(at + 1, bareHour: true) is { } wall
            && wall.Facing is { } facing)
        {
            _draft.FactFacing = facing;
            _at = wall.Next;
            return true;
        }

        return false;
    }
}
