using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Walks the rows of one part: lines begin where counts stop rising, actions go on their beats.</summary>
internal sealed class PartBinder(Dance dance, DancePart part, IStepNames names, List<Finding> findings, int room)
{
    private static readonly CallPlacer Placer = new(CallFeet.Roles);

    /// <summary>Looking for the nearest name costs time; after so many findings nobody reads them.</summary>
    private const int MostSuggestions = 60;

    private readonly List<DanceLine> _lines = [];
    private readonly List<Moment> _moments = [];
    private readonly List<Pending> _pending = [];
    private int _call;
    private Beat? _last;
    private int _lineEnd;
    private int _firstRow;
    private Tick _start;

    /// <summary>A moment of the line being read; its tick waits until the line is known whole (swing needs that).</summary>
    private readonly record struct Pending(Moment Moment, Beat Until);

    private int LineCounts => dance.Header.LineCounts;

    public PartActions Bind()
    {
        foreach (var entry in part.Entries)
        {
            if (_moments.Count + _pending.Count > room)
            {
                findings.Add(ActionFindings.TooLong.At(
                    entry.Row, $"A dance may have {ActionBinder.MostMoments} actions in all; from this row on it is not read. Write what repeats as a part and call it in the order."));
                break;
            }

            switch (entry)
            {
                case StepEntry step:
                    AddStep(step);
                    break;
                case FreeEntry free:
                    Open(free.Counts.First, free.Row);
                    Add(new FreeSpan { Line = 0, At = default, Length = default, Beat = free.Counts.First, Row = free.Row, Weight = free.Weight, Facing = free.Facing }, free.Counts.Last);
                    Extend(free.Counts.Last, free.Counts.Last.Number);
                    break;
                case UnreadableEntry unread:
                    var next = Next();
                    Open(next, unread.Row);
                    Add(new UnreadStep { Line = 0, At = default, Length = default, Beat = next, Row = unread.Row, Wording = unread.Text }, next);
                    Extend(next, next.Number);
                    break;
                case CheckEntry check when _last is { } last:
                    Add(new StatedFact { Line = 0, At = default, Length = default, Beat = last, Row = check.Row, Weight = check.Weight, Facing = check.Facing }, last);
                    break;
            }
        }

        CloseLine();
        var counts = _lines.Sum(l => l.Counts);
        if (counts > 0 && counts % LineCounts != 0 && _lines.Count > 1)
        {
            findings.Add(new Finding(
                ActionFindings.PartLength,
                new Place(part.Name, Row: part.Row),
                $"{part.Name} has {counts} counts, which is no multiple of {LineCounts}. Any total can be danced, but music is mostly phrased in {LineCounts}s."));
        }

        return new PartActions
        {
            Name = part.Name,
            IsTag = part.IsTag,
            Row = part.Row,
            Lines = _lines,
            Moments = InOrderOfTime(_moments),
            Counts = counts,
        };
    }

    private void AddStep(StepEntry entry)
    {
        var wording = Wording.Read(names, entry.Wording);
        var first = entry.Counts?.First ?? Next();
        if (wording.Unreadable.Count > 0 || wording.Groups.Count == 0)
        {
            AddUnread(entry, first, wording);
            return;
        }

        Open(first, entry.Row);
        var place = new Place(part.Name, _lines.Count + 1, first.Label(LineCounts), entry.Row);
        var lastNumber = entry.Counts?.Last.Number ?? first.Number;
        var written = entry.Counts?.Last ?? first;
        var layers = entry.Layers;
        foreach (var group in wording.Groups)
        {
            var placed = Placer.Place(group, entry.Counts, first);
            if (placed.Complaint is { } complaint)
            {
                findings.Add(new Finding(ActionFindings.TooFewCounts, place, complaint));
            }

            foreach (var unread in group.SelectMany(p => p.Unread).Distinct())
            {
                findings.Add(UnknownWords.InStep(place, unread, entry, dance.Rows[entry.Row - 1]));
            }

            AddPlaced(placed, entry, written, layers);
            layers = [];
            lastNumber = Math.Max(lastNumber, placed.Last);
        }

        Extend(lastNumber > written.Number ? new Beat(lastNumber, Fraction.Whole) : written, lastNumber);
    }

    private void AddPlaced(Placement placed, StepEntry entry, Beat written, IReadOnlyList<string> layers)
    {
        var calls = -1;
        var isSingle = placed.Actions.Count == 1;
        for (var i = 0; i < placed.Actions.Count; i++)
        {
            var item = placed.Actions[i];
            var phrase = item.Phrase;
            var starts = item.Call != calls;
            calls = item.Call;
            _call += starts ? 1 : 0;
            var (role, foot) = Role(phrase, item.FromForm);
            var until = isSingle || (i == placed.Actions.Count - 1 && written > item.Beat) ? written : item.Beat;
            Add(
                new DanceAction
                {
                    Line = 0,
                    At = default,
                    Length = default,
                    Beat = item.Beat,
                    Row = entry.Row,
                    Step = item.Step,
                    Verb = phrase.Verb!,
                    Role = role,
                    Foot = foot,
                    Call = _call,
                    CallLead = item.Lead,
                    StartsCall = starts,
                    Direction = phrase.Direction,
                    Turn = phrase.Turn,
                    TurnFlips = item.TurnFlips,
                    TurnKeepsTravel = item.TurnKeepsTravel,
                    Onto = phrase.Onto,
                    Layers = i == 0 ? layers : [],
                },
                until);
        }
    }

