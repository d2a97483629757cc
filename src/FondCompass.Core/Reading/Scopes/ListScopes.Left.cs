using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>What is left when every clause has been laid.</summary>
internal sealed partial class ListScopes
{
    /// <summary>"The same with the left": the foot that what is danced again begins on.</summary>
    private static bool SidesTheSame(PhraseDraft same, PhraseDraft side)
    {
        if (side is not { HasHead: false, Operation: Operation.None, Joint: ClauseJoint.With, Turn: null, Direction: Direction.None }
            || !(side.IsFeetOnly || side.Way != 0)
            || same is not { HasHead: false, Operation: not Operation.None, Feet.Count: 0, Way: 0 })
        {
            return false;
        }

        same.Feet.AddRange(side.Feet);
        same.Way = side.Way;
        same.Absorb(side);
        return true;
    }

    /// <summary>What waited for a deed that did not come.</summary>
    private void LayLeftOver()
    {
        foreach (var operation in _operations)
        {
            // Before steps of its own nothing is danced again by a word: it is told.
            _items[0][0].Unread.Add(new UnreadWord(operation.Span.In(_text), operation.Span));
            _items[0][0].Absorb(operation);
        }

        if (_waiting is { } turn)
        {
            _items.Add([new PhraseDraft { Verb = Verbs.Turn, Turn = turn, Span = _waitingDraft!.Span }]);
            _items[^1][0].Absorb(_waitingDraft);
        }

        if (_waitingPace is { } pace)
        {
            if (_items.Count > 0)
            {
                _items[0][0].Absorb(pace);
            }
            else
            {
                _unreadable.Add(new UnreadWord(pace.Span.In(_text), pace.Span));
            }
        }
    }

    private RowReading Operating()
    {
        var lead = _drafts.SelectMany(d => d.Feet)
            .Where(f => f.IsSingle())
            .FirstOrDefault(_drafts.Select(d => d.Way switch { > 0 => Foot.Right, < 0 => Foot.Left, _ => Foot.None })
                .FirstOrDefault(f => f != Foot.None));
        var operation = new RowOperation(
            _drafts.Exists(d => d.Operation.HasFlag(Operation.OtherSide)),
            lead,
            _drafts.Select(d => d.Times).DefaultIfEmpty(1).Max(),
            [.. _drafts.SelectMany(d => d.Unread)]);
        return new RowReading([], _unreadable) { Operation = operation, Facts = _facts };
    }

    private void RepeatFrom(int first, PhraseDraft last)
    {
        var times = last.Times;
        last.Times = 1;
        last.TimesSaid = false;
        var once = _items.Skip(first).ToList();
        for (var time = 2; time <= times && _items.Count < 512; time++)
        {
            _items.AddRange(once.Select(item => item.ConvertAll(d =>
            {
                var copy = d.Copy();
                copy.IsRepeat = true;
                return copy;
            })));
        }
    }

    /// <summary>"Down", behind a deed: it says no more of it.</summary>
    private void LayIdle(PhraseDraft lasting, PhraseDraft draft)
    {
        if (lasting.Body is not null)
        {
            // Arms and hips go up and down in their own words.
            draft.Unread.Clear();
            GoOn(lasting, draft);
        }
        else if (draft.TimesSaid)
        {
            LayTimes(draft);
        }
        else if (_styling is not null)
        {
            draft.Unread.Clear();
            LayUnknown(draft);
        }
        else
        {
            lasting.Absorb(draft);
        }
    }

    /// <summary>"Starting on the right": the foot of the first deed.</summary>
    private void LayLead(PhraseDraft draft)
    {
        if (_items.Count > 0 && _items[0][0] is { Feet.Count: 0, Body: null } first)
        {
            first.Feet.AddRange(draft.Feet);
            first.Absorb(draft);
        }
        else if (!(_items.Count > 0 && _items[0][0].Feet.SequenceEqual(draft.Feet)))
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }
    }

    private const int MostItems = 512;

    /// <summary>Where what the next such word repeats begins: behind the one before.</summary>
    private int _againFrom;

    private void LayAgain(PhraseDraft word)
    {
        var block = _items.Skip(_againFrom).ToList();
        var lead = LeadOf(block);
        var wanted = word.Feet.Where(f => f.IsSingle()).FirstOrDefault(SideOf(word.Way));
        var mirrors = word.Operation.HasFlag(Operation.OtherSide) || (lead.IsSingle() && wanted.IsSingle() && lead != wanted);
        if (block.Count == 0
            || word.Turn is not null
            || word.Direction != Direction.None
            || (mirrors && !lead.IsSingle() && !wanted.IsSingle() && Changes(block) % 2 == 0))
        {
            // Of a turn or a way of its own, or with a side that nothing fixes, it would be a guess: it is told.
            Last!.Unread.Add(new UnreadWord(word.Span.In(_text), word.Span));
            Last.Absorb(word);
            return;
        }

        for (var time = 0; time < word.Times && _items.Count + block.Count <= MostItems; time++)
        {
            var copies = block.ConvertAll(item => item.ConvertAll(d => d.Copy()));
            if (mirrors && time % 2 == 0)
            {
                copies.ForEach(item => item.ForEach(d => d.Mirrored()));
            }

            if (wanted.IsSingle()
                && !lead.IsSingle()
                && copies[0][0] is { Feet.Count: 0, Body: null } first
                && first.Verb is not { Kind: VerbKind.NoFoot })
            {
                first.Feet.Add(wanted);
            }

            copies.ForEach(item => item.ForEach(d => d.Unread.Clear()));
            _items.AddRange(copies);
        }

        _againFrom = _items.Count;
        Last!.Absorb(word);
    }

    private static Foot SideOf(int way) => way switch { > 0 => Foot.Right, < 0 => Foot.Left, _ => Foot.None };

    /// <summary>The foot or side the first deed of a foot is told with; none when it is left to the free foot.</summary>
    private static Foot LeadOf(List<List<PhraseDraft>> block)
    {
        var first = block.SelectMany(i => i).FirstOrDefault(d => d.Body is null && d.Verb is not { Kind: VerbKind.NoFoot });
        return first is null ? Foot.None : first.Feet.Where(f => f.IsSingle()).FirstOrDefault(SideOf(first.Way));
    }

    /// <summary>How often the weight changes feet.</summary>
    private static int Changes(List<List<PhraseDraft>> block) => block.SelectMany(i => i).Sum(d =>
        d.Times * (d.Step is { } step ? step.Forms[0].Actions.Count(a => a.Phrase.Verb?.Kind == VerbKind.Takes)
            : d.Verb?.Kind == VerbKind.Takes ? Math.Max(1, d.Feet.Count)
            : 0));
}
