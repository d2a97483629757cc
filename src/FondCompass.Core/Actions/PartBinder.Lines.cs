using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Actions;

/// <summary>Lines: where one begins, what fills it, and its closing.</summary>
internal sealed partial class PartBinder
{
    /// <summary>Begins the next line when the row's first count is not greater than the last of the row before.</summary>
    private void Open(CountSpec? counts, Beat first, int row)
    {
        if (_last is { } last && first <= last && !FillsHoles(counts) && !FollowsPickUp(first))
        {
            CloseLine(first);
        }

        if (_pending.Count == 0)
        {
            _firstRow = row;
            _firstLine ??= first;
        }
    }

    /// <summary>Rows whose counts fit the holes of the rows above belong to their line ("1,3,5,7 …" then "2,4,6,8 …").</summary>
    private bool FillsHoles(CountSpec? counts) =>
        counts is not null
            && _holes
            && counts.Positions.All(p => !p.IsPickUp && p.Number <= Math.Max(_lineEnd, LineCounts) && !_covered[Key(p)]);

    /// <summary>After a row whose only action is a pick-up a row that begins on that 1 goes on in the same line.</summary>
    private bool FollowsPickUp(Beat first) =>
        first == new Beat(1, Fraction.Whole) && _pending.Count > 0 && _pending.TrueForAll(p => p.Moment.Beat.IsPickUp);

    private bool _holes;

    private static int Key(Beat beat) => (beat.Number * 4) + (int)beat.Fraction;

    private void Add(Moment moment, Beat until) =>
        _pending.Add(new PendingMoment(_mirrored ? MirrorImage.Reflect(moment, dance.Header.StartFacing) : moment, until));

    private void Extend(CountSpec? counts, Beat last, int number)
    {
        var before = _lineEnd;
        _last = _last is { } held && held > last ? held : last;
        _lineEnd = Math.Max(_lineEnd, number);
        if (counts is { IsList: true })
        {
            _holes |= counts.Positions.Count < counts.Span;
            foreach (var position in counts.Positions.Where(p => !p.IsPickUp))
            {
                _covered[Key(position)] = true;
            }
        }
        else
        {
            var from = Math.Max(1, counts?.First.Number ?? before + 1);
            _covered.AsSpan(Math.Min(from, _covered.Length / 4) * 4, Math.Max(0, Math.Min(number, Beat.Largest) + 1 - from) * 4).Fill(true);
        }
    }

    /// <summary>Whole counts that a line beginning so borrows from the one before it.</summary>
    private static int Borrows(Beat? first) => first is { IsPickUp: true, Fraction: Fraction.Whole } beat ? 1 - beat.Number : 0;

    /// <param name="next">Where the line that follows begins; found by itself when left out.</param>
    private void CloseLine(Beat? next = null)
    {
        if (_pending.Count == 0)
        {
            return;
        }

        // An eight counted from 8 is full when the line after it, or the loop, takes its last counts.
        var borrowed = Borrows(next ?? (_next is StepEntry { Counts: { } counts } ? counts.First : _firstLine));
        var end = borrowed > 0 && _lineEnd + borrowed == LineCounts ? LineCounts : _lineEnd;
        var number = _lines.Count + 1;
        var grid = new LineGrid(dance.Header.Swing, _pending);
        var begin = _start;
        Moment Place(PendingMoment pending)
        {
            var at = begin + grid.Begin(pending.Moment.Beat);
            var until = begin + grid.End(pending.Until);
            return pending.Moment with { Line = number, At = at, Length = until > at ? until - at : default };
        }

        _moments.AddRange(_pending.Select(Place));
        // A tag is as long as the music wants it.
        LineChecks.Check(part.Name, number, _firstRow, end, part.IsTag || (dance.IsFree && end > 0 && LineCounts % end == 0)
            ? Math.Min(end, LineCounts) : LineCounts, _pending.OrderBy(p => p.Moment.Beat).Select(p => (p.Moment, p.Until)).ToList(),
            dance.Header.Swing, Tell);
        _lines.Add(new DanceLine(number, _start, end, _firstRow, _opened?.Name ?? _nameAgain ?? _nameCalled ?? "")
        {
            Counting = _countedLine ?? _countedPart
        });
        _countedLine = null;
        _nameCalled = null;
        _hangings.Close(_lines[^1], _moments, Place, Tell);
        _start += Tick.FromCounts(end);
        (_pendingBefore, _countsBefore) = ([.. _pending], end);
        _pending.Clear();
        _covered.AsSpan().Clear();
        _holes = false;
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
