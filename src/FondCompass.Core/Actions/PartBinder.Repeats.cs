using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions;

/// <summary>What is danced again: lines, what stands above, lines and parts called by name.</summary>
internal sealed partial class PartBinder
{
    /// <summary>Between a call and the same one danced again; no part has so many calls.</summary>
    private const int NextTime = 1_000_000;

    /// <summary>The line above once more; each mirrored one is the mirror image of the one before it.</summary>
    private void DanceAgain(int row, int times, bool mirrored, int firstTime = 1)
    {
        CloseLine();
        var entries = _lineBefore;
        if (entries.Count == 0)
        {
            Tell(ActionFindings.NothingAgain.At(
                row,
                ActionTexts.NoLineAboveToRepeat,
                part: part.Name));
            return;
        }

        if (mirrored)
        {
            TellSameSide(row, _pendingBefore);
        }

        var (repeating, isAgain, name) = (_repeating, _isAgain, _nameAgain);
        (_repeating, _isAgain, _nameAgain) = (true, true, _lines[^1].Name);
        for (var i = 1; i <= times && !IsFull(row); i++)
        {
            foreach (var danced in entries)
            {
                var now = danced.Mirrored ^ (mirrored && i % 2 == 1);
                if (danced.Only is { } only && only != firstTime + i)
                {
                    _line.Add(danced);
                }
                else if (danced.Taken is { } taken)
                {
                    Take(
                        danced.Entry,
                        taken with
                        {
                            Moments = [.. taken.Moments.Select(m => OnceMore(m, i, now != danced.Mirrored))],
                            After = now != danced.Mirrored ? taken.After.Other() : taken.After
                        },
                        now,
                        danced.Only);
                }
                else
                {
                    AddEntry(danced.Entry, now, danced.Only);
                }
            }

            CloseLine();
        }

        (_repeating, _isAgain, _nameAgain) = (repeating, isAgain, name);
    }

    /// <summary>A moment danced again, as a call of its own.</summary>
    private PendingMoment OnceMore(PendingMoment pending, int time, bool mirrored)
    {
        var moment = mirrored ? MirrorImage.Reflect(pending.Moment, dance.Header.StartFacing) : pending.Moment;
        return pending with { Moment = moment is DanceAction action ? action with { Call = action.Call + (time * NextTime) } : moment };
    }

    /// <summary>Lays what was taken from above on its counts.</summary>
    private void Take(PartEntry entry, TakenAgain taken, bool mirrored, int? only)
    {
        Open(taken.Counts, taken.Counts.First, entry.Row);
        _mirrored = mirrored;
        _pending.AddRange(taken.Moments);
        _feet = _feet.On(taken.After);
        Extend(taken.Counts, taken.Counts.Last, taken.Counts.Last.Number);
        _line.Add(new Danced(entry, mirrored, only, taken));
    }

    /// <summary>A line or part called by its name.</summary>
    private void DanceCalled(int row, LineTable.Call called, bool mirrored)
    {
        CloseLine();
        var (repeating, counted, through) = (_repeating, _countedPart, _hangings.ThroughPart);
        _repeating = true;
        _depth++;
        for (var time = 1; time <= called.Times && !IsFull(row); time++)
        {
            _nameCalled = dance.Part(called.Name) is null ? called.Name : null;
            Walk(called.Entries, time, called.Times, mirrored ^ (called.Mirrored && time % 2 == (called.Times == 1 ? 1 : 0)));
            CloseLine();
            _nameCalled = null;
        }

        _depth--;
        (_repeating, _countedPart, _hangings.ThroughPart) = (repeating, counted, through);
    }

    /// <summary>"5-8 repeat left", "same on the other side": the counts before once more.</summary>
    private RowOperation? IsRepeat(StepEntry entry) =>
        RowReader.Read(names, entry.Wording).First is { Items.Count: 0, Unreadable.Count: 0, Operation: { } operation } ? operation : null;

