using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading;

/// <summary>What "and" between two deeds means.</summary>
internal enum AndMeans
{
    /// <summary>As the verbs suggest: with what the standing foot, arms or hands do, together; else one after the other.</summary>
    Likely,
    Then,
    Together,
}

/// <summary>One choice among the scopes that the words leave open.</summary>
internal sealed record ListScope
{
    public AndMeans And { get; init; }

    /// <summary>A number said last repeats the whole list, not its last item only.</summary>
    public bool TimesForAll { get; init; }

    /// <summary>A turn on its own has a count of its own: a pivot.</summary>
    public bool TurnsAlone { get; init; }

    /// <summary>What arms and hips do goes along with the feet before it.</summary>
    public bool BodyAlong { get; init; }

    /// <summary>What is heard goes along with the step before it: "touch L, and clap".</summary>
    public bool SoundAlong { get; init; }

    /// <summary>What follows a step's name tells how it goes.</summary>
    public bool Explained { get; init; }
}

/// <summary>Lays the scopes of a list: every clause without a deed finds the deed it belongs to.</summary>
internal sealed class ListScopes
{
    private readonly List<Draft> _drafts;
    private readonly ListScope _scope;
    private readonly string _text;
    private readonly List<List<Draft>> _items = [];
    private readonly List<UnreadWord> _unreadable = [];
    private readonly List<RowFact> _facts = [];
    private readonly List<Draft> _operations = [];
    private Turn? _waiting;
    private Draft? _waitingDraft;
    private int _counts;

    private ListScopes(List<Draft> drafts, ListScope scope, string text) => (_drafts, _scope, _text) = (drafts, scope, text);

    public static Wording Read(List<Draft> drafts, ListScope scope, string text) => new ListScopes(drafts, scope, text).Read();

    private Draft? Last => _items.Count > 0 ? _items[^1][0] : null;

    private Wording Read()
    {
        for (var i = 0; i < _drafts.Count; i++)
        {
            var draft = _drafts[i];
            if (draft.HasFact)
            {
                _facts.Add(new RowFact(_items.Count, draft.FactWeight, draft.FactFacing, draft.Span));
            }

            if (draft.Joint == Joint.Colon && Explanation(i) is > 0 and var explains)
            {
                i += explains - 1;
                continue;
            }

            if (_scope.Explained && draft.Joint is Joint.Comma && Explanation(i) is > 1 and var told)
            {
                i += told - 1;
                continue;
            }

            Lay(draft, i + 1 < _drafts.Count ? _drafts[i + 1] : null);
        }

        if (_items.Count == 0 && _drafts.Exists(d => d.Operation != Operation.None))
        {
            return Operating();
        }

        foreach (var operation in _operations)
        {
            // Before steps of its own nothing is danced again by a word: it is told.
            _items[0][0].Unread.Add(new UnreadWord(operation.Span.In(_text), operation.Span));
            _items[0][0].Absorb(operation);
        }

        if (_waiting is { } turn)
        {
            _items.Add([new Draft { Verb = Verbs.Turn, Turn = turn, Span = _waitingDraft!.Span }]);
            _items[^1][0].Absorb(_waitingDraft);
        }

        if (_scope.TimesForAll && Last is { TimesSaid: true, Times: > 1 } last && _items.Count > 1)
        {
            RepeatAll(last);
        }

        return new Wording([.. _items.Select(i => new Item([.. i.Select(Made)]))], _unreadable) { Facts = _facts, Counts = _counts };
    }

    private Wording Operating()
    {
        var lead = _drafts.SelectMany(d => d.Feet).Where(f => f.IsSingle()).FirstOrDefault(_drafts.Select(d => d.Way switch { > 0 => Foot.Right, < 0 => Foot.Left, _ => Foot.None }).FirstOrDefault(f => f != Foot.None));
        var operation = new RowOperation(_drafts.Exists(d => d.Operation.HasFlag(Operation.OtherSide)), lead, _drafts.Select(d => d.Times).DefaultIfEmpty(1).Max(), [.. _drafts.SelectMany(d => d.Unread)]);
        return new Wording([], _unreadable) { Operation = operation, Facts = _facts };
    }

