using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>What is done: verbs and steps, pivots, arms and hips, what acts on the steps before.</summary>
internal sealed partial class ClauseReader
{
    /// <summary>A verb or a step's name: the deed of this phrase, a part of the deed before it, or the next phrase.</summary>
    private void Head(Lexeme word)
    {
        var verb = word.Verb;
        if (_draft.Swivel is { } aside
            && verb is { } part
            && part.Has(VerbTraits.Part)
            && word.Step is null
            && _draft.Feet is [] or [Foot.Both])
        {
            // "Swivel heels, toes, heels": each part once more the same deed.
            if (_partSaid || _draft.Step is not null)
            {
                var head = _draft.Head;
                Close();
                (_draft.Head, _draft.Verb) = (head, aside);
            }

            if (!word.Plural && _draft.Way != 0 && _draft.Feet.Count == 0)
            {
                // "Swivel R heel": of one heel the side says whose it is.
                _draft.Feet.Add(_draft.Way > 0 ? Foot.Right : Foot.Left);
                _draft.Way = 0;
            }

            if (word.Plural && _draft.Step is null && _draft.Feet.Count == 0)
            {
                _draft.Feet.Add(Foot.Both);
            }

            (_partSaid, _last) = (true, Kind.Head);
            return;
        }

        var isElsewhere = verb is { } other && other.Has(VerbTraits.WayWord) && Contradict(_draft.Direction, other.Default);
        if (!_draft.HasHead
            && (isElsewhere || (IsWhole && (_last == Kind.Turn || (NextFoot(_at) is { } ahead && (_wayFirst || !BeginsDeed(ahead + 1)))))))
        {
            // "Side R touch L", "side close": where it goes is said, and here comes the next deed.
            Close();
        }

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
            _footFirst |= _draft.FeetFirst;
            _draft.TurnBefore = _draft.Turn is not null;
            if (_number > 0)
            {
                Number(_number, _numberSpan, after: false);
                _number = 0;
            }
        }

        _last = Kind.Head;
    }

    private static bool IsPartHead(Lexeme? head) => head is { IsPart: true };

    private bool Together(Lexeme word, Verb verb, Verb before)
    {
        if (before.Has(VerbTraits.Plain) && _draft.Direction == Direction.None)
        {
            (_draft.Head, _draft.Verb) = (word, verb);
            return true;
        }

        return !Contradict(
            _draft.Direction == Direction.None && before.Has(VerbTraits.WayWord) ? before.Default : _draft.Direction,
            verb.Default)
            && Lay(verb.Default);
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
    private PhraseDraft? BodyClause()
    {
        var (first, times, paces) = HowManyAhead();
        while (first < _to
            && _words[first].Is(Roles.Filler)
            && !_words[first].Is(Roles.Body | Roles.BodyVerb)
            && _words[first].Foot == Foot.None
            && _words[first].Step is null)
        {
            first++;
        }

        if (first >= _to)
        {
            return null;
        }

        // "Right hand points up": the side is the hand's.
        var noun = first;
        while (noun < _to
            && (_words[noun].Foot != Foot.None || _words[noun].Side != 0 || (_words[noun].Is(Roles.Filler) && noun > first))
            && !_words[noun].Is(Roles.Body))
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
            deeds += i != first
                && _words[i].Verb is { } verb
                && !verb.Has(VerbTraits.Body)
                && verb.Kind != VerbKind.NoFoot
                && !_words[i].IsPart
                ? 1
                : 0;
        }

        if (IsOfTheFeet(first, noun, named, feet, deeds))
        {
            return null;
        }

        // How often is a number, and no word of what is done.
        var last = _words[_to - 1] is { Kind: TokenKind.Times, Times: > 0 } && _to - 1 > first ? _to - 2 : _to - 1;
        var span = _words[_at].Span.To(_words[_to - 1].Span);
        var told = _words[times > 1 || paces.Count > 0 ? first : _at].Span.To(_words[last].Span);
        var draft = new PhraseDraft
        {
            Body = string.Join(' ', told.In(_text).Split(' ', StringSplitOptions.RemoveEmptyEntries)),
            Verb = Verbs.Body,
            Span = span,
            Onto = onto,
            Times = Math.Max(1, times),
            TimesSaid = times > 1,
            Paces = paces
        };
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

        // "Hips R L R L": a count to each side, where several are said one after another.
        var sides = _words.Take(_to).Skip(noun).Reverse().TakeWhile(w => w.Foot.IsSingle() || w.Side != 0).Count();
        draft.CountsBySides = draft.Counts == 0 && sides > 1;
        draft.Counts = draft.CountsBySides ? sides : draft.Counts;
        return draft;
    }

    /// <summary>"Two slow …": the first word behind a number and words of pace, and what those say.</summary>
    private (int First, int Times, List<Pace> Paces) HowManyAhead()
    {
        var first = _at;
        var (times, paces) = (0, new List<Pace>());
        while (first < _to && (times == 0 ? _words[first].Number : 0) > 0 | _words[first].Is(Roles.Slow | Roles.Quick)
            && _words[first] is { Step: null, Verb: null })
        {
            // "Two slow hip rolls".
            times = Math.Max(times, Math.Min(_words[first].Number, 512));
            if (_words[first].Is(Roles.Slow | Roles.Quick))
            {
                paces.Add(_words[first].Is(Roles.Slow) ? Pace.Slow : Pace.Quick);
            }

            first++;
        }

        return (first, times, paces);
    }

    /// <summary>Words of the body that tell what a foot does.</summary>
    private bool IsOfTheFeet(int first, int noun, bool named, int feet, int deeds)
    {
        var head = _words[first];
        // A verb of the legs with a foot is a deed of that foot: "swing L across", "sway R".
        if (head.Verb is not null && feet > 0 && !named && !head.Is(Roles.BodyVerb))
        {
            return true;
        }

        if (head.Verb is { Kind: VerbKind.Standing } && !named && _genre == "percussive")
        {
            return true;
        }

        if (named && _words.Skip(noun).Take(_to - noun).Any(w => w.Verb is { } v && v.Has(VerbTraits.Hips)) && feet > 0)
        {
            return true;
        }

        if (head.Verb is { Kind: VerbKind.Takes } && !named && deeds == 0 && _words.Skip(first + 1).Take(_to - first - 1)
            .Any(w => w.IsPart || w.Is(Roles.Part)))
        {
            // "Drop the heel" is the foot's.
            return true;
        }

        return false;
    }
}
