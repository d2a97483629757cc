using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

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
}
