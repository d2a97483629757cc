using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Numbers: how often, how many counts, angles.</summary>
internal sealed partial class ClauseReader
{
    private void Number(Lexeme word)
    {
        if (_number > 0)
        {
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            return;
        }

        var isPaces = _draft is { Direction: Direction.Forward or Direction.Back, Feet.Count: 0 } && _at + 1 == _to;
        if ((_draft.HasHead || isPaces) && !HasDeedAhead(_at))
        {
            Number(word.Number, word.Span, after: true);
        }
        else
        {
            (_number, _numberSpan) = (word.Number, word.Span);
            _parted |= _draft.HasHead;
        }
    }

    /// <summary>"Four walks", "walk forward 4".</summary>
    private void Number(int number, TextSpan span, bool after)
    {
        if (_draft.Times > 1 || _draft.TimesInAll || number > 512 || (!_draft.HasHead && after && _draft.Direction == Direction.None))
        {
            _draft.BareNumber = _draft.HasHead ? 0 : number;
            _draft.Unread.Add(new UnreadWord(span.In(_text), span));
            return;
        }

        (_draft.Times, _draft.TimesInAll) = (number, true);
        _draft.Plural = false;
    }

    private bool HasDeedAhead(int from)
    {
        for (var i = from; i < _to; i++)
        {
            if (_words[i].Step is not null || (_words[i].Verb is { } verb && !verb.Has(VerbTraits.BareTurn)))
            {
                return true;
            }
        }

        return false;
    }

    private bool IsNumberAhead() => _at < _to && _words[_at].Number > 0;

    /// <summary>Whether shoulders or body are laid to a corner or wall here, which is an angle and no movement.</summary>
    private bool HasAngle(int at) => AngleWords(at) > 0;

    /// <summary>Words that open an angle of the body: "angled", "body to", "shoulders to the"; 0 when none stand there.</summary>
    private int AngleWords(int at)
    {
        if (at < _to && _words[at].Is(Roles.Angle))
        {
            return 1;
        }

        if (at + 1 < _to && _words[at].Is(Roles.Body) && _words[at + 1].Is(Roles.Angle))
        {
            return 2;
        }

        return at + 2 < _to
            && _words[at].Is(Roles.Body)
            && _words[at].Text is "body" or "shoulders"
            && _words[at + 1].Is(Roles.To | Roles.Facing)
            && WallAt(at + 2, bareHour: true) is not null
            ? 2
            : at + 1 < _to
                && _words[at].Is(Roles.Body)
                && _words[at].Text is "body" or "shoulders"
                && _words[at + 1].Text is "to the corner" or "to the front" or "to the diagonal"
                ? 1
            : 0;
    }

    /// <summary>"angled 1/8 left", "body to 1:30", "shoulders to the corner": an angle of the body, no turn of the dance.</summary>
    private bool TryAngle()
    {
        var opens = AngleWords(_at);
        if (opens == 0)
        {
            return false;
        }

        var at = _at + opens;
        int? amount = null;
        var side = 0;
        Facing? target = null;
        for (; at < _to; at++)
        {
            var word = _words[at];
            if (target is null && WallAt(at, bareHour: true) is { Facing: { } facing } wall)
            {
                target = facing;
                at = wall.Next - 1;
            }
            else if (amount is null && word.Amount > 0)
            {
                amount = word.Amount;
            }
            else if (side == 0 && word.Side != 0)
            {
                side = word.Side;
            }
            else if (!word.Is(Roles.To | Roles.Corner | Roles.Facing | Roles.Body)
                && word.Direction is not (Direction.DiagonalForward or Direction.DiagonalBack)
                && !IsSmall(at))
            {
                break;
            }
        }

        _draft.Angle = target is not null ? new Turn(null, 0, target) : new Turn(amount ?? 1, side);
        _at = at;
        return true;
    }

    /// <summary>"4 counts", "for 8".</summary>
    private bool TryCounts()
    {
        var at = _at;
        if (_words[at].Is(Roles.At) && at + 2 == _to && _words[at + 1] is { Kind: TokenKind.Number, Number: > 0 } on
            && (_draft.Head?.Text is { Length: > 0 } || _draft.SaysNothing))
        {
            // "Kick on 4".
            _draft.OnCount = on.Number;
            _at = at + 2;
            return true;
        }

        // "Turning 3/4 in 6".
        var said = _words[at].Is(Roles.For) || (_words[at].Text is "in" or "over" && _draft.Turn is not null && at + 1 < _to
            && _words[at + 1].Number > 0
            && (at + 2 == _to || _words[at + 2].Is(Roles.Counts) || _words[at + 2] is { Plural: true, Verb: not null }));
        if (said)
        {
            at++;
        }

        if (at >= _to || _words[at].Number <= 0)
        {
            return false;
        }

        if (said
            && at > _at
            && _draft.Turn is { } shared
            && _draft.HasHead
            && at + 2 == _to
            && _words[at + 1] is { Plural: true, Verb: { } counted }
            && counted.Has(VerbTraits.Plain))
        {
            // "A full turn in four steps": so many of them make it.
            _draft.Turn = shared with { Spread = !shared.Each };
            Number(_words[at].Number, _words[at].Span, after: true);
            _at = at + 2;
            return true;
        }

        var unit = at + 1 < _to && _words[at + 1].Is(Roles.Counts);
        if (!unit && !(said && (at + 1 == _to || !HasDeedAhead(at + 1))))
        {
            return false;
        }

        if (unit && _words[_at].Number > 0 && at + 2 < _to && HasDeedAhead(at + 2) && !_draft.HasHead)
        {
            // "16 count intro" is no length of a step.
            return false;
        }

        _draft.Counts = _words[at].Number;
        _at = unit ? at + 2 : at + 1;
        _last = Kind.Other;
        return true;
    }
}
