using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Walks the rows of one part: lines begin where counts stop rising, actions go on their beats.</summary>
internal sealed class PartBinder(Dance dance, DancePart part, IStepNames names, List<Finding> findings, int room)
{
    /// <summary>Looking for the nearest name costs time; after so many findings nobody reads them.</summary>
    private const int MostSuggestions = 60;

    private readonly List<DanceLine> _lines = [];
    private readonly List<Moment> _moments = [];
    private readonly List<Pending> _pending = [];
    private readonly Hangings _hangings = new(part.Name, dance.Header);
    private readonly List<Finding> _told = [];
    private readonly HashSet<(string, int?, string)> _seen = [];
    private readonly RowBinder _rows = new(dance, part.Name, names);
    private List<(PartEntry Entry, bool Mirrored)> _line = [];
    private List<(PartEntry Entry, bool Mirrored)> _lineBefore = [];
    private LineEntry? _opened;
    private Beat? _last;
    private int _lineEnd;
    private int _firstRow;
    private Tick _start;
    private bool _mirrored;
    private bool _repeating;

    private int LineCounts => dance.Header.LineCounts;

    public PartActions Bind()
    {
        var times = Math.Max(part.Times, part.Entries.OfType<EndingEntry>().Select(e => e.Time ?? 1).DefaultIfEmpty(1).Max());
        for (var time = 1; time <= times && !IsFull; time++)
        {
            int? only = null;
            _repeating = time > 1;
            foreach (var entry in part.Entries)
            {
                if (IsFull)
                {
                    findings.Add(ActionFindings.TooLong.At(
                        entry.Row, $"A dance may have {ActionBinder.MostMoments} actions in all; from this row on it is not read. Write what repeats as a part and call it in the order."));
                    break;
                }

                if (entry is EndingEntry ending)
                {
                    only = ending.Time;
                }
                else if (only is null || only == time)
                {
                    AddEntry(entry, part.Mirrored && time % 2 == 0);
                }
            }

            CloseLine();
            _opened = null;
        }

        var counts = _lines.Sum(l => l.Counts);
        if (counts > 0 && counts % LineCounts != 0 && _lines.Count > 1 && !part.IsTag)
        {
            Tell(new Finding(
                ActionFindings.PartLength,
                new Place(part.Name, Row: part.Row),
                $"{part.Name} has {counts} counts, which is no multiple of {LineCounts}. Any total can be danced, but music is mostly phrased in {LineCounts}s."));
        }

        findings.AddRange(_told);
        return new PartActions
        {
            Name = part.Name,
            IsTag = part.IsTag,
            Row = part.Row,
            Lines = _lines,
            Moments = InOrderOfTime(_moments),
            Counts = counts,
            Layers = _hangings.Layers,
            Notes = _hangings.Notes,
            Variants = _hangings.Variants,
            VariantOf = part.VariantOf,
            Variant = part.Variant,
        };
    }

    private bool IsFull => _moments.Count + _pending.Count > room;

    /// <summary>What is danced again is told of once.</summary>
    private void Tell(Finding finding)
    {
        if (_seen.Add((finding.Code, finding.Place.Row, finding.Message)))
        {
            _told.Add(finding);
        }
    }

    private void AddEntry(PartEntry entry, bool mirrored)
    {
        _mirrored = mirrored;
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
                AddUnreadable(unread);
                break;
            case CheckEntry check when _last is null:
                AddFact(check);
                return;
            case CheckEntry check:
                AddFact(check);
                break;
            case NoteEntry note:
                _hangings.Hang(note, RowAbove()?.First);
                break;
            case LayerEntry layer:
                _hangings.Hang(layer, RowAbove()?.First, RowAbove()?.Last);
                break;
            case VariantEntry variant:
                AddVariant(variant);
                break;
            case AgainEntry again:
                DanceAgain(again.Row, again.Times, again.Mirrored);
                return;
            case LineEntry line:
                CloseLine();
                _opened = line;
                return;
        }