    private void RepeatAll(Draft last)
    {
        var times = last.Times;
        last.Times = 1;
        last.TimesSaid = false;
        var once = _items.ToList();
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

    private void Lay(Draft draft, Draft? next)
    {
        if (draft.Operation != Operation.None && !draft.HasHead && _items.Count == 0)
        {
            _operations.Add(draft);
            return;
        }

        if (draft.Operation != Operation.None && !draft.HasHead && draft.Feet.Count == 0 && draft.Direction == Direction.None && draft.Turn is null)
        {
            // Inside a list nothing is danced again by a word: it is told.
            Last!.Unread.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
            Last.Absorb(draft);
            return;
        }

        if ((draft.UnknownFirst && !draft.HasHead) || draft.Unread.Count > 0 && !draft.HasHead && draft.Feet.Count == 0 && draft.Direction == Direction.None && draft.Turn is null && draft.Way == 0)
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
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
    }

    private void LayTurn(Draft draft, Draft? next)
    {
        var turn = draft.Turn!;
        var alone = _scope.TurnsAlone && Last is { Verb.Kind: VerbKind.Takes, Feet.Count: <= 1 };
        if (alone)
        {
            _items.Add([Turning(Verbs.Pivot, draft)]);
            return;
        }

        // "Turn 1/2 right and close": the turn comes before what it is joined to.
        var leads = next is { HasHead: true, Body: null, Turn: null } && (_items.Count == 0 || (next.Joint is Joint.And or Joint.With or Joint.Then && next.Verb is { Kind: VerbKind.Takes } && draft.Joint != Joint.With));
        if (leads || _items.Count == 0)
        {
            if (_waiting is null && next is not null)
            {
                _waiting = turn with { First = true, Spread = false };
                _waitingDraft = draft;
                return;
            }

            _items.Add([Turning(Verbs.Turn, draft)]);
            return;
        }

        var last = Last!;
        last.Absorb(draft);

        if (turn.Each)
        {
            foreach (var item in last.Feet.Count > 1 || last.Plural || last.Times > 1 || last.Step is not null ? [_items[^1]] : _items)
            {
                item[0].Turn ??= turn;
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
                last.Turn = turn;
            }
        }
        else
        {
            _items.Add([Turning(Verbs.Turn, draft)]);
        }
    }

    private static Draft Turning(Verb verb, Draft draft) => new() { Verb = verb, Turn = draft.Turn! with { Spread = false }, Span = draft.Span, Onto = draft.Onto, Slow = draft.Slow };

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

    private void LayFeet(Draft draft)
    {
        if (Last is { Body: not null } body)
        {
            GoOn(body, draft);
            return;
        }

        if (_items.Count > 1 && Last is { EndsStep: true } && _items[^2][0] is { Step: not null, Plural: true } again)
        {
            // "Grapevines, right with a touch and then left with a touch".
            var other = again.Copy();
            other.Feet.Clear();
            other.Feet.AddRange(draft.Feet);
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
                var going = new Draft { Verb = swivel.Verb, Way = foot == Foot.Right ? 1 : -1, Span = draft.Span, Joint = Joint.Comma };
                going.Absorb(draft);
                Add(going);
            }

            return;
        }

        foreach (var foot in draft.Feet)
        {
            var step = new Draft { Verb = Verbs.Step, Span = draft.Span, Joint = Joint.Comma };
            step.Feet.Add(foot);
            step.Absorb(draft);
            Add(step);
        }
    }

    /// <summary>Feet alone go on with a deed that has feet already, or that waits for its first.</summary>
    private static bool Extends(Draft last, Draft draft) =>
        last.Verb is not { Kind: VerbKind.NoFoot } && !(last.Verb is { } swivel && swivel.Has(VerbTraits.Aside)) && last.Crossing == Foot.None
        && (last.Feet.Count > 0 ? !(last.Verb is { } way && way.Has(VerbTraits.WayWord | VerbTraits.Stays) && last.Head is not null) && !(last.Head is null && last.Feet.Count == 1 && last.Verb == Verbs.Step)
            : last.Step is not null || last.Plural || last.Times > 1 || draft.Joint is Joint.With or Joint.Colon
                || last.Verb is { Kind: VerbKind.Takes } verb && !verb.Has(VerbTraits.WayWord | VerbTraits.Stays));

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

        if (Last is { Body: null, Verb: { } both } jump && both.Has(VerbTraits.BothFeet) && draft.Direction is Direction.Across or Direction.Behind && draft.Feet.Count > 0)
        {
            jump.Crossing = draft.Feet[0];
            jump.Direction = draft.Direction;
            jump.Absorb(draft);
            return;
        }

