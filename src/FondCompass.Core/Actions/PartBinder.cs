using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>
/// Walks the rows of one part: lines begin where counts stop rising, actions go on their beats, repeats and calls are danced again.
/// How the feet stand goes along, so that each row can be read by it.
/// </summary>
internal sealed partial class PartBinder(Dance dance, DancePart part, IStepNames names, LineStore store, List<Finding> findings, Capacity capacity, MoveEnds ends, Weight start)
{
    /// <summary>Looking for the nearest name costs time; after so many findings nobody reads them.</summary>
    private const int MostSuggestions = 60;

    /// <summary>Lines that call lines are followed so deep.</summary>
    private const int DeepestCall = 8;

    private readonly List<DanceLine> _lines = [];
    private readonly List<Moment> _moments = [];
    private readonly List<Pending> _pending = [];
    private readonly Hangings _hangings = new(part.Name, dance.Header);
    private readonly List<Finding> _told = [];
    private readonly HashSet<(string, int?, string)> _seen = [];
    private readonly HashSet<StepEntry> _unread = new(ReferenceEqualityComparer.Instance);
    private readonly RowBinder _rows = new(dance, part.Name, names, ends);
    private readonly bool[] _covered = new bool[(Beat.Largest + 1) * 4];
    private List<Danced> _line = [];
    private List<Danced> _lineBefore = [];
    private List<Pending> _pendingBefore = [];
    private int _countsBefore;
    private LineEntry? _opened;
    private Beat? _last;
    private Beat? _firstLine;
    private PartEntry? _next;

    /// <summary>The rows that follow the one being bound: from where on.</summary>
    private (IReadOnlyList<PartEntry> Entries, int From) _behind = ([], 0);
    private int _lineEnd;
    private int _firstRow;
    private int _depth;

    /// <summary>Actions of variants.</summary>
    private int _instead;
    private Tick _start;
    private bool _mirrored;
    private bool _repeating;
    private bool _isAgain;
    private Footing _feet = new(start);

    /// <summary>An entry of the line, whether mirrored, and the time of its line that alone it is danced in.</summary>
    /// <param name="Taken">What a row that repeats took from above; danced again with its line it is the same, whatever is above then.</param>
    private readonly record struct Danced(PartEntry Entry, bool Mirrored, int? Only, TakenAgain? Taken = null);

    /// <summary>Counts taken from above, with the weight behind them.</summary>
    private sealed record TakenAgain(CountSpec Counts, IReadOnlyList<Pending> Moments, Weight After);

    private int LineCounts => dance.Header.LineCounts;

    private bool Suggests => _told.Count < MostSuggestions;

    /// <summary>How the feet stand at the end, as far as reading needs it.</summary>
    public Weight End => _feet.Weight;

