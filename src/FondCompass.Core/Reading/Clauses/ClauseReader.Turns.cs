using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>The words of a turn: how far, which way, onto which wall.</summary>
internal sealed partial class ClauseReader
{
    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth"];

    /// <summary>The deed turns by itself, so that a side or an amount beside it is the turn's.</summary>
    private bool TurnsByItself => _draft.Verb is { IsTurn: true } || HasTurnSlot(_draft.Step);

    private static bool HasTurnSlot(NamedStep? step) => step is not null && step.Forms[0].Actions.Any(a => a.Phrase.TurnSlot);

    /// <summary>The word is a deed that turns: a pivot, an unwind, a Monterey; not just "turn".</summary>
    private bool TurnsItself(int at) => at < _to
        && (_words[at].Step is { } step
            ? step.Pivots || HasTurnSlot(step)
            : _words[at].Verb is { IsTurn: true } verb && !verb.Has(VerbTraits.BareTurn));

    /// <summary>What is known of a turn while its words are read.</summary>
    private struct TurnWords
    {
        public int Amount;
        public int Side;
        public Facing? Target;
        public TurnGoal Goal;
        public bool Spread;
        public bool Each;
        public bool Named;

        /// <summary>A shoulder on the other side than the one said: no turn goes over it.</summary>
        public TextSpan? Against;

        public readonly bool Any => Amount > 0 || Side != 0 || Target is not null || Goal != TurnGoal.None || Named;
    }

    /// <summary>"Turn L 1/2 right": on the left foot.</summary>
    private bool TryTurnOnAFoot()
    {
        if (!_draft.HasHead
            && _words[_at].Verb is { } bare
            && bare.Has(VerbTraits.BareTurn)
            && _at + 2 < _to
            && _words[_at + 1].Foot.IsSingle()
            && (_words[_at + 2].Amount > 0 || _words[_at + 2].Number > 0)
            && HasSideAhead(_at + 3))
        {
            (_draft.Head, _draft.Verb) = (_words[_at], bare);
            _draft.Feet.Add(_words[_at + 1].Foot);
            _draft.OnStandingFoot = true;
            _at += 2;
            _last = Kind.Head;
            return true;
        }

        return false;
    }

    private bool TryTurn()
    {
        if (TryTurnOnAFoot())
        {
            return true;
        }

        var opened = TurnOpening();
        var turn = new TurnWords();
        var (from, at, end) = (_at, _at, _at);
        while (at < _to && Piece(ref turn, ref at))
        {
            end = at;
            // Small words inside a turn go with it: "half of a turn", "a quarter to your left".
            while (at < _to && end > _at && IsSmall(at) && !IsTurnOpener(at))
            {
                at++;
            }
        }

        var enough = turn.Amount > 0
            || turn.Target is not null
            || turn.Goal != TurnGoal.None
            || turn.Named
            || (turn.Side != 0 && end > _at);
        if (!enough || end == _at)
        {
            return false;
        }

        var isSummedUp = end < _to && _words[end].Is(Roles.SummedUp);
        var inAll = isSummedUp || SumsUpBefore();
        _at = isSummedUp ? end + 1 : end;
        if (turn.Side == 0 && _draft.Way != 0 && turn.Target is null)
        {
            // "To the right half a pivot": in some languages the side is said first.
            (turn.Side, _draft.Way) = (_draft.Way, 0);
        }

        var (on, isCount) = TurnPlace() is not 0 and var place ? (place, false) : (TurnCount(), true);
        var made = new Turn(
            turn.Amount > 0 ? turn.Amount : null,
            turn.Side,
            turn.Target,
            Spread: turn.Spread && !turn.Each,
            Each: turn.Each,
            Goal: turn.Goal,
            On: on == 0 ? opened : on,
            InAll: inAll,
            OnIsCount: on != 0 && isCount);
        _draft.TurnBehind = _draft.Feet.Count > 0 && _draft.Direction != Direction.None;
        if (_draft.Turn is { } held && held.Contradicts(made))
        {
            // "Turn 1/4 left 1/2 right": no turn is both.
            var said = _words[from].Span.To(_words[end - 1].Span);
            _draft.Unread.Add(new UnreadWord(said.In(_text), said));
        }

        if (turn.Against is { } shoulder)
        {
            _draft.Unread.Add(new UnreadWord(shoulder.In(_text), shoulder));
        }

        _draft.Turn = _draft.Turn?.With(made) ?? made;
        _last = Kind.Turn;
        _parted |= _draft.HasHead;
        return true;
    }