        if (Last is { Step: not null, Direction: Direction.None, Way: 0 } named && draft.Joint is Joint.Comma or Joint.And or Joint.With
            && (draft.Feet.Count > 0 ? named.Feet.Count > 0 || draft.Direction == Direction.Across : named.Step.Repeats || draft.Joint == Joint.With))
        {
            // "Toe struts R, L forward": each foot its own step, the way for all.
            named.Feet.AddRange(draft.Feet);
            named.Direction = draft.Direction;
            named.Way = draft.Way;
            named.Absorb(draft);
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
            { Verb: { Kind: VerbKind.Leaves } leaves, Feet.Count: > 0 } when draft.Feet.Count == 0 && draft.Joint is Joint.Comma or Joint.And or Joint.Then => leaves,
            { Verb: { } aside } when aside.Has(VerbTraits.Aside) && draft.Feet.Count == 0 => aside,
            { Verb: { Kind: VerbKind.Takes } takes } when !takes.Has(VerbTraits.WayWord | VerbTraits.Hips | VerbTraits.BothFeet | VerbTraits.HalfStride | VerbTraits.Part) => takes,
            _ => Verbs.Step,
        };
        if (step.Verb is { Kind: VerbKind.Leaves } && like is not null)
        {
            step.Feet.AddRange(like.Feet.TakeLast(1));
        }