    /// <param name="times">Which times of the part are danced here, from 1; endings belong to a time.</param>
    public PartActions Bind(IEnumerable<int> times, int endings)
    {
        var first = true;
        foreach (var time in times)
        {
            _repeating = !first;
            first = false;
            if (IsFull(part.Row))
            {
                break;
            }

            Walk(part.Entries, time, endings, part.Mirrored && time % 2 == 0);
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

    private void Walk(IReadOnlyList<PartEntry> entries, int time, int endings, bool mirrored)
    {
        int? only = null;
        for (var i = 0; i < entries.Count; i++)
        {
            if (entries[i] is EndingEntry ending)
            {
                only = ending.Time;
                continue;
            }

            if (IsFull(entries[i].Row))
            {
                return;
            }

            _next = NextSteps(entries, i);
            _behind = (entries, i + 1);
            // Inside a line danced several times an ending counts the line; else it counts the part.
            var ofLine = _opened is { Times: > 1 };
            if (only is null || ofLine ? only is null or 1 : (only.Value - 1) % Math.Max(1, endings) == (time - 1) % Math.Max(1, endings))
            {
                AddEntry(entries[i], mirrored, ofLine ? only : null);
            }
            else if (ofLine)
            {
                _line.Add(new Danced(entries[i], mirrored, only));
            }
        }
    }

    /// <summary>The next row of steps: what begins there tells how a line ends, and which foot must be free.</summary>
    private static PartEntry? NextSteps(IReadOnlyList<PartEntry> entries, int from)
    {
        for (var i = from + 1; i < entries.Count && i < from + 6; i++)
        {
            if (entries[i] is StepEntry or FreeEntry or CheckEntry)
            {
                return entries[i];
            }

            if (entries[i] is AgainEntry or EndingEntry)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>Whether there is no room for more; then the row that there is none for is told of.</summary>
    private bool IsFull(int row)
    {
        var isFull = capacity.IsFullFor(_moments.Count + _pending.Count + _instead, _start);
        if (isFull)
        {
            Tell(ActionFindings.TooLong.At(row, $"A dance may have {ActionBinder.MostMoments} actions and {ActionBinder.MostCounts} counts in all, made of {ActionBinder.MostEntries} rows as often as they are danced. What this row and those below it would add, or dance again, is left out. Write what repeats as a part and call it in the order."));
        }

        return isFull;
    }

    /// <summary>What is danced again is told of once.</summary>
    private void Tell(Finding finding)
    {
        if (_seen.Add((finding.Code, finding.Place.Row, finding.Message)))
        {
            _told.Add(finding);
        }
    }

    private void AddEntry(PartEntry entry, bool mirrored, int? only)
    {
        _mirrored = mirrored;
        switch (entry)
        {
            case StepEntry step when IsRepeat(step) is { } repeat:
                AddRepeat(step, repeat, only);
                return;
            case StepEntry call when store.Find(call, part.Name) is { } called && _depth < DeepestCall:
                if (called.Problem is { } problem)
                {
                    Tell(NotationFindings.ImpossibleCounts.At(call.Row, problem, part: part.Name));
                }

                DanceCalled(call.Row, called.Entries, called.Times, called.Mirrored, mirrored);
                return;
            case StepEntry step:
                AddStep(step);
                break;
            case FreeEntry free:
                Open(free.Counts, free.Counts.First, free.Row);
                _mirrored = mirrored;
                Add(new FreeSpan { Line = 0, At = default, Length = default, Beat = free.Counts.First, Row = free.Row, Weight = free.Weight, Facing = free.Facing }, free.Counts.Last);
                _rows.FeetAreKnown();
                _feet = _feet.On(free.Weight is { } weight ? mirrored ? weight.Other() : weight : _feet.Weight);
                Extend(free.Counts, free.Counts.Last, free.Counts.Last.Number);
                break;
            case UnreadableEntry unread:
                _rows.FeetAreKnown();
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
                _rows.Doubts.TellLayers(layer.Layers, new Place(part.Name, _lines.Count + 1, Row: layer.Row), Tell);
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

        _line.Add(new Danced(entry, mirrored, only));
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
        if (check.Weight is not null)
        {
            _rows.FeetAreKnown();
        }

        if (check.Weight is { } weight && _feet.Weight == Weight.Unknown)
        {
            _feet = _feet.On(_mirrored ? weight.Other() : weight);
        }

        if (_last is { } last)
        {
            Add(fact, last);
        }
        else
        {
            _moments.Add(_mirrored ? MirrorImage.Of(fact, dance.Header.StartFacing) : fact);
        }
    }

    private void AddStep(StepEntry entry)
    {
        var mirrored = _mirrored;
        var first = entry.Counts?.First ?? Next();
        if (entry.Counts is null && !RowReader.Read(names, entry.Wording).Candidates.Any(c => c.IsRead))
        {
            // Nothing to be danced, and no counts that it fills: bound for what there is to tell, which is told once.
            if (_unread.Add(entry))
            {
                _rows.Bind(entry, _last ?? first, _lines.Count + 1, _feet, null, Tell, Suggests);
            }

            AddUnread(entry.Row, entry.Wording);
            return;
        }

        Open(entry.Counts, first, entry.Row);
        _mirrored = mirrored;
        if (entry.Counts is { Split: [var opens, ..] } counts && _last is { } taken && taken >= opens)
        {
            // The count before the "&" is danced already by the row above.
            entry = entry with { Counts = counts with { Split = null } };
        }

        var bound = Bind(entry, first, _lines.Count + 1, _feet);
        foreach (var pending in bound.Moments)
        {
            // A move that is only named may turn: a facing stated right behind it says how far.
            var turns = _next is CheckEntry { Facing: not null } && pending.Moment is DanceAction { Turn: null, Verb: var verb } && verb == Verbs.NamedMove && pending == bound.Moments[^1];
            _pending.Add(Turned(turns ? pending with { Moment = (DanceAction)pending.Moment with { Turn = new Turn(null, 0) } } : pending, mirrored));
        }

        _feet = mirrored ? bound.After with { Weight = bound.After.Weight.Other(), Forward = bound.After.Forward.Other() } : bound.After;
        Extend(entry.Counts, bound.Last, bound.Number);
        _hangings.Hang(entry, first, bound.Last);
    }

    private Pending Turned(Pending pending, bool mirrored)
    {
        var moment = pending.Moment is StatedFact { Facing: not null } fact && _repeating ? fact with { Facing = null } : pending.Moment;
        return pending with { Moment = mirrored ? MirrorImage.Of(moment, dance.Header.StartFacing) : moment };
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

        var mirrored = _mirrored;
        var bound = Bind(variant.Step, variant.Step.Counts!.First, _lines.Count + 1, new Footing(Weight.Unknown));
        _instead += bound.Moments.Count;
        _hangings.Hang(variant, [.. bound.Moments.Select(p => Turned(p, mirrored))]);
    }

    private BoundRow Bind(StepEntry entry, Beat first, int line, Footing feet)
    {
        // A mirrored line is read as it is written, on the feet that it was written for.
        var own = _mirrored ? feet with { Weight = feet.Weight.Other(), Forward = feet.Forward.Other(), Call = -1 } : feet;
        return _rows.Bind(entry, first, line, own, Behind(), Tell, Suggests);
    }

    /// <summary>The weight that must be there when a row is done: stated next, or told by the foot that the next row of the feet moves.</summary>
    private Afterwards? Behind()
    {
        var (entries, from) = _behind;
        var loops = dance is { IsPhrased: false, IsFree: false } && !part.IsTag && part.Variant is null && ReferenceEquals(entries, part.Entries);
        for (var i = from; i < from + FurthestAhead; i++)
        {
            var isAround = i >= entries.Count;
            if (isAround && !(loops && i - entries.Count < from))
            {
                return null;
            }

            if (Needs(entries[isAround ? i - entries.Count : i], names, out var goesOn) is { } weight)
            {
                return new Afterwards(weight, i == from && !isAround, isAround);
            }

            if (!goesOn)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>The weight that a part's first words of a foot need; null when they name none.</summary>
    public static Weight? NeededAt(DancePart part, IStepNames names)
    {
        foreach (var entry in part.Entries.Take(FurthestAhead))
        {
            if (Needs(entry, names, out var goesOn) is { } weight)
            {
                return weight;
            }

            if (!goesOn)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>The weight that must be there when a row begins: stated, or told by the foot that it moves first.</summary>
    /// <param name="goesOn">It tells nothing and moves no foot: a row behind it may tell.</param>
    private static Weight? Needs(PartEntry entry, IStepNames names, out bool goesOn)
    {
        goesOn = entry is NoteEntry or LayerEntry or LineEntry or CheckEntry;
        if (entry is CheckEntry { Weight: { } stated })
        {
            return stated;
        }

        if (entry is not StepEntry step || RowReader.Read(names, step.Wording) is not { First: { IsWhole: true } read })
        {
            return null;
        }

        goesOn = read.Phrases.All(p => p.Verb is { Kind: VerbKind.NoFoot, Unwinds: false });
        return read.Items[0].Main is { Feet: [var foot, ..], Verb: not { Kind: VerbKind.Standing or VerbKind.NoFoot } } && foot.IsSingle() ? foot.Other().OnWeight() : null;
    }

    /// <summary>Rows looked at for the next foot that is named.</summary>
    private const int FurthestAhead = 6;

    /// <summary>Where a row without counts begins: the next whole count, or 1 of the next line when this one is full.</summary>
    private Beat Next() => _last is null || _lineEnd >= LineCounts
        ? new Beat(1, Fraction.Whole)
        : new Beat(_lineEnd + 1, Fraction.Whole);
}
