using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>
/// Reads one clause, what stands between two separators: the deeds in it, and with each its feet, way, turn and number. A word
/// belongs to the deed it stands with; what names no deed is left to the list (see <see cref="ListReader"/>).
/// </summary>
internal sealed partial class ClauseReader
{
    private readonly IReadOnlyList<Lexeme> _words;
    private readonly int _to;
    private readonly string _text;
    private readonly string _genre;
    private readonly List<Draft> _drafts = [];
    private Draft _draft = new();
    private int _at;

    /// <summary>What came last in the draft, to tell what the next word hangs on.</summary>
    private Kind _last;

    /// <summary>A foot, a turn or a number has come since the deed, so that another deed is another phrase.</summary>
    private bool _parted;

    private int _number;
    private TextSpan _numberSpan;

    private enum Kind
    {
        Nothing,
        Head,
        Foot,
        Way,
        Turn,
        Other,
    }

    private ClauseReader(IReadOnlyList<Lexeme> words, int from, int to, string text, string genre) =>
        (_words, _at, _to, _text, _genre) = (words, from, to, text, genre);

    public static List<Draft> Read(IReadOnlyList<Lexeme> words, int from, int to, string text, string genre) =>
        new ClauseReader(words, from, to, text, genre).Read();

    private List<Draft> Read()
    {
        if (_at >= _to)
        {
            return [];
        }

        if (!HasAngle(_at) && BodyClause() is { } body)
        {
            return [body];
        }

        while (_at < _to)
        {
            Take(_words[_at]);
        }

        Close();
        return _drafts;
    }

    private void Take(Lexeme word)
    {
        var from = _at;
        if (TryAngle() || TryOnto() || TryTurn() || TryCounts() || TryOperation())
        {
            Grow(from);
            return;
        }

        _at++;
        if (word.Step is not null || word.Verb is not null)
        {
            Head(word);
        }
        else if (word.Is(Roles.StandingOn))
        {
            Pivoting(word);
        }
        else if (word.Times > 0)
        {
            (_draft.Times, _draft.TimesSaid, _parted) = (Math.Clamp(word.Times, 1, 512), true, true);
        }
        else if (word.Number > 0)
        {
            Number(word);
        }
        else if (word.Is(Roles.Starting) && NextFoot(_at) is { } lead && !HasDeedAhead(lead + 1))
        {
            _draft.Leads = true;
            _draft.Feet.Add(_words[lead].Foot);
            _at = lead + 1;
        }
        else if (word.Foot != Foot.None)
        {
            FootWord(word);
        }
        else if (word.Side != 0)
        {
            _draft.Way = word.Side;
            _last = Kind.Way;
        }
        else if (word.Direction != Direction.None && !(word.Is(Roles.For) && IsNumberAhead()))
        {
            WayWord(word);
        }
        else if (word.Is(Roles.Slow) || word.Is(Roles.Quick))
        {
            _draft.Slow |= word.Is(Roles.Slow);
            _draft.Quick |= word.Is(Roles.Quick);
        }
        else if (word.Is(Roles.Body) || word.Is(Roles.BodyVerb))
        {
            BodyWords(word, from);
        }
        else if (word.Wall is { } wall)
        {
            _draft.FactFacing = wall;
        }
        else if (word.Is(Roles.Each))
        {
            if (_draft.Turn is { } turn)
            {
                _draft.Turn = turn with { Each = true, Spread = false };
            }
            else if (!word.Is(Roles.Filler))
            {
                _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            }
        }
        else if (word.Is(Roles.Part) && _draft.HasHead)
        {
            _last = Kind.Other;
        }
        else if (word.Text == "up" && _draft.Verb == Verbs.Stomp)
        {
            _draft.Verb = Verbs.StompUp;
        }
        else if (!IsOwned(word))
        {
            _draft.UnknownFirst |= !_draft.HasHead && _draft.Feet.Count == 0 && _draft.Direction == Direction.None;
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            _last = Kind.Other;
        }

        Grow(from);
    }

    /// <summary>Small words, and such as only join, need no owner of their own; every other word has found one by now or is told.</summary>
    private bool IsOwned(Lexeme word) =>
        word.Is(Roles.Filler | Roles.Foot | Roles.And | Roles.With | Roles.Then | Roles.To | Roles.For | Roles.Counts | Roles.Starting)
        || (word.Is(Roles.Part | Roles.Bend | Roles.Turning | Roles.Turn | Roles.Onto | Roles.Ends) && _draft.HasHead)
        || word.Kind is TokenKind.Separator or TokenKind.Open or TokenKind.Close;

    private void Grow(int from)
    {
        for (var i = from; i < _at; i++)
        {
            _draft.Span = _draft.Span.Length == 0 ? _words[i].Span : _draft.Span.To(_words[i].Span);
        }
    }

