using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Deeds of their own, and what is done along with them.</summary>
internal sealed partial class ListScopes
{
    private void LayDeed(PhraseDraft draft)
    {
        if (draft is { Verb: { } toes, Step: null, Turn: null } && toes.Has(VerbTraits.Part)
            && (Last?.Swivel ?? (BothGo(draft) ? Verbs.Swivel : null)) is { } swivels && SwivelsOn(draft))
        {
            // "Swivel heels, toes, heels"; "swivel heels R, toes R".
            if (draft.Joint == ClauseJoint.Colon && Last?.Swivel is not null)
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

        if (draft.Joint == ClauseJoint.With && Last is { } before)
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

        if (_scope.SoundAlong
            && draft.Joint is ClauseJoint.Then or ClauseJoint.And
            && Last is { } stepping
            && draft.Verb is { } heard
            && heard.Has(VerbTraits.Sound))
        {
            stepping.Layers.Add(draft.Span.In(_text));
            stepping.Absorb(draft);
            return;
        }

        if (draft.Joint == ClauseJoint.And && Last is { } first && _scope.And switch
        {
            AndMeans.Then => false,
            // Both feet jump by themselves, not while one of them steps.
            AndMeans.Together => draft.Step is null && first is { Step: null, Plural: false, Times: 1, Feet.Count: <= 1 }
                && !(draft.Verb is { } both && both.Has(VerbTraits.BothFeet) && both.Kind == VerbKind.Takes),
            _ => IsTogether(first, draft),
        })
        {
            Along(draft);
            return;
        }

        Add(draft);
    }

    /// <summary>What nobody would do one after the other: hands, the standing foot, or the other foot without weight.</summary>
    private static bool IsTogether(PhraseDraft first, PhraseDraft second) => second.Verb switch
    {
        null => false,
        { Kind: VerbKind.NoFoot, Unwinds: false } => !second.Verb.Has(VerbTraits.Holds),
        { Kind: VerbKind.Standing, IsTurn: false } => first.Verb is { Kind: VerbKind.Leaves or VerbKind.Takes } && second.Feet.Count > 0,
        { Kind: VerbKind.Leaves } => first.Verb is { Kind: VerbKind.Takes } && first.Feet.Count == 1 && second.Feet.Count == 1
            && first.Feet[0] != second.Feet[0] && first.Verb.IsHighImpact,
        _ => first.Verb is { Kind: VerbKind.Standing } && first.Feet.Count > 0 && second.Feet.Count > 0,
    };

    private void Along(PhraseDraft draft)
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

    private void Add(PhraseDraft draft)
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
