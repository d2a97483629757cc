using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>
/// "Without weight", "no touch", "brush instead of touch", "kick on 4": what changes a deed that was named before (reading, section 3).
/// </summary>
internal sealed partial class ListScopes
{
    /// <summary>Takes what the clause names away from the nearest deed that has it; where none has, it is styling.</summary>
    private void LayWithout(PhraseDraft clause)
    {
        if (Last is not { } last)
        {
            _unreadable.Add(new UnreadWord(clause.Whole.In(_text), clause.Whole));
            return;
        }

        var named = clause.Verb ?? (clause.Step is { Forms: [{ Actions: [var only] }, ..] } ? only.Phrase.Verb : null);
        var count = clause.OnCount > 0 ? clause.OnCount : clause.BareNumber;
        // What a step has of its own inside, or says by its ways, is not taken out of it: that would be another step.
        var isInside = (named is not null && named.Has(VerbTraits.WayWord))
            || ((clause.IsTurnOnly || clause.Verb is { IsTurn: true }) && _items
            .Exists(i => i[0] is { Verb.IsTurn: true } || i[0].Step?.Forms[0].Actions.Any(a => a.Phrase.Turn is not null) == true));
        var isGone = count > 0 && named is null ? clause.Joint == ClauseJoint.Without && WithoutCount(last, count, clause)
            : clause.Joint == ClauseJoint.Instead ? named is not null && GivesWay(named)
            : clause.SaysWeight && clause.Feet.Count == 0 ? WithoutWeight(last)
            : clause.IsTurnOnly || clause.Verb is { IsTurn: true } ? WithoutTurn()
            : named is not null && WithoutDeed(named);
        if (isGone)
        {
            last.Span = last.Span.To(clause.Whole);
        }
        else if (clause.Joint == ClauseJoint.Without
            && !isInside
            && !clause.SaysWeight
            && clause.Feet.Count == 0
            && clause.Direction == Direction.None
            && clause.Times == 1 && clause.Counts == 0 && clause.OnCount == 0 && clause.Unread.TrueForAll(u => !u.Text.Any(char.IsDigit)))
        {
            // "No rushing": there is nothing to take away.
            last.Layers.Add(clause.Whole.In(_text));
            last.Span = last.Span.To(clause.Whole);
        }
        else
        {
            last.Unread.Add(new UnreadWord(clause.Whole.In(_text), clause.Whole));
        }
    }

    /// <summary>"Vine R, smooth and low", "shuffle R like a gull": words that name no deed, foot or number, behind a whole one.</summary>
    private void LayUnknown(PhraseDraft draft)
    {
        if (_scope.Styled && Last is { Unread.Count: 0 } last
            && draft is { Turn: null, Feet.Count: 0, Times: 1, Counts: 0, OnCount: 0, BareNumber: 0 }
            && draft.Span.In(_text).Any(char.IsLetter))
        {
            if (_styling is { } before && last.Layers is [.., var layer] && layer == before.In(_text))
            {
                // "Smooth and low" is one.
                last.Layers.RemoveAt(last.Layers.Count - 1);
                _styling = before.To(draft.Whole);
            }
            else
            {
                _styling = draft.Whole;
            }

            last.Layers.Add(_styling.Value.In(_text));
            last.Span = last.Span.To(draft.Whole);
            return;
        }

        _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
    }

    /// <summary>The words taken for styling last; null where none are.</summary>
    private TextSpan? _styling;

    /// <summary>A step without weight is a touch; a stomp without weight has a name of its own.</summary>
    private static bool WithoutWeight(PhraseDraft last)
    {
        if (last is not { Step: null, Verb: { Kind: VerbKind.Takes or VerbKind.Leaves } verb, Feet.Count: <= 1, Times: 1 })
        {
            return false;
        }

        if (verb.Kind == VerbKind.Takes)
        {
            last.Direction = last.Direction == Direction.None ? verb.Default : last.Direction;
            last.Verb = verb == Verbs.Stomp ? Verbs.StompUp : Verbs.Touch;
        }

        return true;
    }

    /// <summary>
    /// "Vine R, not on 4": the last count of a step that is danced once; any other is told, and so is one that the row's counts belie.
    /// </summary>
    private bool WithoutCount(PhraseDraft last, int count, PhraseDraft clause)
    {
        if (!IsLastCount(last, count))
        {
            return false;
        }

        _items.Add([
            new PhraseDraft { Verb = Verbs.Hold, EndsStep = true, OnCount = count, Span = clause.Whole, Joint = ClauseJoint.With }
        ]);
        return true;
    }

    private bool IsLastCount(PhraseDraft named, int count) => named is { Step: { } step, Times: 1, Feet.Count: <= 1 } && _items.Count == 1
        && count % step.Forms[0].Counts == 0;

    private bool WithoutTurn()
    {
        if (_items.FindLast(i => i[0].Turn is not null) is not [var turned, ..] || turned.Verb is { IsTurn: true })
        {
            return false;
        }

        turned.Turn = null;
        return true;
    }

    private bool WithoutDeed(Verb verb)
    {
        for (var i = _items.Count - 1; i >= 0; i--)
        {
            var deed = _items[i][0];
            if (deed is { Step: null, Verb.Whole: not null } && verb.Has(VerbTraits.Stays))
            {
                // "Rock forward, do not recover": it is not danced whole.
                deed.Without.Add(verb);
                return true;
            }

            if (deed.Step is null && deed.Verb == verb)
            {
                // Its count is held.
                _items[i] = [new PhraseDraft { Verb = Verbs.Hold, Span = deed.Span, Joint = deed.Joint }];
                return true;
            }

            if (deed.Step is { } step && step.Forms.Any(f => f.Actions.Any(a => a.Phrase.Verb == verb)))
            {
                deed.Without.Add(verb);
                return true;
            }
        }

        return false;
    }

    /// <summary>"Vine R, brush instead of touch": the ending of the step gives way to the deed behind it.</summary>
    private bool GivesWay(Verb verb)
    {
        if (_items is not [.., [{ Step: { } step }, ..], [var ending, ..]] || step.Forms[0].Actions[^1].Phrase.Verb != verb)
        {
            return false;
        }

        ending.EndsStep = true;
        return true;
    }

    /// <summary>"Vine R, kick on 4": on the last count of the step it takes its place; any other count is told.</summary>
    private void LayOnCount(PhraseDraft draft)
    {
        if (draft.HasHead && Last is { } named && IsLastCount(named, draft.OnCount))
        {
            draft.EndsStep = true;
            Add(draft);
            return;
        }

        draft.OnCount = 0;
        if (draft.HasHead)
        {
            draft.Unread.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
            LayDeed(draft);
            return;
        }

        (Last ?? draft).Unread.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        if (Last is null)
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }
    }
}