    private void AddRepeat(StepEntry entry, RowOperation operation, int? only)
    {
        foreach (var unread in operation.Unread)
        {
            Tell(UnknownWords.InStep(new Place(part.Name, Row: entry.Row), unread, entry));
        }

        // Within a line that is danced again the line above is not danced again on top of it: its counts are taken.
        if (!_isAgain && (entry.Counts is null || (_pending.Count == 0 && entry.Counts.Span >= _countsBefore && _countsBefore > 0)))
        {
            var above = _lineBefore.Count > 0 && _pending.Count == 0 ? _pendingBefore : _pending;
            TellOtherLead(entry.Row, above, operation.Lead);
            DanceAgain(
                entry.Row,
                operation.Times,
                operation.OtherSide || (operation.Lead.IsSingle() && LeadOf(above) is var was && was.IsSingle() && was != operation.Lead));
            return;
        }

        if (entry.Counts is null)
        {
            CloseLine();
        }

        var counts = entry.Counts ?? CountSpec.Over(1, Math.Max(1, _countsBefore));
        var mirrored = _mirrored;
        Open(counts, counts.First, entry.Row);
        _mirrored = mirrored;
        var span = _pending.Count == 0 && _countsBefore > 0 ? Math.Min(counts.Span, _countsBefore) : counts.Span;
        var from = counts.First.Number - span;
        var source = from >= 1
            ? _pending.Where(p => p.Moment.Beat.Number >= from && p.Moment.Beat.Number < from + span).ToList()
            : _pendingBefore.Where(p => p.Moment.Beat.Number >= from + _countsBefore && p.Moment.Beat.Number < from + _countsBefore + span)
                .ToList();
        var shift = from >= 1 ? span : counts.First.Number - (from + _countsBefore);
        if (source.Count == 0)
        {
            Tell(ActionFindings.NothingAgain.At(
                entry.Row,
                ActionTexts.NoCountsAboveToRepeat(span),
                part: part.Name));
            return;
        }

        TellOtherLead(entry.Row, source, operation.Lead);
        var mirrors = operation.OtherSide
            || (operation.Lead.IsSingle() && LeadOf(source) is var lead && lead.IsSingle() && lead != operation.Lead);
        if (mirrors)
        {
            TellSameSide(entry.Row, source);
        }

        var taken = new List<PendingMoment>();
        foreach (var pending in source.Where(p => p.Moment is not StatedFact))
        {
            var moment = mirrors ? MirrorImage.Reflect(pending.Moment, dance.Header.StartFacing) : pending.Moment;
            var beat = moment.Beat with { Number = moment.Beat.Number + shift };
            taken.Add(new PendingMoment(
                moment is DanceAction action
                    ? action with { Beat = beat, Row = entry.Row, Source = entry.Span, Call = action.Call + NextTime }
                    : moment with { Beat = beat, Row = entry.Row },
                pending.Until with { Number = pending.Until.Number + shift }));
        }

        Take(entry, new TakenAgain(counts, taken, mirrors ? _feet.Weight.Other() : _feet.Weight), mirrored, only);
    }

    /// <summary>
    /// The other side of what names no foot is the foot that is free; where as many steps lead back to the same one, that is no other side,
    /// and is told.
    /// </summary>
    private void TellSameSide(int row, List<PendingMoment> above)
    {
        var steps = above.Select(p => p.Moment).OfType<DanceAction>().Count(a => a.Verb.Kind == VerbKind.Takes);
        if (steps > 0 && steps % 2 == 0 && LeadOf(above) == Foot.None && !above.Exists(p => p.Moment is DanceAction { Foot: Foot.Both }))
        {
            Tell(ActionFindings.Doubtful.At(
                row,
                ActionTexts.RepeatBeginsWithSameFoot,
                part: part.Name));
        }
    }

    /// <summary>
    /// A foot that is asked for where what is danced again names none: it begins with the foot that is free, and where that is the other
    /// one it is told.
    /// </summary>
    private void TellOtherLead(int row, List<PendingMoment> above, Foot asked)
    {
        if (asked.IsSingle()
            && LeadOf(above) == Foot.None
            && _feet.Weight.IsSingle()
            && _feet.Weight.FreeFoot() is var free
            && free != asked)
        {
            Tell(ActionFindings.Doubtful.At(
                row,
                ActionTexts.RepeatBeginsWithFreeFoot(free.Word(), asked.Word()),
                part: part.Name));
        }
    }

    /// <summary>The foot that some moments begin with, where it is named.</summary>
    private static Foot LeadOf(List<PendingMoment> moments) => moments.Select(p => p.Moment).OfType<DanceAction>()
        .Select(a => a.Role == FootRole.Named ? a.Foot : a.CallLead).FirstOrDefault(f => f.IsSingle());
}