        _line.Add((entry, mirrored));
    }

    /// <summary>
    /// What is stated holds after the row above: within a line, after a line danced again, or at the top of the part, before
    /// its first step.
    /// </summary>
    private void AddFact(CheckEntry check)
    {
        var fact = new StatedFact
        {
            Line = Math.Max(1, _lines.Count),
            At = _moments.Count > 0 ? _moments[^1].At : default,
            Length = default,
            Beat = _last ?? new Beat(_lines.Count > 0 ? Math.Max(1, _lines[^1].Counts) : 1, Fraction.Whole),
            Row = check.Row,
            Weight = check.Weight,
            // The facing said is the first time's; danced again, the part has turned on.
            Facing = _repeating ? null : check.Facing,
        };
        if (_last is { } last)
        {
            Add(fact, last);
        }
        else
        {
            _moments.Add(_mirrored ? MirrorImage.Of(fact, dance.Header.StartFacing) : fact);
        }
    }

    /// <summary>The line above once more; each mirrored one is the mirror image of the one before it.</summary>
    private void DanceAgain(int row, int times, bool mirrored)
    {
        CloseLine();
        var entries = _lineBefore;
        if (entries.Count == 0)
        {
            Tell(ActionFindings.NothingAgain.At(row, "There is no line above to dance again. Write its steps first, then 'again' or 'again mirrored'.", part: part.Name));
            return;
        }

        var repeating = _repeating;
        _repeating = true;
        for (var i = 1; i <= times && !IsFull; i++)
        {
            foreach (var (entry, was) in entries)
            {
                AddEntry(entry, was ^ (mirrored && i % 2 == 1));
            }

            CloseLine();
        }

        _repeating = repeating;
    }

    private void AddUnreadable(UnreadableEntry unread)
    {
        var first = unread.Counts?.First ?? Next();
        var last = unread.Counts?.Last ?? first;
        Open(first, unread.Row);
        if (unread.Parked)
        {
            Tell(UnknownWords.Parked(new Place(part.Name, _lines.Count + 1, first.Label(LineCounts), unread.Row), unread.Text, names, dance.Rows[unread.Row - 1], Suggests));
        }

        Add(new UnreadStep { Line = 0, At = default, Length = default, Beat = first, Row = unread.Row, Wording = unread.Text }, last);
        Extend(last, last.Number);
    }

    private void AddStep(StepEntry entry)
    {
        var first = entry.Counts?.First ?? Next();
        Open(first, entry.Row);
        var steps = Bind(entry, first, _pending);
        Extend(steps.Last, steps.Number);
        _hangings.Hang(entry, first, steps.Last);
    }

    /// <summary>The span of the row above in this line; null at its top.</summary>
    private (Beat First, Beat Last)? RowAbove()
    {
        if (_pending.Count == 0)
        {
            return null;
        }

        var (moment, until) = _pending[^1];
        var first = _pending.FindIndex(p => p.Moment.Row == moment.Row);
        return (_pending[first].Moment.Beat, until);
    }

    private void AddVariant(VariantEntry variant)
    {
        if (_pending.Count == 0)
        {
            Tell(NotationFindings.BadVariant.At(variant.Row, "A variant stands below the steps it may replace; there is no line above it.", part: part.Name));
            return;
        }

        var sink = new List<Pending>();
        Bind(variant.Step, variant.Step.Counts!.First, sink);
        _hangings.Hang(variant, sink);
    }

    private (Beat Last, int Number) Bind(StepEntry entry, Beat first, List<Pending> sink) =>
        _rows.Bind(entry, first, _lines.Count + 1, action => sink.Add(_mirrored && action.Moment is DanceAction ? action with { Moment = MirrorImage.Of(action.Moment, dance.Header.StartFacing) } : action), Tell, Suggests);

    private bool Suggests => _told.Count < MostSuggestions;

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

    private void Add(Moment moment, Beat until) => _pending.Add(new Pending(_mirrored ? MirrorImage.Of(moment, dance.Header.StartFacing) : moment, until));

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
        var grid = new LineGrid(dance.Header.Swing, _pending);
        Moment Place(Pending pending)
        {
            var at = _start + grid.Begin(pending.Moment.Beat);
            var end = _start + grid.End(pending.Until);
            return pending.Moment with { Line = number, At = at, Length = end > at ? end - at : default };
        }

        _moments.AddRange(_pending.Select(Place));
        // A tag is as long as the music wants it.
        LineChecks.Check(part.Name, number, _firstRow, _lineEnd, part.IsTag ? Math.Min(_lineEnd, LineCounts) : LineCounts, _pending.ConvertAll(p => (p.Moment, p.Until)), dance.Header.Swing, Tell);
        _lines.Add(new DanceLine(number, _start, _lineEnd, _firstRow, _opened?.Name ?? ""));
        _hangings.Close(_lines[^1], _moments, Place, Tell);
        _start += Tick.FromCounts(_lineEnd);
        _pending.Clear();
        _last = null;
        _lineEnd = 0;
        (_lineBefore, _line) = (_line, []);
        if (_opened is { } opened)
        {
            _opened = null;
            if (opened.Times > 1)
            {
                DanceAgain(opened.Row, opened.Times - 1, opened.Mirrored);
            }
        }
    }

    /// <summary>Sorts by time; a stated fact stays behind what it was written after.</summary>
    private static List<Moment> InOrderOfTime(List<Moment> moments)
    {
        var keys = new List<(int Tick, int Order, Moment Moment)>(moments.Count);
        var sorted = true;
        for (var i = 0; i < moments.Count; i++)
        {
            // A fact at the part's top comes before its pick-ups.
            var tick = moments[i] is not StatedFact ? moments[i].At.Value : i > 0 ? keys[i - 1].Tick : int.MinValue;
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