    /// <summary>"Making a full turn": what stands before the turn, small words left out, says that several steps make it.</summary>
    private bool SumsUpBefore()
    {
        var before = _at - 1;
        while (before > 0 && IsSmall(before) && !_words[before].Is(Roles.SumsUp))
        {
            before--;
        }

        return before >= 0 && _words[before].Is(Roles.SumsUp);
    }

    private bool IsSmall(int at) =>
        _words[at].Verb is null
            && _words[at].Step is null
            && _words[at].Foot == Foot.None
            && _words[at].Number == 0
            && _words[at].Amount == 0
        && _words[at].Is(Roles.Filler) && !_words[at].Is(Roles.Each);

    private bool IsTurnOpener(int at) =>
        _words[at].Is(Roles.Turning | Roles.Turn)
            || _words[at].Amount > 0
            || (_words[at].Is(Roles.To | Roles.Facing) && WallAt(at + 1, bareHour: true) is not null)
            || _words[at].Is(Roles.Over);

    /// <summary>One piece of a turn from a place on; moves past it.</summary>
    private bool Piece(ref TurnWords turn, ref int at)
    {
        var word = _words[at];
        var isIn = turn.Any || TurnsByItself;
        if (word.Step is not null)
        {
            return false;
        }

        if (word.Is(Roles.Turning) || word.Is(Roles.Turn) || word.Verb is { } verb && verb.Has(VerbTraits.BareTurn))
        {
            turn.Spread |= word.Is(Roles.Turning) && _draft.HasHead | !HasDeedAhead(at + 1);
            turn.Named = true;
            turn.Amount = turn.Amount == 0 ? word.Amount : turn.Amount;
            at++;
            return true;
        }

        if (word.Amount > 0 && turn.Amount == 0 && (word.Kind == TokenKind.Fraction || isIn || IsTurnAhead(at + 1)))
        {
            turn.Amount = word.Amount;
            at++;
            // "1/2 a turn", "half pivot": the word for what turns.
            return true;
        }

        if (word.Number > 0 && turn.Amount == 0)
        {
            // "1 1/4 turn", where "two 1/4 pivots" are two.
            if (word.Kind == TokenKind.Number
                && at + 1 < _to
                && _words[at + 1] is { Kind: TokenKind.Fraction, Amount: > 0 }
                && !(at + 2 < _to && _words[at + 2].Plural))
            {
                turn.Amount = (word.Number * Eighths.Full) + _words[at + 1].Amount;
                at += 2;
                return true;
            }

            if (isIn
                && word.Kind == TokenKind.Number
                && word.Number <= TurnAmount.Largest / Eighths.Full
                && (at + 1 >= _to || _words[at + 1].Side != 0 || _words[at + 1].Is(Roles.Turn | Roles.Over)))
            {
                turn.Amount = word.Number * Eighths.Full;
                at++;
                return true;
            }

            return false;
        }

        if (word.Is(Roles.Each) && turn.Any)
        {
            turn.Each = true;
            at++;
            return true;
        }

        if (word.Is(Roles.Each) && at + 1 < _to && (_words[at + 1].Is(Roles.Turning | Roles.Turn) || _words[at + 1].Amount > 0))
        {
            turn.Each = true;
            at++;
            return true;
        }

        return Shoulder(ref turn, ref at) || Wall(ref turn, ref at, isIn) || SideOf(ref turn, ref at, isIn);
    }

    /// <summary>Whether a word amount ("half", "full") is followed by what makes it one of a turn.</summary>
    private bool IsTurnAhead(int from)
    {
        for (var i = from; i < Math.Min(_to, from + 4); i++)
        {
            if (_words[i].Is(Roles.Turn | Roles.Turning | Roles.Shoulder)
                || _words[i].Side != 0
                || _words[i].Verb is { IsTurn: true }
                || HasTurnSlot(_words[i].Step))
            {
                return true;
            }

            if (!_words[i].Is(Roles.Filler) && !_words[i].Is(Roles.Over))
            {
                return false;
            }
        }

        return from >= _to;
    }
}
