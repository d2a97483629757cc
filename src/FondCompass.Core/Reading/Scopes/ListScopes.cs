using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Lays the scopes of a list: every clause without a deed finds the deed it belongs to.</summary>
internal sealed partial class ListScopes
{
    private readonly List<PhraseDraft> _drafts;
    private readonly ListScope _scope;
    private readonly string _text;
    private readonly List<List<PhraseDraft>> _items = [];
    private readonly List<UnreadWord> _unreadable = [];
    private readonly List<RowFact> _facts = [];
    private readonly List<PhraseDraft> _operations = [];

    /// <summary>The item that the last clause began with.</summary>
    private int _clauseFrom;
    private Turn? _waiting;
    private PhraseDraft? _waitingDraft;
    private int _counts;

    /// <summary>The deed in front of counts in brackets, where others stand before it.</summary>
    private PhraseDraft? _counted;

    private ListScopes(List<PhraseDraft> drafts, ListScope scope, string text) => (_drafts, _scope, _text) = (drafts, scope, text);

    public static RowReading Read(List<PhraseDraft> drafts, ListScope scope, string text) => new ListScopes(drafts, scope, text).Read();

    private PhraseDraft? Last => _items.Count > 0 ? _items[^1][0] : null;

    /// <summary>"Step L 1/2 R": one foot that steps, where it stands or forward, and a bare turn away from it.</summary>
    public static bool MayPivot(PhraseDraft draft) => draft is
    {
        Step: null, Body: null, Times: 1, TurnBefore: false, Feet: [Foot.Left or Foot.Right], Direction: Direction.None
            or Direction.Forward,
        Turn: { Spread: false, Each: false, Target: null, Amount: >= 2 } turn
    }
        && (draft.Verb is null || draft.Verb == Verbs.Step) && turn.Side == (draft.Feet[0] == Foot.Left ? 1 : -1);

    private RowReading Read()
    {
        GatherPaces();
        for (var i = _drafts.Count - 1; _scope.PivotsApart && i >= 0; i--)
        {
            if (MayPivot(_drafts[i]))
            {
                _drafts.Insert(i + 1, Turning(Verbs.Pivot, _drafts[i]));
                _drafts[i + 1].Joint = ClauseJoint.Comma;
                _drafts[i].Turn = null;
            }
        }

        LayAll();
        if (_items.Count == 0 && _drafts.Exists(d => d.Operation != Operation.None))
        {
            return Operating();
        }

        LayLeftOver();
        if ((_scope.TimesForAll || _scope.TimesForClause) && Last is { TimesSaid: true, Times: > 1 } last && _items.Count > 1)
        {
            RepeatFrom(_scope.TimesForAll ? 0 : _clauseFrom, last);
        }

        SettleCounts();
        return new RowReading([.. _items.Select(i => new Item([.. i.Select(Made)]))], _unreadable)
        {
            Facts = _facts,
            Counts = _counts,
            Styled = _styling is not null
        };
    }

    /// <summary>
    /// "Step R (3 counts), step L": counts in brackets are those of the deed before them where more follows, and may be where it is the
    /// last.
    /// </summary>
    private void SettleCounts()
    {
        if (_counted is not { } counted || counted.Counts > 0)
        {
            return;
        }

        var isLast = ReferenceEquals(Last, counted);
        if (!isLast || (counted.Step is null && Dancings(counted) == 1))
        {
            (counted.Counts, _counts) = (_counts, isLast ? _counts : 0);
        }
    }

    /// <summary>Each draft in turn: explained, spelled out, or laid.</summary>
    private void LayAll()
    {
        for (var i = 0; i < _drafts.Count; i++)
        {
            var draft = _drafts[i];
            if (i > 0 && SidesTheSame(_drafts[i - 1], draft))
            {
                _drafts.RemoveAt(i--);
                continue;
            }

            if (draft.FactFacing is { } wall && Last is { Turn: { IsOpen: true, Spread: true } along } turning)
            {
                // "Walk R L R L turning left, ends facing 6": how far they turn.
                turning.Turn = along with { Target = wall };
            }

            if (draft.HasFact)
            {
                _facts.Add(new RowFact(_items.Count, draft.FactWeight, draft.FactFacing, draft.Span));
            }

            if (draft.Joint == ClauseJoint.Colon && Explanation(i) is > 0 and var explains)
            {
                i += explains - 1;
                continue;
            }

            if (_scope.Explained && draft.Joint is ClauseJoint.Comma && Explanation(i) is > 1 and var told)
            {
                i += told - 1;
                continue;
            }

            if (draft.IsFeetOnly && FeetOfAll(i) is > 0 and var spelled)
            {
                i += spelled - 1;
                continue;
            }

            _clauseFrom = draft.GoesOn ? _clauseFrom : _items.Count;
            Lay(draft, i + 1 < _drafts.Count ? _drafts[i + 1] : null);
        }
    }

    private void Lay(PhraseDraft draft, PhraseDraft? next)
    {
        if (draft.Joint is ClauseJoint.Without or ClauseJoint.Instead)
        {
            LayWithout(draft);
            return;
        }

        if (draft is { HasHead: false, WeightGoes: true, Bracketed: false } && draft.Onto.IsSingle())
        {
            // "Rock back L, weight forward onto R": it is given back.
            draft.Feet.Add(draft.Onto);
            (draft.Verb, draft.Onto) = (Verbs.Recover, Foot.None);
        }

        if (TakesWeight(draft))
        {
            return;
        }

        if (draft.OnCount > 0)
        {
            LayOnCount(draft);
            return;
        }

        if (draft.Operation != Operation.None && !draft.HasHead && _items.Count == 0)
        {
            _operations.Add(draft);
            return;
        }

        if (draft.Operation != Operation.None && !draft.HasHead)
        {
            LayAgain(draft);
            return;
        }

        if (draft.IsIdle && Last is { } lasting)
        {
            LayIdle(lasting, draft);
            return;
        }

        if ((draft.UnknownFirst && !draft.HasHead)
            || draft.Unread.Count > 0
                && !draft.HasHead
                && draft.Feet.Count == 0
                && draft.Direction == Direction.None
                && draft.Turn is null
                && draft.Way == 0)
        {
            LayUnknown(draft);
        }
        else if (draft.IsPaceOnly && _scope.Styled && Last is not null)
        {
            // "Slow and heavy arms": all of it is styling.
            LayUnknown(draft);
        }
        else if (draft.IsPaceOnly)
        {
            LayPaces(draft);
        }
        else if (draft.Body is not null)
        {
            LayBody(draft);
        }
        else if (draft.IsTurnOnly)
        {
            LayTurn(draft, next);
        }
        else if (draft is { HasHead: false, Leads: true })
        {
            LayLead(draft);
        }
        else if (draft.IsTimesOnly)
        {
            LayTimes(draft);
        }
        else if (draft.IsFeetOnly)
        {
            LayFeet(draft);
        }
        else if (draft.IsWayOnly)
        {
            LayWay(draft, next);
        }
        else if (!draft.HasHead)
        {
            LayRest(draft);
        }
        else
        {
            LayDeed(draft);
        }
    }
}