    private void Close()
    {
        if (_number > 0)
        {
            Number(_number, _numberSpan, after: true);
        }

        if (!_draft.SaysNothing || _draft.Leads || _draft.Slow || _draft.Span.Length > 0)
        {
            _drafts.Add(_draft);
        }

        _draft = new Draft();
        (_last, _parted, _number) = (Kind.Nothing, false, 0);
    }

    /// <summary>A verb or a step's name: the deed of this phrase, a part of the deed before it, or the next phrase.</summary>
    private void Head(Lexeme word)
    {
        var verb = word.Verb;
        if (_draft.HasHead && !Joins(word, verb))
        {
            var foot = _draft.FeetFirst && _last == Kind.Foot && _draft.Feet.Count > 1 ? _draft.Feet[^1] : Foot.None;
            var number = _number;
            var span = _numberSpan;
            if (foot != Foot.None)
            {
                _draft.Feet.RemoveAt(_draft.Feet.Count - 1);
            }

            _number = 0;
            Close();
            (_number, _numberSpan) = (number, span);
            if (foot != Foot.None)
            {
                _draft.Feet.Add(foot);
            }
        }

        if (!_draft.HasHead)
        {
            _draft.Head = word;
            _draft.Step = word.Step;
            _draft.Verb = word.Step is null ? verb : null;
            _draft.Plural = word.Plural;
            _draft.FeetFirst = _draft.Feet.Count > 0;
            _draft.TurnBefore = _draft.Turn is not null;
            if (_number > 0)
            {
                Number(_number, _numberSpan, after: false);
                _number = 0;
            }
        }

        _last = Kind.Head;
    }

    /// <summary>"Cross rock" rocks across, "toe touch" touches, "step together" closes: two deeds that are one.</summary>
    private bool Joins(Lexeme word, Verb? verb)
    {
        if (_draft.Step is { IsManner: true } manner && word.Step is { IsManner: false } && _last is Kind.Head)
        {
            _draft.Manner = manner;
            (_draft.Head, _draft.Step) = (word, word.Step);
            return true;
        }

        if (word.Step is { } step && verb is null)
        {
            if (_draft.Verb is { } way && way.Has(VerbTraits.WayWord) && _last == Kind.Head)
            {
                // "Cross shuffle" by any other name: the word before only says where.
                _draft.Direction = way.Default;
                (_draft.Head, _draft.Step, _draft.Verb) = (word, step, null);
                return true;
            }

            // "Step sailor", "do a shuffle step".
            if (_draft.Verb is { } plain && plain.Has(VerbTraits.Plain) && _last == Kind.Head)
            {
                (_draft.Head, _draft.Step, _draft.Verb) = (word, step, null);
                return true;
            }

            return false;
        }

        if (verb is null)
        {
            return false;
        }

        if (_draft.Verb is not { } before)
        {
            // "Coaster step", "sailor steps": the plain word adds nothing.
            return _draft.Step is not null && verb.Has(VerbTraits.Plain) && _last == Kind.Head;
        }

        var apart = _parted && _last != Kind.Foot;
        if (before.Has(VerbTraits.Part) && !word.IsPart && !_parted)
        {
            (_draft.Head, _draft.Verb, _draft.Plural) = (word, verb, word.Plural);
            return true;
        }

        if (word.IsPart && !IsPartHead(_draft.Head) && !apart)
        {
            // "Touch the right toe back", "drop the heel".
            return true;
        }

        if (_last != Kind.Head && !(_last == Kind.Way && verb.Has(VerbTraits.Plain)))
        {
            // "Touch L together": no foot follows that could go there.
            return verb.Has(VerbTraits.WayWord) && before.Kind is VerbKind.Takes or VerbKind.Leaves && (!_parted || (word.Direction != Direction.None && NextFoot(_at) is null)) && Together(word, verb, before);
        }

        if (before.Has(VerbTraits.WayWord) && !verb.Has(VerbTraits.WayWord))
        {
            _draft.Direction = _draft.Direction == Direction.None ? before.Default : _draft.Direction;
            (_draft.Head, _draft.Verb, _draft.Plural) = (word, verb, word.Plural);
            return true;
        }

        if (verb.Has(VerbTraits.WayWord))
        {
            // "Step together" closes, "step cross" crosses.
            return Together(word, verb, before);
        }

        return verb.Has(VerbTraits.Plain) && before.Kind is VerbKind.Takes;
    }

    private static bool IsPartHead(Lexeme? head) => head is { IsPart: true };

