using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Actions;

/// <summary>Rows that nobody understood, and rows put aside: they keep their counts, and after them the weight is unknown.</summary>
internal sealed partial class PartBinder
{
    private void AddUnreadable(UnreadableEntry unread)
    {
        var mirrored = _mirrored;
        if (unread.Counts is null)
        {
            AddUnread(unread.Row, unread.Text);
            if (unread.Parked)
            {
                TellParked(unread, _last ?? new Beat(1, Fraction.Whole));
            }

            return;
        }

        var (first, last) = (unread.Counts.First, unread.Counts.Last);
        Open(unread.Counts, first, unread.Row);
        _mirrored = mirrored;
        if (unread.Parked)
        {
            TellParked(unread, first);
        }

        Add(new UnreadStep { Line = 0, At = default, Length = default, Beat = first, Row = unread.Row, Wording = unread.Text }, last);
        _feet = _feet.On(Weight.Unknown);
        Extend(unread.Counts, last, last.Number);
    }

    private void TellParked(UnreadableEntry unread, Beat first) =>
        Tell(UnknownWords.Parked(
            new Place(part.Name, _lines.Count + 1, first.Label(LineCounts), unread.Row),
            unread,
            names,
            dance.Rows[unread.Row - 1],
            Suggests));

    /// <summary>Something without counts that nobody understood: it takes none, and after it the weight is unknown.</summary>
    private void AddUnread(int row, string wording)
    {
        var beat = _last ?? new Beat(1, Fraction.Whole);
        var unread = new UnreadStep
        {
            Line = Math.Max(1, _lines.Count),
            At = _moments.Count > 0 ? _moments[^1].At : default,
            Length = default,
            Beat = beat,
            Row = row,
            Wording = wording,
            TakesNoCounts = true
        };
        _feet = _feet.On(Weight.Unknown);
        if (_last is { } last)
        {
            Add(unread, last);
        }
        else
        {
            _moments.Add(unread);
        }
    }
}
