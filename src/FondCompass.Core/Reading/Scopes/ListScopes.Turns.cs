using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Turns that stand alone, each laid on the deed it belongs to.</summary>
internal sealed partial class ListScopes
{
    /// <summary>"Step R, turn 1/4 left, step L": it may belong to either.</summary>
    public static bool IsBetween(PhraseDraft? before, PhraseDraft turn, PhraseDraft? behind) =>
        turn is { IsTurnOnly: true, Joint: ClauseJoint.Comma, Times: 1, Turn: { Each: false, Spread: false } }
            && before is { HasHead: true, Body: null, Turn: null, Verb: not { Kind: VerbKind.NoFoot } }
        && behind is
        {
            HasHead: true, Body: null, Turn: null, Joint: ClauseJoint.Comma
            or ClauseJoint.Then, Verb: not { Kind: VerbKind.NoFoot }
        };

    private void LayTurn(PhraseDraft draft, PhraseDraft? next)
    {
        var turn = draft.Turn!;
        var alone = _scope.TurnsAlone && Last is { Verb.Kind: VerbKind.Takes, Feet.Count: <= 1 };
        if (alone)
        {
            _items.Add([Turning(Verbs.Pivot, draft)]);
            return;
        }

        if (draft is { Counts: > 1, HasHead: false, Times: 1 } && !turn.Spread && next is { HasHead: true })
        {
            // "Full turn left for three counts, touch R": what has counts of its own is no part of what follows.
            _items.Add([Turning(Verbs.Turn, draft)]);
            return;
        }

        if (_items.Count == 0 && _waiting is { IsOpen: true } open && draft.Times == 1 && next is not null && !open.Contradicts(turn))
        {
            // "Turn to the right, once round, R L R L": the one says where to, the other how far.
            (turn, _waiting) = (open.With(turn), null);
            draft.Turn = turn;
        }

        // "Turn 1/2 right and close": the turn comes before what it is joined to.
        var ahead = _scope.TurnsAhead && IsBetween(Last, draft, next);
        var leads = ahead
            || next is { HasHead: true, Body: null, Turn: null } && next.Verb is not { Kind: VerbKind.NoFoot } && (_items.Count == 0
            || (next.Joint is ClauseJoint.And or ClauseJoint.With or ClauseJoint.Then
                && next.Verb is { Kind: VerbKind.Takes }
                && draft.Joint != ClauseJoint.With));
        if (leads || _items.Count == 0)
        {
            if (_waiting is null && draft.Times == 1 && next is not null and not { Verb.Kind: VerbKind.NoFoot })
            {
                // "Full turn stepping R L R", "full turn, R L R L": while they step.
                var along = (next is { Joint: ClauseJoint.None or ClauseJoint.With, Feet.Count: > 1, Head.Text: { } going }
                    && going.EndsWith("ing", StringComparison.Ordinal))
                    || (next is { IsFeetOnly: true, Feet.Count: > 1 } && turn.Amount > HalfTurn);
                _waiting = along ? turn with { Spread = true, First = false } : turn with { First = true, Spread = false };
                _waitingDraft = draft;
                return;
            }

            _items.Add([Turning(Verbs.Turn, draft)]);
            return;
        }

        var last = Last!;
        last.Absorb(draft);
        if (draft.Times > 1 && last is { Body: null, Times: 1, Turn: null } && last.Verb is not { Kind: VerbKind.NoFoot, Unwinds: false })
        {
            // "Touch R side, turn 1/4 right x2": what is turned is done as often.
            (last.Times, last.TimesSaid, last.Turn) = (draft.Times, true, turn with { Each = !turn.Spread });
        }
        else if (turn.Each)
        {
            foreach (var item in last.Feet.Count > 1 || last.Plural || last.Times > 1 || last.Step is not null ? [_items[^1]] : _items)
            {
                item[0].Turn = item[0].Turn is { IsOpen: true } unsaid ? unsaid.With(turn) : item[0].Turn ?? turn;
            }
        }
        else if (last.Body is not null || last.Verb is { Kind: VerbKind.NoFoot, Unwinds: false })
        {
            _items.Add([Turning(Verbs.Turn, draft)]);
        }
        else if (last.Turn is null || last.Turn.IsOpen)
        {
            if (turn.Spread && last.Feet.Count <= 1 && last.Step is null && last.Times == 1 && _items.Count > 1
                && _items.TrueForAll(i => i[0].Verb == last.Verb))
            {
                _items.ForEach(i => i[0].Turn = turn);
            }
            else
            {
                last.Turn = last.Turn?.With(turn) ?? turn;
            }
        }
        else
        {
            _items.Add([Turning(Verbs.Turn, draft)]);
        }
    }

    private static PhraseDraft Turning(Verb verb, PhraseDraft draft) => new()
    {
        Verb = verb,
        Turn = draft.Turn! with { Spread = false },
        Span = draft.Span,
        Onto = draft.Onto,
        Counts = draft.Counts,
        Paces = draft.Paces,
        Times = draft.Times,
        TimesSaid = draft.TimesSaid,
        IsOpenTurn = draft.StandsApart
        && draft.Onto == Foot.None && !draft.OnStandingFoot
    };
}
