using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Feet and ways: which foot, where to, onto which.</summary>
internal sealed partial class ClauseReader
{
    private void FootWord(Lexeme word)
    {
        if (_at > 1
            && _words[_at - 2].Is(Roles.To)
            && _at < _to
            && _words[_at].Direction == Direction.Side
            && word.Foot.IsSingle()
            && (_draft.HasHead || _draft.Feet.Count > 0))
        {
            // "Rock to R side".
            _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            _at++;
            return;
        }

        if (_at > 1 && _words[_at - 2].Is(Roles.To) && word.Foot.IsSingle() && _draft.Feet is [.., var going] && going.IsSingle())
        {
            if (word.Foot == going || _draft.Direction != Direction.None || (_at < _to && _words[_at].Direction != Direction.None)
                || _draft.Verb is { } crossing && crossing.Default == Direction.Across)
            {
                // "Step L to L", "step R to L diagonal": the side it goes to.
                _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            }
            else
            {
                // "Close R to L", "drag the right to the left": up to the other foot.
                _draft.Direction = Direction.Beside;
            }

            _last = Kind.Way;
            return;
        }

        if (word.Foot.IsSingle()
            && (_last == Kind.Way ? IsWhole && (!_draft.HasHead || !Refers)
                : _last == Kind.Other ? IsWhole
                : _last == Kind.Head && _footFirst)
            && BeginsDeed(_at))
        {
            // "R side L together": a foot with its way is a deed, and here comes the next.
            Close();
        }

        if (word.Foot.IsSingle()
            && _draft.Turn is { Side: 0, IsOpen: false, Target: null } turning
            && TurnsByItself
            && _last is Kind.Head or Kind.Turn
            && (_draft.Feet.Count > 0 || (_draft.TurnBefore && _draft.Step is { TurnsAway: true })))
        {
            // "R fwd, 1/2 pivot L": the side of the turn, said behind it.
            _draft.Turn = turning with { Side = word.Side };
            (_last, _parted) = (Kind.Turn, true);
            return;
        }

        if (word.Side != 0 && _last == Kind.Head
            && _draft is { TurnBefore: true, TimesInAll: true, Feet.Count: 0, Turn: { Side: 0, IsOpen: false, Target: null } each })
        {
            // "Two 1/4 jazz boxes left": each turns so; of "two 1/4 jazz boxes L" each turns too, and the letter is the foot.
            _draft.Turn = each with { Side = word.Text.Length > 1 ? word.Side : 0, Each = true };
            if (word.Text.Length > 1)
            {
                (_last, _parted) = (Kind.Turn, true);
                return;
            }
        }

        // "Step in beside the left": it is the other foot that steps.
        if (_last == Kind.Way && _draft.Direction == Direction.Beside && _draft.HasHead && _draft.Feet.Count == 0 && word.Foot.IsSingle())
        {
            _draft.Feet.Add(word.Foot.Other());
            _last = Kind.Other;
            return;
        }

        // "Touch L beside R", "cross right over left": the second foot only says beside or over what.
        if (_last == Kind.Way && _draft.Feet.Count > 0 && Refers && word.Foot.IsSingle())
        {
            _last = Kind.Other;
            return;
        }

        if (word.Foot.IsSingle() && _draft.Verb is { } aside && aside.Has(VerbTraits.Aside))
        {
            _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            return;
        }

        // "Shuffle R on the right diagonal", "step L towards the left corner": of which diagonal it is.
        if (word.Foot.IsSingle() && _draft.Feet.Count > 0 && _at < _to && _words[_at].Direction == Direction.DiagonalForward)
        {
            _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            return;
        }

        // Of both feet the side is where they go: "swivel both right".
        if (_draft.Feet is [Foot.Both] && word.Foot.IsSingle())
        {
            _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            return;
        }

        if (word.Foot == Foot.Both && _draft.Feet.Count > 0)
        {
            if (word.Text != "feet")
            {
                _draft.Way = _draft.Feet[0] == Foot.Right ? 1 : -1;
                _draft.Feet.Clear();
                _draft.Feet.Add(Foot.Both);
            }

            return;
        }

        _wayFirst |= _draft.Feet.Count == 0 && !_draft.HasHead && _draft.Direction != Direction.None;
        _draft.Feet.Add(word.Foot);
        _parted |= _draft.HasHead;
        _last = Kind.Foot;
    }

    /// <summary>A foot and where it goes: a deed of its own, even where no verb is said.</summary>
    private bool IsWhole => _draft.Feet.Count > 0 && _draft.Direction != Direction.None;

    /// <summary>A foot may follow that only says beside or over what.</summary>
    private bool Refers => _draft.Direction is Direction.Across or Direction.Behind or Direction.Beside;

