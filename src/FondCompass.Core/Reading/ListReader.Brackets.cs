using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>Brackets: repeated, a fact, or how a step goes.</summary>
internal sealed partial class ListReader
{
    private int Closing(int open, int to)
    {
        var depth = 0;
        for (var i = open; i < to; i++)
        {
            depth += _words[i].Kind == TokenKind.Open ? 1 : _words[i].Kind == TokenKind.Close ? -1 : 0;
            if (depth == 0)
            {
                return i;
            }
        }

        return to;
    }

    /// <summary>"x4", "twice", "4 times" behind a bracket.</summary>
    private (int Count, int Next) AfterTimes(int open, int close, int to)
    {
        var next = close + 1;
        if (next < to
            && _words[next].Times > 0
            && _words[open..Math.Min(close, to)].Exists(w => w.Step is not null || w.Verb is not null || w.IsUnknown))
        {
            return (Math.Clamp(_words[next].Times, 1, MostDeeds), next + 1);
        }

        return (1, Math.Min(next, to));
    }

    /// <param name="isGroup">Only such brackets stand before it: what it holds comes next, and explains nothing.</param>
    private ClauseJoint Bracket(List<PhraseDraft> drafts, (int From, int To) words, int depth, ClauseJoint joint, int times, bool isGroup)
    {
        var (from, to) = words;
        if (depth >= Deepest || from >= to)
        {
            return joint;
        }

        var inside = Drafts(from, to, depth + 1);
        isGroup &= inside.Exists(d => d.HasHead);
        if (times == 1 && drafts.Count > 0 && !isGroup)
        {
            Explains(inside, from, to);
        }

        for (var time = 1; time <= times; time++)
        {
            for (var i = 0; i < inside.Count && drafts.Count < MostDeeds; i++)
            {
                var draft = time == 1 ? inside[i] : inside[i].Copy();
                draft.IsRepeat |= time > 1;
                draft.Joint = i > 0 || draft.Joint is ClauseJoint.Without or ClauseJoint.Instead ? draft.Joint
                    : drafts.Count == 0 ? ClauseJoint.None
                    : times == 1 && !isGroup ? ClauseJoint.Colon : ClauseJoint.Comma;
                drafts.Add(draft);
            }
        }

        return ClauseJoint.None;
    }

    /// <summary>What brackets behind a deed say of it: facts, where one faces, how many counts.</summary>
    private void Explains(List<PhraseDraft> inside, int from, int to)
    {
        foreach (var draft in inside)
        {
            draft.Bracketed = true;
            if (draft is { IsTurnOnly: true, Turn: { Amount: null, Side: 0, Target: { } named } })
            {
                // "(3:00)" tells where one faces then.
                (draft.FactFacing, draft.Turn) = (named, null);
            }

            if (draft is { HasHead: false, BareNumber: > 0 } && inside.Count == 1)
            {
                // "Vine R (4)": so many counts.
                draft.Counts = draft.BareNumber;
                draft.Unread.Clear();
            }

            if (draft.Onto != Foot.None && !draft.HasHead)
            {
                // "(weight on L)" is a fact, checked, where outside brackets it says where the weight goes.
                draft.FactWeight = draft.Onto.OnWeight();
                draft.Onto = Foot.None;
            }

            if (draft is { HasHead: false, Direction: Direction.Forward or Direction.Back, Feet.Count: 0 } && inside.Count == 1
                && _words[from..to].Exists(w => w.Is(Roles.Filler | Roles.Facing)))
            {
                // "(back to the front!)".
                draft.FactFacing ??= new Facing(draft.Direction == Direction.Back ? 4 : 0);
                draft.Direction = Direction.None;
            }
        }
    }
}
