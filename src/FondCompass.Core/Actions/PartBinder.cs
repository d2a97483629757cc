using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions;

/// <summary>
/// Walks the rows of one part: lines begin where counts stop rising, actions go on their beats, repeats and calls are danced again.
/// How the feet stand goes along, so that each row can be read by it.
/// </summary>
internal sealed partial class PartBinder(
    Dance dance,
    DancePart part,
    IStepNames names,
    LineTable store,
    List<Finding> findings,
    Budget capacity,
    MoveEnds ends, Weight start)
{
    /// <summary>Looking for the nearest name costs time; after so many findings nobody reads them.</summary>
    private const int MostSuggestions = 60;

    /// <summary>Lines that call lines are followed so deep.</summary>
    private const int DeepestCall = 8;

    private readonly List<DanceLine> _lines = [];
    private readonly List<Moment> _moments = [];
    private readonly List<PendingMoment> _pending = [];
    private readonly Annotations _hangings = new(part.Name, dance.Header);
    private readonly List<Finding> _told = [];
    private readonly HashSet<(string, int?, string)> _seen = [];
    private readonly HashSet<StepEntry> _unread = new(ReferenceEqualityComparer.Instance);
    private readonly RowBinder _rows = new(dance, part.Name, names, ends);
    private readonly bool[] _covered = new bool[(Beat.Largest + 1) * 4];
    private List<Danced> _line = [];
    private List<Danced> _lineBefore = [];
    private List<PendingMoment> _pendingBefore = [];
    private int _countsBefore;
    private LineEntry? _opened;

    /// <summary>The name of a line that is danced again, and of one that is called: it is theirs on every pass.</summary>
    private string? _nameAgain, _nameCalled;

    /// <summary>How the part, and the line that is open, are counted where that is said.</summary>
    private CountStyle? _countedPart, _countedLine;
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
    private WeightState _feet = new(start);

    /// <summary>An entry of the line, whether mirrored, and the time of its line that alone it is danced in.</summary>
    /// <param name="Taken">What a row that repeats took from above; danced again with its line it is the same, whatever is above
    /// then.</param>
    private readonly record struct Danced(PartEntry Entry, bool Mirrored, int? Only, TakenAgain? Taken = null);

    /// <summary>Counts taken from above, with the weight behind them.</summary>
    private sealed record TakenAgain(CountSpec Counts, IReadOnlyList<PendingMoment> Moments, Weight After);

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
                ActionTexts.PartIsNoMultipleOfLine(part.Name, counts, LineCounts)));
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

    /// <summary>Whether there is no room for more; then the row that there is none for is told of.</summary>
    private bool IsFull(int row)
    {
        var isFull = capacity.IsFullFor(_moments.Count + _pending.Count + _instead, _start);
        if (isFull)
        {
            Tell(ActionFindings.TooLong.At(
                row,
                ActionTexts.MoreActionsThanAreRead(ActionBinder.MostMoments, ActionBinder.MostCounts, ActionBinder.MostEntries)));
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

                DanceCalled(call.Row, called, mirrored);
                return;
            case StepEntry step:
                AddStep(step);
                break;
            case FreeEntry free:
                Open(free.Counts, free.Counts.First, free.Row);
                _mirrored = mirrored;
                Add(
                    new FreeSpan
                    {
                        Line = 0,
                        At = default,
                        Length = default,
                        Beat = free.Counts.First,
                        Row = free.Row,
                        Weight = free.Weight,
                        Facing = free.Facing
                    },
                    free.Counts.Last);
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
                if (layer.Lies == LayerSpan.Part)
                {
                    return;
                }

                break;
            case CountingEntry { Lies: LayerSpan.Part } counting:
                _countedPart = counting.Style;
                return;
            case CountingEntry counting:
                _countedLine = counting.Style;
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

    /// <summary>Where a row without counts begins: the next whole count, or 1 of the next line when this one is full.</summary>
    private Beat Next() => _last is null || _lineEnd >= LineCounts
        ? new Beat(1, Fraction.Whole)
        : new Beat(_lineEnd + 1, Fraction.Whole);
}
