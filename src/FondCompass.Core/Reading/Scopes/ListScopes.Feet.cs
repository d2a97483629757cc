using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Feet that stand alone in a list: they go on with a deed, or are steps of their own.</summary>
internal sealed partial class ListScopes
{
    private void LayFeet(PhraseDraft draft)
    {
        if (Last is { Body: not null } body)
        {
            GoOn(body, draft);
            return;
        }

        if (_items.Count > 1 && Last is { EndsStep: true } && _items[^2][0] is { Step: not null, Plural: true } again)
        {
            // "Grapevines, right with a touch and then left with a touch".
            Add(OnFeet(again, draft));
            return;
        }

        if (Last is { Body: null, TimesSaid: true, Times: > 1, Feet.Count: > 0 } some
            && (draft.Times > 1 || some.Verb is { Kind: VerbKind.Leaves })
            && Extends(some, draft))
        {
            // "Hip bumps R x2, L x2": each side as often as is said of it.
            var other = OnFeet(some, draft);
            (other.Times, other.TimesSaid, other.Span) = (draft.Times, draft.TimesSaid, draft.Span);
            Add(other);
            return;
        }

        if (Last is { Body: null } last && Extends(last, draft))
        {
            last.Feet.AddRange(draft.Feet);
            last.Times = draft.TimesSaid && draft.Times > 1 ? draft.Times : last.Times;
            last.TimesSaid |= draft.TimesSaid;
            last.Absorb(draft);
            return;
        }

        if (Last is { Verb: { } sideways } swivel && sideways.Has(VerbTraits.Aside))
        {
            foreach (var foot in draft.Feet)
            {
                var going = new PhraseDraft
                {
                    Verb = swivel.Verb,
                    Way = foot == Foot.Right ? 1 : -1,
                    Span = draft.Span,
                    Joint = ClauseJoint.Comma,
                    Times = draft.Times,
                    TimesSaid = draft.TimesSaid
                };
                going.Feet.AddRange(swivel.Feet is [Foot.Both] ? swivel.Feet : []);
                going.Absorb(draft);
                Add(going);
            }

            return;
        }

        if (_waiting is { Spread: true })
        {
            var round = new PhraseDraft
            {
                Verb = Verbs.Step,
                Span = draft.Span,
                Joint = ClauseJoint.Comma,
                Times = draft.Times,
                TimesSaid = draft.TimesSaid
            };
            round.Feet.AddRange(draft.Feet);
            round.Absorb(draft);
            Add(round);
            return;
        }

        // Of several feet all are set as often; of one it is the list, or the foot, that comes again.
        var rounds = draft.Feet.Count > 1 ? Math.Min(draft.Times, MostItems / draft.Feet.Count) : 1;
        foreach (var foot in Enumerable.Repeat(draft.Feet, rounds).SelectMany(f => f))
        {
            var step = new PhraseDraft
            {
                Verb = Verbs.Step,
                Span = draft.Span,
                Joint = ClauseJoint.Comma,
                Times = rounds > 1 ? 1 : draft.Times,
                TimesSaid = rounds == 1 && draft.TimesSaid
            };
            step.Feet.Add(foot);
            step.Absorb(draft);
            Add(step);
        }
    }

    /// <summary>
    /// "Cross, side, behind, side, cross R, L, R, L, R": as many feet behind a list as it has deeds are those of the deeds, in order. How
    /// many clauses say
    /// them; 0 where it is not so.
    /// </summary>
    private int FeetOfAll(int from)
    {
        if (_items.Count < 3 || Last is not { Feet: [var first], TimesSaid: false } last || _items.Exists(i => i is not [
            {
                Step: null, Body: null, Times: 1,
                Verb: { Kind: VerbKind.Takes or VerbKind.Leaves }
            }]) || _items.SkipLast(1).Any(i => i[0].Feet.Count > 0))
        {
            return 0;
        }

        var said = _drafts.Skip(from)
            .TakeWhile(d => d is { IsFeetOnly: true, TimesSaid: false, Joint: ClauseJoint.Comma or ClauseJoint.None })
            .ToList();
        List<Foot> feet = [first, .. said.SelectMany(d => d.Feet)];
        if (feet.Count != _items.Count || !feet.TrueForAll(f => f.IsSingle()))
        {
            return 0;
        }

        for (var i = 0; i < feet.Count; i++)
        {
            _items[i][0].Feet.Clear();
            _items[i][0].Feet.Add(feet[i]);
        }

        said.ForEach(last.Absorb);
        return said.Count;
    }

    private static PhraseDraft OnFeet(PhraseDraft deed, PhraseDraft feet)
    {
        var other = deed.Copy();
        other.Feet.Clear();
        other.Feet.AddRange(feet.Feet);
        return other;
    }

    /// <summary>Feet alone go on with a deed that has feet already, or that waits for its first.</summary>
    private static bool Extends(PhraseDraft last, PhraseDraft draft) =>
        last.Verb is not { Kind: VerbKind.NoFoot }
            && !(last.Verb is { } swivel && swivel.Has(VerbTraits.Aside))
            && last.Crossing == Foot.None
        && (last.Feet.Count > 0 ? !(last.Verb is { } way && way.Has(VerbTraits.WayWord | VerbTraits.Stays) && last.Head is not null)
            && !(last is { Head: null, Feet.Count: 1, Times: 1 } && last.Verb == Verbs.Step)
            : last.Step is not null || last.Plural || last.Times > 1 || draft.Joint is ClauseJoint.With or ClauseJoint.Colon
                || last.Verb is { Kind: VerbKind.Takes } verb && !verb.Has(VerbTraits.WayWord | VerbTraits.Stays));
}