        Add(step);
    }

    private void LayRest(Draft draft)
    {
        if (draft.Feet.Count > 0 || draft.Direction != Direction.None)
        {
            // "1/4 left R": a step is meant.
            draft.Verb = Verbs.Step;
            draft.TurnBefore = draft.Turn is not null;
            Add(draft);
        }
        else if (Last is { } last)
        {
            last.Absorb(draft);
            if (draft.Counts > 0)
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
        else if (draft.Turn is not null || draft.Feet.Count > 0 || draft.Direction != Direction.None)
        {
            // "1/4 left R": a step is meant.
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

    private void LayDeed(Draft draft)
    {
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

            if (IsTogether(before, draft) || _scope.And == AndMeans.Together)
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
            AndMeans.Together => draft.Step is null && !(draft.Verb is { } both && both.Has(VerbTraits.BothFeet) && both.Kind == VerbKind.Takes),
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
            draft.TurnBefore = true;
            _waiting = null;
            draft.Absorb(_waitingDraft!);
        }

        _items.Add([draft]);
    }

    /// <summary>How many clauses from here tell the inside of the step before them; 0 when they do not.</summary>
    private int Explanation(int from)
    {
        if (Last is not { Step: { } step } named)
        {
            return 0;
        }

        var times = Math.Max(1, Math.Max(named.Times, named.Feet.Count));
        foreach (var form in step.Forms)
        {
            var once = form.Actions.Where(a => a.Phrase.Verb is { } v && !v.Has(VerbTraits.Holds)).ToList();
            foreach (var repeats in times > 1 ? new[] { times, 1 } : [1])
            {
                var actions = Enumerable.Repeat(once, repeats).SelectMany(a => a).ToList();
                var clauses = _drafts.Skip(from).TakeWhile((d, i) => !d.IsRepeat && (i == 0 || d.Joint != Joint.Colon)).Take(actions.Count).ToList();
                if (clauses.Count == actions.Count && actions.Count > 1 && clauses.Zip(actions).All(p => Tells(p.First, p.Second.Phrase)))
                {
                    Explained(named, clauses);
                    return clauses.Count;
                }
            }
        }

        // Brackets that take as many counts as the step, or a part of them that goes into it: "triple (ds ds ds rs)".
        var bracketed = _drafts[from].Bracketed;
        var inside = _drafts.Skip(from).TakeWhile((d, i) => d.Bracketed == bracketed && (i == 0 || d.Joint != Joint.Colon)).TakeWhile(d => d.HasHead).ToList();
        var counts = inside.Sum(d => (d.Step?.Forms[0].Counts ?? 1) * d.Times * Math.Max(1, d.Feet.Count));
        var whole = step.Forms[0].Counts * times;
        if (inside.Count > 0 && (inside[0].Bracketed || (inside[0].Joint == Joint.Colon && inside.Count > 1)) && counts > 0 && whole % counts == 0 && inside.TrueForAll(d => d.Body is null))
        {
            Explained(named, inside);
            return inside.Count;
        }

        return 0;
    }

    private static void Explained(Draft named, List<Draft> clauses)
    {
        if (named.Feet.Count == 0 && clauses[0].Feet.Count > 0)
        {
            named.Feet.Add(clauses[0].Feet[0]);
        }

        named.Turn ??= clauses.Select(c => c.Turn).FirstOrDefault(t => t is not null);
        clauses.ForEach(named.Absorb);
    }

    /// <summary>Whether a clause may tell of one action of a form: the same deed or way, as far as either is said.</summary>
    private static bool Tells(Draft clause, Phrase action)
    {
        if (clause.Step is not null || clause.Body is not null)
        {
            return false;
        }

        var verb = clause.Verb;
        var way = clause.Direction;
        if (verb is not null && verb.Has(VerbTraits.WayWord) && action.Verb is { Kind: VerbKind.Takes })
        {
            way = way == Direction.None ? verb.Default : way;
            verb = null;
        }

        var sameDeed = verb is null || verb == action.Verb || (verb.Kind == VerbKind.Takes && action.Verb is { Kind: VerbKind.Takes } && verb.Has(VerbTraits.Plain | VerbTraits.Stays));
        var own = action.Direction == Direction.None ? action.Verb?.Default ?? Direction.None : action.Direction;
        var sameWay = way == Direction.None || own == Direction.None || Near(way) == Near(own) || (way is Direction.Out && own is Direction.DiagonalForward or Direction.Side or Direction.DiagonalBack)
            || (way is Direction.In && own is Direction.Back or Direction.Beside or Direction.InPlace or Direction.Forward);
        return sameDeed && sameWay && (verb is not null || way != Direction.None || clause.Feet.Count > 0);
    }

    private static bool GoesAside(NamedStep step) => step.Forms[0].Actions[0].Phrase.Direction is Direction.Side or Direction.Across or Direction.Behind;

    private static Direction Near(Direction way) => way switch
    {
        Direction.DiagonalForward => Direction.Forward,
        Direction.DiagonalBack => Direction.Back,
        _ => way,
    };

    private Phrase Made(Draft draft)
    {
        var verb = draft.Step is null ? draft.Verb ?? Verbs.Step : null;
        if (verb is { } hips && hips.Has(VerbTraits.Hips) && draft.Feet.Count == 0 && draft.Way == 0 && draft.Onto == Foot.None)
        {
            verb = Verbs.Body;
        }

        var feet = draft.Feet;
        if (verb is { Kind: VerbKind.Takes } && feet.Count == 0 && draft.Onto.IsSingle() && draft.Times == 1)
        {
            // "Recover onto R" names its foot.
            feet = [draft.Onto];
        }

        var (way, direction) = (draft.Way, draft.Direction);
        if (draft.InFront && verb is { Kind: VerbKind.Leaves, Grounded: true })
        {
            direction = Direction.Forward;
        }

        if (way != 0 && feet.Count == 0 && (draft.Step is { } named ? GoesAside(named) : verb is { Kind: VerbKind.Takes or VerbKind.Leaves } && verb.Default != Direction.Across))
        {
            // "Vine to the right", "step to the left": the side names the foot.
            feet = [way > 0 ? Foot.Right : Foot.Left];
            direction = direction == Direction.None && draft.Step is null ? Direction.Side : direction;
            way = 0;
        }
        else if (way != 0 && feet is [var same] && draft.Step is null && (same == Foot.Right) == (way > 0) && same.IsSingle())
        {
            direction = direction == Direction.None ? Direction.Side : direction;
            way = 0;
        }

        var turn = draft.Turn;
        if (turn is not null && draft.TurnBefore && !turn.Each)
        {
            turn = turn with { First = true, Spread = false };
        }

        return new Phrase
        {
            Verb = verb,
            Step = draft.Step,
            Otherwise = draft.Head?.Step == draft.Step ? draft.Head?.Otherwise ?? [] : [],
            Name = draft.Step?.Name ?? verb!.Name,
            Words = draft.Body ?? draft.Head?.Text ?? "",
            Span = draft.Span,
            Feet = feet,
            Direction = direction,
            Way = way,
            Turn = turn,
            Angle = draft.Angle,
            Onto = draft.Onto,
            Crossing = draft.Crossing,
            Times = draft.Times,
            TimesInAll = draft.TimesInAll,
            Plural = draft.Plural && draft.Verb != Verbs.Body,
            Slow = draft.Slow,
            Manner = draft.Manner,
            EndsStep = draft.EndsStep,
            OnStandingFoot = draft.OnStandingFoot,
            IsRepeat = draft.IsRepeat,
            Layers = draft.Layers,
            Counts = draft.Counts,
            Unread = draft.Unread,
        };
    }
}
