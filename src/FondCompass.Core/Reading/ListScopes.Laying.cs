using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading;

/// <summary>Clauses without a deed of their own, each laid on the deed it belongs to.</summary>
internal sealed partial class ListScopes
{
    private void LayBody(Draft draft)
    {
        if (Last is { Body: null } feet && (draft.Joint is Joint.With or Joint.And || _scope.BodyAlong))
        {
            feet.Layers.Add(draft.Body!);
            feet.Absorb(draft);
            return;
        }

        if (Last is { Body: not null } before && draft.Joint is Joint.Comma or Joint.And or Joint.Then && draft.Times == 1)
        {
            GoOn(before, draft);
            before.Onto = draft.Onto == Foot.None ? before.Onto : draft.Onto;
            return;
        }

        _items.Add([draft]);
    }

    /// <summary>One after another, they are told as one: "head looks left, front, right".</summary>
    private void GoOn(Draft body, Draft draft)
    {
        body.Absorb(draft);
        body.Body = body.Span.In(_text);
        // "Hips right x2, left x2": its words say how often.
        (body.Times, body.TimesSaid) = draft.TimesSaid || body.TimesSaid ? (1, false) : (body.Times, body.TimesSaid);
    }

    /// <summary>"Step R, turn 1/4 left, step L": it may belong to either.</summary>
    public static bool IsBetween(Draft? before, Draft turn, Draft? behind) =>
        turn is { IsTurnOnly: true, Joint: Joint.Comma, Times: 1, Turn: { Each: false, Spread: false } } && before is { HasHead: true, Body: null, Turn: null, Verb: not { Kind: VerbKind.NoFoot } }
        && behind is { HasHead: true, Body: null, Turn: null, Joint: Joint.Comma or Joint.Then, Verb: not { Kind: VerbKind.NoFoot } };

    private void LayTurn(Draft draft, Draft? next)
    {
        var turn = draft.Turn!;
        var alone = _scope.TurnsAlone && Last is { Verb.Kind: VerbKind.Takes, Feet.Count: <= 1 };
        if (alone)
        {
            _items.Add([Turning(Verbs.Pivot, draft)]);
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
        var leads = ahead || next is { HasHead: true, Body: null, Turn: null } && next.Verb is not { Kind: VerbKind.NoFoot } && (_items.Count == 0 || (next.Joint is Joint.And or Joint.With or Joint.Then && next.Verb is { Kind: VerbKind.Takes } && draft.Joint != Joint.With));
        if (leads || _items.Count == 0)
        {
            if (_waiting is null && draft.Times == 1 && next is not null and not { Verb.Kind: VerbKind.NoFoot })
            {
                // "Full turn stepping R L R", "full turn, R L R L": while they step.
                var along = (next is { Joint: Joint.None or Joint.With, Feet.Count: > 1, Head.Text: { } going }
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
            if (turn.Spread && last.Feet.Count <= 1 && last.Step is null && last.Times == 1 && _items.Count > 1 && _items.TrueForAll(i => i[0].Verb == last.Verb))
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

    private static Draft Turning(Verb verb, Draft draft) => new() { Verb = verb, Turn = draft.Turn! with { Spread = false }, Span = draft.Span, Onto = draft.Onto, Paces = draft.Paces, Times = draft.Times, TimesSaid = draft.TimesSaid, IsOpenTurn = draft.StandsApart && draft.Onto == Foot.None && !draft.OnStandingFoot };

    private void LayTimes(Draft draft)
    {
        if (Last is { } last)
        {
            last.Times = draft.Times;
            last.TimesSaid = true;
            last.Absorb(draft);
        }
        else
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }
    }

    private void LayWay(Draft draft, Draft? next)
    {
        if (draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0 } && next is { Joint: Joint.Colon })
        {
            // "To the right: side, behind, side": where it begins.
            if (next.Feet.Count == 0)
            {
                next.Feet.Add(draft.Way > 0 ? Foot.Right : Foot.Left);
            }

            next.Absorb(draft);
            return;
        }

        if (Last is { Body: not null } body && draft.Feet.Count == 0)
        {
            GoOn(body, draft);
            return;
        }

        if (Last is { Step: not null, Way: 0, Feet.Count: 0 } sided
            && draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0, Joint: Joint.Comma or Joint.With })
        {
            // "Charleston, to the right": the side is the step's.
            sided.Way = draft.Way;
            sided.Absorb(draft);
            return;
        }

        if (Last is { Body: null, Verb: { } both } jump && both.Has(VerbTraits.BothFeet) && draft.Direction is Direction.Across or Direction.Behind && draft.Feet.Count > 0)
        {
            jump.Crossing = draft.Feet[0];
            jump.Direction = draft.Direction;
            jump.Absorb(draft);
            return;
        }

        if (Last is { Step: not null, Direction: Direction.None, Way: 0 } named && draft.Joint is Joint.Comma or Joint.And or Joint.With
            && (draft.Feet.Count > 0 ? (named.Feet.Count > 0 && draft.Feet[0] != named.Feet[^1] && (named.Step.Repeats || named.Plural || named.Step.GoesAnywhere)) || draft.Direction == Direction.Across : named.Step.Repeats || draft.Joint == Joint.With))
        {
            // "Toe struts R, L forward": each foot its own step, the way for all; "vine R, L forward" is a vine and a step.
            named.Feet.AddRange(draft.Feet);
            named.Direction = draft.Direction;
            named.Way = draft.Way;
            named.Absorb(draft);
            return;
        }

        if (Last is { Step: { } swaying, Way: var first, TimesSaid: false } sways && (first != 0 || sways.Feet.Count > 0)
            && draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0 }
                && swaying.Forms[0].Actions.All(a => a.Phrase.Verb?.Has(VerbTraits.Hips) == true))
        {
            // "Hip sways to the left, to the right": one to each side.
            sways.Feet.AddRange(sways.Feet.Count == 0 ? [SideOf(first)] : Array.Empty<Foot>());
            sways.Feet.Add(SideOf(draft.Way));
            sways.Way = 0;
            sways.Absorb(draft);
            return;
        }

        var step = draft.Copy();
        var like = Last;
        for (var i = _items.Count - 1; i >= 0 && like is { Verb: { } stays } && stays.Has(VerbTraits.Stays | VerbTraits.Holds); i--)
        {
            like = _items[i][0];
        }

        step.Verb = like switch
        {
            // "Tap R front, back, side": the same foot, the same deed.
            { Verb: { Kind: VerbKind.Leaves } leaves, Feet.Count: > 0 } when draft.Joint is Joint.Comma or Joint.And or Joint.Then && (draft.Feet.Count == 0 || IsLikeOnTheOther(like, draft)) => leaves,
            { Verb: { } aside } when aside.Has(VerbTraits.Aside) && draft.Feet.Count == 0 => aside,
            // "Sway to the left, to the right".
            { Verb: { Kind: VerbKind.Takes } hips, Feet.Count: 0, Way: not 0 } when hips.Has(VerbTraits.Hips)
                && draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0 } => hips,
            { Verb: { Kind: VerbKind.Takes } takes } when !takes.Has(VerbTraits.WayWord | VerbTraits.Hips | VerbTraits.BothFeet | VerbTraits.HalfStride | VerbTraits.Part) => takes,
            _ => Verbs.Step,
        };
        if (like is { Feet: [Foot.Both] } && draft.Feet.Count == 0 && step.Verb?.Has(VerbTraits.Aside) == true)
        {
            step.Feet.Add(Foot.Both);
        }

        if (step.Verb is { Kind: VerbKind.Leaves } && step.Feet.Count == 0 && like is not null)
        {
            step.Feet.AddRange(like.Feet.TakeLast(1));
        }

        Add(step);
    }

