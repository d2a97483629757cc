using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>
/// Reads one clause, what stands between two separators: the deeds in it, and with each its feet, way, turn and number. A word
/// belongs to the deed it stands with; what names no deed is left to the list (see <see cref="ListReader"/>).
/// </summary>
internal sealed partial class ClauseReader
{
    private readonly IReadOnlyList<Lexeme> _words;
    private readonly int _from;
    private readonly int _to;
    private readonly string _text;
    private readonly string _genre;
    private readonly List<PhraseDraft> _drafts = [];
    private PhraseDraft _draft = new();
    private int _at;

    /// <summary>What came last in the draft, to tell what the next word hangs on.</summary>
    private Kind _last;

    /// <summary>A foot, a turn or a number has come since the deed, so that another deed is another phrase.</summary>
    private bool _parted;

    /// <summary>The part of the foot has been said: "swivel heels".</summary>
    private bool _partSaid;

    /// <summary>In this clause the way stands before its foot: "forward R back L".</summary>
    private bool _wayFirst;

    /// <summary>In this clause the foot stands before its deed: "R touch".</summary>
    private bool _footFirst;

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
        (_words, _from, _at, _to, _text, _genre) = (words, from, from, to, text, genre);

    public static List<PhraseDraft> Read(IReadOnlyList<Lexeme> words, int from, int to, string text, string genre) =>
        new ClauseReader(words, from, to, text, genre).Read();

    private List<PhraseDraft> Read()
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
        if (word.Amount > 0 && (_draft.HasHead || IsWhole) && _draft.Turn is null && TurnsItself(_at + 1))
        {
            // "Step R forward 1/2 pivot L": how far the next deed turns.
            Close();
        }

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
        else if (TryLead(word))
        {
            _draft.Leads = true;
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
        else if (word.Direction != Direction.None && !(word.Is(Roles.For) && (IsNumberAhead() || AreFeetAhead())))
        {
            WayWord(word);
        }
        else
        {
            Small(word, from);
        }

        Grow(from);
    }

    /// <summary>Which foot leads: "starting with the left", "R leads".</summary>
    private bool TryLead(Lexeme word)
    {
        if (word.Is(Roles.Starting) && NextFoot(_at) is { } lead && !HasDeedAhead(lead + 1))
        {
            _draft.Feet.Add(_words[lead].Foot);
            _at = lead + 1;
            return true;
        }

        if (word.Foot.IsSingle() && _at + 1 == _to && _words[_at].Is(Roles.Leads))
        {
            _draft.Feet.Add(word.Foot);
            _at++;
            return true;
        }

        return false;
    }

    /// <summary>A word that is no deed, foot, way or number: pace, body, wall, each, weight; else it is told.</summary>
    private void Small(Lexeme word, int from)
    {
        if (word.Is(Roles.Slow) || word.Is(Roles.Quick))
        {
            _draft.Paces.Add(word.Is(Roles.Slow) ? Pace.Slow : Pace.Quick);
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
            if (_draft is { HasHead: false, Counts: > 0, Turn: null })
            {
                _draft.IsLengthOfEach = true;
            }
            else if (_draft.Turn is { } turn)
            {
                _draft.Turn = turn with { Each = true, Spread = false };
            }
            else if (!word.Is(Roles.Filler))
            {
                _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            }
        }
        else if (word.Is(Roles.Onto))
        {
            _draft.SaysWeight = true;
            if (!IsOwned(word))
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
        else if (!IsOwned(word) || (word.Is(Roles.Level) && from == _from && IsLastButTimes))
        {
            _draft.IsIdle = word.Is(Roles.Level);
            _draft.UnknownFirst |= !_draft.HasHead && _draft.Feet.Count == 0 && _draft.Direction == Direction.None;
            _draft.Unread.Add(new UnreadWord(word.Text, word.Span));
            _last = Kind.Other;
        }
    }

    /// <summary>Small words, and such as only join, need no owner of their own; every other word has found one by now or is told.</summary>
    private bool IsOwned(Lexeme word) =>
        word.Is(Roles.Filler | Roles.Foot | Roles.And | Roles.With | Roles.Then | Roles.To | Roles.For | Roles.Counts | Roles.Starting)
        || (word.Is(Roles.Part | Roles.Bend | Roles.Turning | Roles.Turn | Roles.Onto | Roles.Ends) && _draft.HasHead)
        || word.Kind is TokenKind.Separator or TokenKind.Open or TokenKind.Close;

    /// <summary>Nothing but how often follows.</summary>
    private bool IsLastButTimes => _at == _to || (_at + 1 == _to && _words[_at].Times > 0);

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

        if (_draft
            is { TurnBefore: true, TimesInAll: true, Step: not null, Turn: { Side: 0, IsOpen: false, Target: null, InAll: false } each })
        {
            // "Two 1/4 jazz boxes": each turns so, whichever way.
            _draft.Turn = each with { Each = true };
        }

        if (_draft is { Direction: Direction.Beside, Step: null, Verb.Brought: { } brought })
        {
            _draft.Verb = Verbs.Find(brought);
        }

        if (_draft.Head is { } head)
        {
            _draft.NameSaid = Foreign(head);
        }

        if (!_draft.SaysNothing || _draft.Leads || _draft.Paces.Count > 0 || _draft.Span.Length > 0)
        {
            _drafts.Add(_draft);
        }

        _draft = new PhraseDraft();
        (_last, _parted, _partSaid, _number) = (Kind.Nothing, false, false, 0);
    }

    private void Past(Roles roles)
    {
        while (_at < _to && _words[_at].Is(roles) && _words[_at].Foot == Foot.None)
        {
            _at++;
        }
    }
}
