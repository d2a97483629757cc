using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>What is danced again: lines, what stands above, lines and parts called by name.</summary>
internal sealed partial class PartBinder
{
    /// <summary>The line above once more; each mirrored one is the mirror image of the one before it.</summary>
    private void DanceAgain(int row, int times, bool mirrored, int firstTime = 1)
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
        for (var i = 1; i <= times && !IsFull(row); i++)
        {
            foreach (var (entry, was, only) in entries)
            {
                if (only is null || only == firstTime + i)
                {
                    AddEntry(entry, was ^ (mirrored && i % 2 == 1), only);
                }
                else
                {
                    _line.Add(new Danced(entry, was, only));
                }
            }

            CloseLine();
        }

        _repeating = repeating;
    }

    /// <summary>A line or part called by its name.</summary>
    private void DanceCalled(int row, IReadOnlyList<PartEntry> entries, int times, bool mirrors, bool mirrored)
    {
        CloseLine();
        var repeating = _repeating;
        _repeating = true;
        _depth++;
        for (var time = 1; time <= times && !IsFull(row); time++)
        {
            Walk(entries, time, times, mirrored ^ (mirrors && time % 2 == (times == 1 ? 1 : 0)));
            CloseLine();
        }

        _depth--;
        _repeating = repeating;
    }

    /// <summary>"5-8 repeat left", "same on the other side": the counts before once more.</summary>
    private RowOperation? IsRepeat(StepEntry entry) =>
        RowReader.Read(names, entry.Wording).First is { Items.Count: 0, Unreadable.Count: 0, Operation: { } operation } ? operation : null;

    private void AddRepeat(StepEntry entry, RowOperation operation)
    {
        foreach (var unread in operation.Unread)
        {
            Tell(UnknownWords.InStep(new Place(part.Name, Row: entry.Row), unread, entry));
        }

        if (entry.Counts is null || (_pending.Count == 0 && entry.Counts.Span >= _countsBefore && _countsBefore > 0))
        {
            DanceAgain(entry.Row, operation.Times, operation.OtherSide || (operation.Lead.IsSingle() && LeadOf(_lineBefore.Count > 0 && _pending.Count == 0 ? _pendingBefore : _pending) is var was && was.IsSingle() && was != operation.Lead));
            return;
        }

        var mirrored = _mirrored;
        Open(entry.Counts, entry.Counts.First, entry.Row);
        _mirrored = mirrored;
        var span = entry.Counts.Span;
        var from = entry.Counts.First.Number - span;
        var source = from >= 1
            ? _pending.Where(p => p.Moment.Beat.Number >= from && p.Moment.Beat.Number < from + span).ToList()
            : _pendingBefore.Where(p => p.Moment.Beat.Number >= from + _countsBefore && p.Moment.Beat.Number < from + _countsBefore + span).ToList();
        var shift = from >= 1 ? span : entry.Counts.First.Number - (from + _countsBefore);
        if (source.Count == 0)
        {
            Tell(ActionFindings.NothingAgain.At(entry.Row, $"There are no {span} counts above to dance again. Write them first.", part: part.Name));
            return;
        }

        var mirrors = operation.OtherSide || (operation.Lead.IsSingle() && LeadOf(source) is var lead && lead.IsSingle() && lead != operation.Lead);
        foreach (var pending in source.Where(p => p.Moment is not StatedFact))
        {
            var moment = mirrors ? MirrorImage.Of(pending.Moment, dance.Header.StartFacing) : pending.Moment;
            var beat = moment.Beat with { Number = moment.Beat.Number + shift };
            _pending.Add(new Pending(
                moment is DanceAction action ? action with { Beat = beat, Row = entry.Row, Source = entry.Span, Call = action.Call + 1_000_000 } : moment with { Beat = beat, Row = entry.Row },
                pending.Until with { Number = pending.Until.Number + shift }));
        }

        _feet = _feet.On(mirrors ? _feet.Weight.Other() : _feet.Weight);
        Extend(entry.Counts, entry.Counts.Last, entry.Counts.Last.Number);
        _line.Add(new Danced(entry, _mirrored, null));
    }

    /// <summary>The foot that some moments begin with, where it is named.</summary>
    private static Foot LeadOf(List<Pending> moments) => moments.Select(p => p.Moment).OfType<DanceAction>()
        .Select(a => a.Role == FootRole.Named ? a.Foot : a.CallLead).FirstOrDefault(f => f.IsSingle());
}