    private bool Together(Lexeme word, Verb verb, Verb before)
    {
        if (before.Has(VerbTraits.Plain) && _draft.Direction == Direction.None)
        {
            (_draft.Head, _draft.Verb) = (word, verb);
            return true;
        }

        return Lay(verb.Default);
    }

    private bool Lay(Direction way)
    {
        _draft.Direction = _draft.Direction == Direction.None ? way : _draft.Direction;
        return true;
    }

    private void Pivoting(Lexeme word)
    {
        if (!_draft.HasHead)
        {
            _draft.Head = word;
            _draft.Verb = word.Text.StartsWith("pivot", StringComparison.Ordinal) ? Verbs.Pivot : Verbs.Turn;
        }

        if (NextFoot(_at) is { } foot)
        {
            _draft.Feet.Add(_words[foot].Foot);
            _draft.OnStandingFoot = true;
            _at = foot + 1;
        }

        _last = Kind.Head;
    }

    private void FootWord(Lexeme word)
    {
        if (_at > 1 && _words[_at - 2].Is(Roles.To) && _at < _to && _words[_at].Direction == Direction.Side && word.Foot.IsSingle() && (_draft.HasHead || _draft.Feet.Count > 0))
        {
            // "Rock to R side".
            _draft.Way = word.Foot == Foot.Right ? 1 : -1;
            _at++;
            return;
        }

        if (word.Foot.IsSingle() && _draft.Turn is { Side: 0, IsOpen: false, Target: null } turning && TurnsByItself && _last is Kind.Head or Kind.Turn && _draft.Feet.Count > 0)
        {
            // "R fwd, 1/2 pivot L": the side of the turn, said behind it.
            _draft.Turn = turning with { Side = word.Side };
            return;
        }

        // "Step in beside the left": it is the other foot that steps.
        if (_last == Kind.Way && _draft.Direction == Direction.Beside && _draft.HasHead && _draft.Feet.Count == 0 && word.Foot.IsSingle())
        {
            _draft.Feet.Add(word.Foot.Other());
            _last = Kind.Other;
            return;
        }

        // "Touch L beside R", "cross right over left": the second foot only says beside or over what.
        var isReference = _last == Kind.Way && _draft.Feet.Count > 0 && _draft.Direction is Direction.Across or Direction.Behind or Direction.Beside
            && word.Foot.IsSingle();
        if (isReference)
        {
            _last = Kind.Other;
            return;
        }

        if (word.Foot.IsSingle() && _draft.Verb is { } aside && aside.Has(VerbTraits.Aside))
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

        _draft.Feet.Add(word.Foot);
        _parted |= _draft.HasHead;
        _last = Kind.Foot;
    }

    private void WayWord(Lexeme word)
    {
        var way = word.Direction;
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
        _last = Kind.Way;
    }

    private Direction NextWay() => _at < _to ? _words[_at].Direction : Direction.None;

    /// <summary>Arms or hips said along with a deed: the rest of the clause is theirs.</summary>
    private void BodyWords(Lexeme word, int from)
    {
        if (_draft.Verb is { } verb && (verb.Has(VerbTraits.Hips) || word.Is(Roles.Bend)))
        {
            _last = Kind.Other;
            return;
        }

        if (_draft.HasHead && !word.Is(Roles.Filler))
        {
            var start = _words[from].Span.Start;
            var end = _words[_to - 1].Span.End;
            _draft.Layers.Add(_text[start..end]);
            _at = _to;
        }
        else if (!word.Is(Roles.Filler))
        {
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
        }
    }

