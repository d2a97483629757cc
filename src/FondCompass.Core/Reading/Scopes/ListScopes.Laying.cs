using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Clauses without a deed of their own, each laid on the deed it belongs to.</summary>
internal sealed partial class ListScopes
{
    private void LayBody(PhraseDraft draft)
    {
        if (Last is { Body: null } feet && (draft.Joint is ClauseJoint.With or ClauseJoint.And || _scope.BodyAlong))
        {
            feet.Layers.Add(draft.Body!);
            feet.Absorb(draft);
            return;
        }

        if (Last is { Body: not null } before
            && draft.Joint is ClauseJoint.Comma or ClauseJoint.And or ClauseJoint.Then
            && draft.Times == 1)
        {
            GoOn(before, draft);
            before.Onto = draft.Onto == Foot.None ? before.Onto : draft.Onto;
            return;
        }

        _items.Add([draft]);
    }

    /// <summary>One after another, they are told as one: "head looks left, front, right".</summary>
    private void GoOn(PhraseDraft body, PhraseDraft draft)
    {
        body.Absorb(draft);
        body.Body = body.Span.In(_text);
        // "Hips right x2, left x2": its words say how often.
        (body.Times, body.TimesSaid) = draft.TimesSaid || body.TimesSaid ? (1, false) : (body.Times, body.TimesSaid);
    }

    private void LayTimes(PhraseDraft draft)
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

    private void LayWay(PhraseDraft draft, PhraseDraft? next)
    {
        if (draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0 } && next is { Joint: ClauseJoint.Colon })
        {
            // "To the right: side, behind, side": where it begins.
            if (next.Feet.Count == 0)
            {
                next.Feet.Add(draft.Way > 0 ? Foot.Right : Foot.Left);
            }

            next.Absorb(draft);
            return;
        }

        if (IsWayOfTheLast(draft))
        {
            return;
        }

        if (Last is { Body: not null } body && draft.Feet.Count == 0)
        {
            GoOn(body, draft);
            return;
        }

        if (Last is { Step: not null, Way: 0, Feet.Count: 0 } sided
            && draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0, Joint: ClauseJoint.Comma or ClauseJoint.With })
        {
            // "Charleston, to the right": the side is the step's.
            sided.Way = draft.Way;
            sided.Absorb(draft);
            return;
        }

        if (Last is { Body: null, Verb: { } both } jump
            && both.Has(VerbTraits.BothFeet)
            && draft.Direction is Direction.Across or Direction.Behind
            && draft.Feet.Count > 0)
        {
            jump.Crossing = draft.Feet[0];
            jump.Direction = draft.Direction;
            jump.Absorb(draft);
            return;
        }

        if (Last is { Step: not null, Direction: Direction.None, Way: 0 } named
            && draft.Joint is ClauseJoint.Comma or ClauseJoint.And or ClauseJoint.With
            && (draft.Feet.Count > 0
                ? (named.Feet.Count > 0
                    && draft.Feet[0] != named.Feet[^1]
                    && (named.Step.Repeats || named.Plural || named.Step.GoesAnywhere))
                    || draft.Direction == Direction.Across
                : named.Step.Repeats || draft.Joint == ClauseJoint.With))
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
            { Verb: { Kind: VerbKind.Leaves } leaves, Feet.Count: > 0 } when draft.Joint is ClauseJoint.Comma or ClauseJoint.And
                or ClauseJoint.Then
                && (draft.Feet.Count == 0 || IsLikeOnTheOther(like, draft)) =>
                leaves,
            { Verb: { } aside } when aside.Has(VerbTraits.Aside) && draft.Feet.Count == 0 => aside,
            // "Sway to the left, to the right".
            { Verb: { Kind: VerbKind.Takes } hips, Feet.Count: 0, Way: not 0 } when hips.Has(VerbTraits.Hips)
                && draft is { Way: not 0, Direction: Direction.None, Feet.Count: 0 } => hips,
            { Verb: { Kind: VerbKind.Takes } takes } when !takes.Has(VerbTraits.WayWord
                | VerbTraits.Hips
                | VerbTraits.BothFeet
                | VerbTraits.HalfStride
                | VerbTraits.Part) =>
                takes,
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

    /// <summary>"Step R (to the side)": the way in brackets is that of what it stands behind.</summary>
    private bool IsWayOfTheLast(PhraseDraft draft)
    {
        if (draft is not { Bracketed: true, Feet.Count: 0, Turn: null }
            || Last is not { Body: null, Step: null, Direction: Direction.None, Way: 0, Verb.Kind: VerbKind.Takes or VerbKind.Leaves } told)
        {
            return false;
        }

        (told.Direction, told.Way) = (draft.Direction, draft.Way);
        told.Absorb(draft);
        return true;
    }

    /// <summary>"Point R to the side and L to the side": said alike of the other foot, it is the same deed.</summary>
    private static bool IsLikeOnTheOther(PhraseDraft deed, PhraseDraft draft) =>
        draft.Feet is [var foot] && deed.Feet[^1] == foot.Other() && draft.Direction == deed.Direction && draft.Direction != Direction.None;

    private void LayRest(PhraseDraft draft)
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
                    SettleCounts();
                    (_counts, _counted) = (draft.Counts, last);
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

    /// <summary>"Touch R and take weight", "touch R with weight": of a deed that leaves the weight, its own foot takes it.</summary>
    private bool TakesWeight(PhraseDraft draft)
    {
        if (draft is not { SaysWeight: true, Onto: Foot.None } || !SaysTaking(draft))
        {
            // "Keep your weight", "while the weight stays" leave it where it is.
            return false;
        }

        if (draft is { Verb.Kind: VerbKind.Leaves, Feet: [.., var own] } && own.IsSingle())
        {
            draft.Onto = own;
        }

        if (draft is not { HasHead: false, HasFact: false, Onto: Foot.None, Feet.Count: 0, Direction: Direction.None, Turn: null, Times: 1 }
            || Last is not { Verb.Kind: VerbKind.Leaves, Feet: [.., var foot] } last
            || !foot.IsSingle())
        {
            return false;
        }

        draft.Unread.RemoveAll(u => Vocabulary.Find(u.Text)?.Is(Roles.Onto) == true);
        last.Absorb(draft);
        last.Onto = foot;
        return true;
    }

    private bool SaysTaking(PhraseDraft draft) =>
        $"{draft.Opening.In(_text)} {draft.Span.In(_text)}".Split(' ')
            .Any(w => Vocabulary.Find(w.ToLowerInvariant())?.Is(Roles.Taking) == true);

    /// <summary>"Heels out", of nobody's foot: both go on the floor.</summary>
    private static bool BothGo(PhraseDraft draft) =>
        draft is { Plural: true, Way: 0, Times: 1 }
            && (draft is { Feet.Count: 0, Direction: Direction.In or Direction.Out or Direction.Side }
                or { Feet.Count: 1, Direction: Direction.None });

    /// <summary>"Swivel heels, toes, heels": both heels or both toes go on as the swivel before them did.</summary>
    private static bool SwivelsOn(PhraseDraft draft) =>
        (draft.Plural ? draft.Feet.Count <= 1 : draft.Feet is [Foot.Both])
            && draft.Direction is Direction.None or Direction.Side or Direction.InPlace or Direction.In or Direction.Out;
}
