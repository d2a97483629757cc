using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Clauses;

/// <summary>Arms, hips and what else is done by the body.</summary>
internal sealed partial class ClauseReader
{
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