    /// <summary>Whether the next word that counts says where to or what is done, so that the foot before it is the next deed's.</summary>
    private bool BeginsDeed(int from)
    {
        for (var i = from; i < _to; i++)
        {
            var word = _words[i];
            if (word.Direction != Direction.None || word.Step is not null || (word.Verb is not null && !word.IsPart))
            {
                return true;
            }

            if (!word.Is(Roles.Filler))
            {
                return false;
            }
        }

        return false;
    }

    /// <summary>Ways that no one step can go at once, so that each is a step of its own.</summary>
    private static bool Contradict(Direction a, Direction b) =>
        (a, b) is (Direction.In, Direction.Out) or (Direction.Out, Direction.In)
            || a != b
                && IsPlain(a)
                && IsPlain(b)
                && !(a is Direction.Across or Direction.Behind && b is Direction.Forward or Direction.Back)
        && !(b is Direction.Across or Direction.Behind && a is Direction.Forward or Direction.Back);

    private static bool IsOpposite(Direction a, Direction b) =>
        (a,
            b) is (Direction.Forward, Direction.Back) or (Direction.Back, Direction.Forward) or (Direction.In, Direction.Out)
                or (Direction.Out, Direction.In);

    /// <summary>"Touch R front, out, back" without its commas: of a foot that stays free each place is a touch of its own.</summary>
    private bool IsNextPlace(Direction taken, Direction way) => IsPlace(taken) && IsPlace(way)
        && (_draft is { Verb.Kind: VerbKind.Leaves, Feet.Count: > 0 }
            || (_draft.IsWayOnly && _drafts.FindLast(d => d.HasHead) is { Verb.Kind: VerbKind.Leaves, Feet.Count: > 0 }));

    private static bool IsPlace(Direction way) => way is Direction.Forward or Direction.Back or Direction.Side or Direction.Out;

    private static bool IsPlain(Direction way) =>
        way is Direction.Forward or Direction.Back or Direction.Side or Direction.Beside or Direction.Across or Direction.Behind;

    private void WayWord(Lexeme word)
    {
        var way = word.Direction;
        var taken = _draft.Direction == Direction.None
            && _draft.Verb is { } closing
            && closing.Default == Direction.Beside
            && closing.Has(VerbTraits.WayWord)
            ? Direction.Beside
            : _draft.Direction;
        var onwards = _last == Kind.Way && _at > 1 && _words[_at - 2].Is(Roles.To);
        if (_last == Kind.Way
            && _draft.Verb is { Kind: VerbKind.Takes }
            && IsOpposite(taken, way)
            && NextFoot(_at) is null
            && !HasDeedAhead(_at))
        {
            // "Step L forward back": no step goes both ways.
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            return;
        }

        // "Crossed behind" is behind.
        var crossedBehind = _last == Kind.Way && taken == Direction.Across && way == Direction.Behind;
        if ((Contradict(taken, way) && !onwards && !crossedBehind) || (_last == Kind.Way && !onwards && IsNextPlace(taken, way))
            || (_wayFirst && _last == Kind.Foot && NextFoot(_at) is not null))
        {
            // "Forward R back L", "together side R": the next deed; "from front to back" is one.
            Close();
        }

        _draft.InFront = word.Text == "in front";
        if (way is Direction.DiagonalForward && (_draft.Direction == Direction.Back || NextWay() == Direction.Back))
        {
            way = Direction.DiagonalBack;
        }
        else if (_draft.Direction is Direction.DiagonalForward or Direction.DiagonalBack && way is Direction.Forward or Direction.Back)
        {
            way = way == Direction.Back ? Direction.DiagonalBack : _draft.Direction;
        }
        else if (way == Direction.DiagonalForward && word.Text == "corner" && _draft.Direction != Direction.None)
        {
            way = _draft.Direction;
        }

        _draft.Direction = way;
        _draft.WaySaid = Foreign(word);
        _draft.WayFirst = !_draft.HasHead;
        _last = Kind.Way;
    }

    /// <summary>
    /// A word as it was written, where it is of another language than the script's, or of the instructor's own; else empty.
    /// </summary>
    private string Foreign(Lexeme word)
    {
        var written = word.Span.In(_text);
        var isTranslated = written.Length > 0
            && char.IsLetter(written[0])
            && !string.Equals(written.Replace('-', ' '), word.Text, StringComparison.OrdinalIgnoreCase);
        var isName = word.Step is { } step && step.Languages.Values.Any(l => l.Contains(word.Text, StringComparer.OrdinalIgnoreCase))
            && !step.Aliases.Prepend(step.Name).Contains(word.Text, StringComparer.OrdinalIgnoreCase);
        return (isTranslated && word.Kind == TokenKind.Word) || isName ? written : "";
    }
}