    private static (FootRole Role, Foot Foot) Role(Phrase phrase, bool fromForm)
    {
        if (phrase.Verb!.Kind == VerbKind.NoFoot)
        {
            // An unwind's weight is told by "onto"; nothing else without a foot names one.
            return phrase.Onto == Foot.None || !fromForm ? (FootRole.None, Foot.None) : (phrase.Onto == Foot.Right ? FootRole.Lead : FootRole.Trail, Foot.None);
        }

        return (phrase.Foot, fromForm) switch
        {
            (Foot.None, _) => (FootRole.Open, Foot.None),
            (Foot.Both, _) => (FootRole.Named, Foot.Both),
            (Foot.Right, true) => (FootRole.Lead, Foot.None),
            (Foot.Left, true) => (FootRole.Trail, Foot.None),
            var (named, _) => (FootRole.Named, named),
        };
    }

    private void AddUnread(StepEntry entry, Beat first, Wording wording)
    {
        Open(first, entry.Row);
        var last = entry.Counts?.Last ?? first;
        var place = new Place(part.Name, _lines.Count + 1, first.Label(LineCounts), entry.Row);
        var unread = wording.Unreadable.Count > 0 ? wording.Unreadable[0] : entry.Wording;
        findings.Add(UnknownWords.NoStep(place, unread, names, dance.Rows[entry.Row - 1], findings.Count < MostSuggestions));
        Add(new UnreadStep { Line = 0, At = default, Length = default, Beat = first, Row = entry.Row, Wording = entry.Wording }, last);
        Extend(last, last.Number);
    }

    /// <summary>Where a row without counts begins: the next whole count, or 1 of the next line when this one is full.</summary>
    private Beat Next() => _last is null || _lineEnd >= LineCounts
        ? new Beat(1, Fraction.Whole)
        : new Beat(_lineEnd + 1, Fraction.Whole);

    /// <summary>Begins the next line when the row's first count is not greater than the last of the row before.</summary>
    private void Open(Beat first, int row)
    {
        if (_last is { } last && first <= last)
        {
            CloseLine();
        }

        if (_pending.Count == 0)
        {
            _firstRow = row;
        }
    }

    private void Add(Moment moment, Beat until) => _pending.Add(new Pending(moment, until));

    private void Extend(Beat last, int number)
    {
        _last = last;
        _lineEnd = Math.Max(_lineEnd, number);
    }

    private void CloseLine()
    {
        if (_pending.Count == 0)
        {
            return;
        }

        var number = _lines.Count + 1;
        var both = SwingPairs();
        foreach (var (moment, until) in _pending)
        {
            var at = _start + moment.Beat.ToTick(dance.Header.Swing, both.Contains(moment.Beat.Number));
            var end = _start + EndOf(until, both);
            _moments.Add(moment with { Line = number, At = at, Length = end > at ? end - at : default });
        }

        LineChecks.Check(part.Name, number, _firstRow, _lineEnd, LineCounts, _pending.ConvertAll(p => (p.Moment, p.Until)), dance.Header.Swing, findings);
        _lines.Add(new DanceLine(number, _start, _lineEnd, _firstRow));
        _start += Tick.FromCounts(_lineEnd);
        _pending.Clear();
        _last = null;
        _lineEnd = 0;
    }

    /// <summary>The end of the count, or of the finer position, that <paramref name="until"/> names.</summary>
    private Tick EndOf(Beat until, HashSet<int> both) => until.Fraction switch
    {
        Fraction.Whole => Tick.FromCounts(until.Number),
        Fraction.E => until.ToTick(dance.Header.Swing, both.Contains(until.Number)) + new Tick(6),
        Fraction.And when !dance.Header.Swing || both.Contains(until.Number) => (until with { Fraction = Fraction.A }).ToTick(dance.Header.Swing, both.Contains(until.Number)),
        _ => Tick.FromCounts(until.Number),
    };

    private HashSet<int> SwingPairs()
    {
        if (!dance.Header.Swing)
        {
            return [];
        }

        var ands = _pending.Where(p => p.Moment.Beat.Fraction == Fraction.And).Select(p => p.Moment.Beat.Number).ToHashSet();
        ands.IntersectWith(_pending.Where(p => p.Moment.Beat.Fraction == Fraction.A).Select(p => p.Moment.Beat.Number));
        return ands;
    }

    /// <summary>Sorts by time; a stated fact stays behind what it was written after.</summary>
    private static List<Moment> InOrderOfTime(List<Moment> moments)
    {
        var keys = new List<(int Tick, int Order, Moment Moment)>(moments.Count);
        var sorted = true;
        for (var i = 0; i < moments.Count; i++)
        {
            var tick = moments[i] is StatedFact && i > 0 ? keys[i - 1].Tick : moments[i].At.Value;
            sorted &= i == 0 || tick >= keys[i - 1].Tick;
            keys.Add((tick, i, moments[i]));
        }

        if (!sorted)
        {
            keys.Sort((a, b) => a.Tick != b.Tick ? a.Tick.CompareTo(b.Tick) : a.Order.CompareTo(b.Order));
        }

        return keys.ConvertAll(k => k.Moment);
    }
}