    /// <summary>"Point R to the side and L to the side": said alike of the other foot, it is the same deed.</summary>
    private static bool IsLikeOnTheOther(Draft deed, Draft draft) => draft.Feet is [var foot] && deed.Feet[^1] == foot.Other() && draft.Direction == deed.Direction && draft.Direction != Direction.None;

    private void LayRest(Draft draft)
    {
        if (draft.Feet.Count > 0 || draft.Direction != Direction.None)
        {
            // "1/4 left R": a step is meant.
            draft.Verb = Verbs.Step;
            draft.TurnBefore = draft.Turn is not null && !draft.TurnBehind;
            Add(draft);
        }
        else if (Last is { } last)
        {
            last.Absorb(draft);
            if (draft.IsLengthOfEach)
            {
                // Of the deeds of the last item where they are several, else of all before it.
                foreach (var item in Dancings(last) > 1 ? [_items[^1]] : _items)
                {
                    item[0].CountsEach = draft.Counts;
                }
            }
            else if (draft.Counts > 0)
            {
                if (draft.Bracketed && _items.Count > 1)
                {
                    _counts = draft.Counts;
                }
                else
                {
                    last.Counts = draft.Counts;
                }
            }

            if (draft is { Turn: { } turn } && last.Turn is null)
            {
                last.Turn = turn;
            }
        }
        else if (draft.Turn is not null)
        {
            // "1/4 left" alone: a step is meant.
            draft.Verb = Verbs.Step;
            draft.TurnBefore = true;
            Add(draft);
        }
        else if (!draft.HasFact && draft.Counts == 0 && draft.Span.Length > 0)
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }
        else if (draft.Counts > 0)
        {
            _counts = draft.Counts;
        }
    }

    /// <summary>"Heels out", of nobody's foot: both go on the floor.</summary>
    private static bool BothGo(Draft draft) => draft is { Plural: true, Way: 0, Times: 1 } && (draft is { Feet.Count: 0, Direction: Direction.In or Direction.Out or Direction.Side } or { Feet.Count: 1, Direction: Direction.None });

    /// <summary>"Swivel heels, toes, heels": both heels or both toes go on as the swivel before them did.</summary>
    private static bool SwivelsOn(Draft draft) =>
        (draft.Plural ? draft.Feet.Count <= 1 : draft.Feet is [Foot.Both]) && draft.Direction is Direction.None or Direction.Side or Direction.InPlace or Direction.In or Direction.Out;

    private void LayDeed(Draft draft)
    {
        if (draft is { Verb: { } toes, Step: null, Turn: null } && toes.Has(VerbTraits.Part) && (Last?.Swivel ?? (BothGo(draft) ? Verbs.Swivel : null)) is { } swivels && SwivelsOn(draft))
        {
            // "Swivel heels, toes, heels"; "swivel heels R, toes R".
            if (draft.Joint == Joint.Colon && Last?.Swivel is not null)
            {
                // "Swivels: heels, toes": what follows tells how they go.
                Last!.Absorb(draft);
                (Last.Plural, Last.Verb, Last.Step) = (false, swivels, null);
                Last.Feet.Add(Foot.Both);
                return;
            }

            draft.Verb = swivels;
            draft.Plural = false;
            if (draft.Feet is [var side] && side.IsSingle())
            {
                // Of both heels or both toes a side is where they go.
                draft.Way = side == Foot.Right ? 1 : -1;
            }

            draft.Feet.Clear();
            draft.Feet.Add(Foot.Both);
        }

        if (draft.Joint == Joint.With && Last is { } before)
        {
            if (draft.Step is { IsManner: true } manner && before.Step is { IsManner: false })
            {
                before.Manner = manner;
                before.Feet.AddRange(before.Feet.Count == 0 ? draft.Feet : []);
                before.Direction = before.Direction == Direction.None ? draft.Direction : before.Direction;
                before.Absorb(draft);
                return;
            }

            if (draft.Verb is { } sound && sound.Has(VerbTraits.Sound))
            {
                before.Layers.Add(draft.Span.In(_text));
                before.Absorb(draft);
                return;
            }

            if (before.Step is not null && draft.Verb is { Kind: not VerbKind.Standing })
            {
                draft.EndsStep = true;
                Add(draft);
                return;
            }

            // A named step has counts of its own: it comes after what it is told with.
            if (draft.Step is null && (IsTogether(before, draft) || _scope.And == AndMeans.Together))
            {
                Along(draft);
                return;
            }
        }

        if (_scope.SoundAlong && draft.Joint is Joint.Then or Joint.And && Last is { } stepping && draft.Verb is { } heard && heard.Has(VerbTraits.Sound))
        {
            stepping.Layers.Add(draft.Span.In(_text));
            stepping.Absorb(draft);
            return;
        }

        if (draft.Joint == Joint.And && Last is { } first && _scope.And switch
        {
            AndMeans.Then => false,
            // Both feet jump by themselves, not while one of them steps.
            AndMeans.Together => draft.Step is null && first is { Step: null, Plural: false, Times: 1, Feet.Count: <= 1 } && !(draft.Verb is { } both && both.Has(VerbTraits.BothFeet) && both.Kind == VerbKind.Takes),
            _ => IsTogether(first, draft),
        })
        {
            Along(draft);
            return;
        }

        Add(draft);
    }

    /// <summary>What nobody would do one after the other: hands, the standing foot, or the other foot without weight.</summary>
    private static bool IsTogether(Draft first, Draft second) => second.Verb switch
    {
        null => false,
        { Kind: VerbKind.NoFoot, Unwinds: false } => !second.Verb.Has(VerbTraits.Holds),
        { Kind: VerbKind.Standing, IsTurn: false } => first.Verb is { Kind: VerbKind.Leaves or VerbKind.Takes } && second.Feet.Count > 0,
        { Kind: VerbKind.Leaves } => first.Verb is { Kind: VerbKind.Takes } && first.Feet.Count == 1 && second.Feet.Count == 1 && first.Feet[0] != second.Feet[0] && first.Verb.IsHighImpact,
        _ => first.Verb is { Kind: VerbKind.Standing } && first.Feet.Count > 0 && second.Feet.Count > 0,
    };

    private void Along(Draft draft)
    {
        if (_items[^1].Count < 8)
        {
            _items[^1].Add(draft);
        }
        else
        {
            Add(draft);
        }
    }

    private void Add(Draft draft)
    {
        if (_waiting is { } turn && draft.Body is null)
        {
            draft.Turn = draft.Turn is null ? turn : draft.Turn;
            draft.TurnBefore = !turn.Spread;
            _waiting = null;
            draft.Absorb(_waitingDraft!);
        }

        _items.Add([draft]);
    }
}