    private void Number(Lexeme word)
    {
        if (_number > 0)
        {
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            return;
        }

        if (_draft.HasHead && !HasDeedAhead(_at))
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
        if (_draft.Times > 1 || number > 512 || (!_draft.HasHead && after))
        {
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
            for (var i = at + 1; i < _to && i < at + 4; i++)
            {
                if (_words[i].Foot != Foot.None)
                {
                    _draft.Onto = _words[i].Foot;
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
        if (at < _to && _words[at].Is(Roles.Facing) && _draft.Turn is null && !TurnsByItself && WallAt(at + 1, bareHour: true) is { } wall && wall.Facing is { } facing)
        {
            _draft.FactFacing = facing;
            _at = wall.Next;
            return true;
        }

        return false;
    }

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

        return at + 2 < _to && _words[at].Is(Roles.Body) && _words[at].Text is "body" or "shoulders" && _words[at + 1].Is(Roles.To | Roles.Facing) && WallAt(at + 2, bareHour: true) is not null ? 2
            : at + 1 < _to && _words[at].Is(Roles.Body) && _words[at].Text is "body" or "shoulders" && _words[at + 1].Text is "to the corner" or "to the front" or "to the diagonal" ? 1 : 0;
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
            else if (!word.Is(Roles.To | Roles.Corner | Roles.Facing | Roles.Body) && word.Direction is not (Direction.DiagonalForward or Direction.DiagonalBack) && !IsSmall(at))
            {
                break;
            }
        }

        _draft.Angle = target is not null ? new Turn(null, 0, target) : new Turn(amount ?? 1, side);
        _at = at;
        return true;
    }

    private void Past(Roles roles)
    {
        while (_at < _to && _words[_at].Is(roles) && _words[_at].Foot == Foot.None)
        {
            _at++;
        }
    }

    /// <summary>"4 counts", "for 8".</summary>
    private bool TryCounts()
    {
        var at = _at;
        var said = _words[at].Is(Roles.For);
        if (said)
        {
            at++;
        }

        if (at >= _to || _words[at].Number <= 0)
        {
            return false;
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

    private bool TryOperation()
    {
        var word = _words[_at];
        var operation = word.Is(Roles.OtherSide) ? Operation.OtherSide | Operation.Again
            : word.Is(Roles.Same | Roles.Again) && !word.Is(Roles.Filler) ? Operation.Again
            : word.Text is "again" && !_draft.HasHead ? Operation.Again
            : word.Is(Roles.Repeat) && !_draft.HasHead ? Operation.Again
            : Operation.None;
        if (operation == Operation.None || (_draft.HasHead && _drafts.Count == 0 && !word.Is(Roles.OtherSide)))
        {
            return false;
        }

        _draft.Operation |= operation;
        _at++;
        return true;
    }

    /// <summary>A clause of arms, hips or head: all its words are kept and no foot moves.</summary>
    private Draft? BodyClause()
    {
        var first = _at;
        while (first < _to && _words[first].Is(Roles.Filler) && !_words[first].Is(Roles.Body | Roles.BodyVerb) && _words[first].Foot == Foot.None && _words[first].Step is null)
        {
            first++;
        }

        if (first >= _to)
        {
            return null;
        }

        // "Right hand points up": the side is the hand's.
        var noun = first;
        while (noun < _to && (_words[noun].Foot != Foot.None || _words[noun].Side != 0 || (_words[noun].Is(Roles.Filler) && noun > first)) && !_words[noun].Is(Roles.Body))
        {
            noun++;
        }

        var named = noun < _to && _words[noun].Is(Roles.Body) && _words[noun].Step is null;
        var head = _words[first];
        var isBodyVerb = head.Step is null && (head.Is(Roles.BodyVerb) || (head.Verb is { } own && own.Has(VerbTraits.Body)));
        if (!named && !isBodyVerb)
        {
            return null;
        }

        var onto = Foot.None;
        var feet = 0;
        var deeds = 0;
        for (var i = first; i < _to; i++)
        {
            if (_words[i].Is(Roles.Onto) && i + 1 < _to && _words[i + 1].Foot != Foot.None)
            {
                onto = _words[i + 1].Foot;
            }

            feet += _words[i].Foot != Foot.None && onto == Foot.None && !(named && i < noun) ? 1 : 0;
            deeds += i != first && _words[i].Verb is { } verb && !verb.Has(VerbTraits.Body) && verb.Kind != VerbKind.NoFoot && !_words[i].IsPart ? 1 : 0;
        }

        // A verb of the legs with a foot is a deed of that foot: "swing L across", "sway R".
        if (head.Verb is not null && feet > 0 && !named && !head.Is(Roles.BodyVerb))
        {
            return null;
        }

        if (head.Verb is { Kind: VerbKind.Standing } && !named && _genre == "percussive")
        {
            return null;
        }

        if (named && _words.Skip(noun).Take(_to - noun).Any(w => w.Verb is { } v && v.Has(VerbTraits.Hips)) && feet > 0)
        {
            return null;
        }

        if (head.Verb is { Kind: VerbKind.Takes } && !named && deeds == 0 && _words.Skip(first + 1).Take(_to - first - 1).Any(w => w.IsPart || w.Is(Roles.Part)))
        {
            // "Drop the heel" is the foot's.
            return null;
        }

        var span = _words[_at].Span.To(_words[_to - 1].Span);
        var draft = new Draft { Body = span.In(_text), Verb = Verbs.Body, Span = span, Onto = onto };
        for (var i = first; i < _to; i++)
        {
            if (_words[i].Times > 0 && _words[i].Kind == TokenKind.Times)
            {
                draft.Times = Math.Clamp(_words[i].Times, 1, 512);
            }

            if (_words[i].Number > 0 && ((i > 0 && _words[i - 1].Is(Roles.For)) || (i + 1 < _to && _words[i + 1].Is(Roles.Counts))))
            {
                draft.Counts = _words[i].Number;
            }
        }

        return draft;
    }
}
